import type { Schema } from '@/core/format';
import { SLOT_FAMILIES } from './slots';

/** Every slot but the findings as a Markdown table: its stage, what it holds, and what that means. */
export function slotDocument(): string {
  const rows = SLOT_FAMILIES.map(({ pattern, stage, schema }) =>
    [`\`${pattern}\``, stage, holds(schema), meaning(schema)].join(' | '),
  );
  return ['| Slot | Stage | Holds | |', '| --- | --- | --- | --- |', ...rows.map((r) => `| ${r} |`)].join(
    '\n',
  );
}

interface Parts {
  type?: string;
  format?: string;
  description?: string;
  enum?: readonly (string | number | null)[];
  minimum?: number;
  maximum?: number;
  properties?: Readonly<Record<string, Schema>>;
  required?: readonly string[];
}

/** What a value is, in as few words as will do: its words, its bounds, its fields. */
function holds(schema: Schema): string {
  const { type, format, properties, required = [], minimum, maximum, enum: words } = schema as Parts;
  if (words) return words.map((w) => `\`${w}\``).join(', ');
  if (properties)
    return Object.keys(properties)
      .map((key) => (required.includes(key) ? `\`${key}\`` : `\`${key}\`?`))
      .join(', ');
  if (type === 'integer' || type === 'number') return `${minimum} to ${maximum}`;
  return format ?? { boolean: 'yes or no', string: 'words' }[type ?? ''] ?? 'a list';
}

/** What is said of it, and of those of its fields that need it. */
function meaning(schema: Schema): string {
  const { description, properties = {} } = schema as Parts;
  const fields = Object.entries(properties).flatMap(([key, field]) => {
    const said = (field as Parts).description;
    return said ? [`\`${key}\`: ${said}`] : [];
  });
  return [description, ...fields].filter(Boolean).join('. ');
}
