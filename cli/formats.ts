import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { format } from 'prettier';
import { inTable, PUBLISHED, SLOTS_FILE } from '@/data/formats';
import { noFiles, readOptions } from './input';
import { ROOT } from './system';

export const help = `
./pelvik formats

Writes the schemas of docs/formats, and the table of slots, anew from what the program checks by.
`;

export async function run(args: string[]): Promise<number> {
  noFiles(readOptions(args, [], []), 'formats');
  for (const [name, schema] of Object.entries(PUBLISHED)) {
    const file = path.join('docs', 'formats', `${name}.schema.json`);
    const options = { parser: 'json', printWidth: 110 };
    writeFileSync(path.join(ROOT, file), await format(JSON.stringify(schema), options));
    process.stdout.write(`${file}\n`);
  }
  const slots = path.join(ROOT, SLOTS_FILE);
  writeFileSync(
    slots,
    await format(inTable(readFileSync(slots, 'utf8')), { parser: 'markdown', printWidth: 110 }),
  );
  process.stdout.write(`${SLOTS_FILE}\n`);
  return 0;
}
