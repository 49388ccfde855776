import type { Catalogue, CataloguePoint } from './catalogue';
import { kindOf } from './field';
import type { InspectionFile } from './schema';

/** The whole catalogue as Markdown: what can be recorded of what, with which answers. `docs/formats/points.md` is this. */
export function catalogueDocument(catalogue: Catalogue): string {
  const files = catalogue.files.filter((f) => f.points.length > 0);
  const count = files.reduce((sum, f) => sum + f.points.length, 0);
  return [
    '# What can be recorded',
    '',
    `${count} points in ${files.length} files of \`data/inspection/\`. Everything may also be \`cannot-tell\`, or \`takedown\`: damaged by us. Made by \`./pelvik unit points\`.`,
    ...files.flatMap((file) => ['', ...section(catalogue, file)]),
    '',
  ].join('\n');
}

function section(catalogue: Catalogue, file: InspectionFile): string[] {
  const of = Object.entries(file.of).map(
    ([head, kinds]) => `${head} ${kinds!.map((k) => `\`${k}\``).join(', ')}`,
  );
  return [
    `## ${file.words} (\`${file.id}\`)`,
    '',
    `Of: ${of.join('; ')}. Asked at: ${file.stage}.`,
    '',
    '| Point | What | Answers | Minutes | Counts as |',
    '| --- | --- | --- | --- | --- |',
    ...file.points.map((point) => row(catalogue.point(`${file.id}.${point.id}`)!)),
  ];
}

function row({ point, levels }: CataloguePoint): string {
  const cells = [
    `\`${point.id}\``,
    point.words,
    kindOf(point.field).cell(point.field, levels),
    String(point.minutes),
    point.counts ?? '',
  ];
  return `| ${cells.map((c) => c.replaceAll('|', '\\|')).join(' | ')} |`;
}
