import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { inTable, PUBLISHED, SLOTS_FILE } from '@/data/formats';
import { noFiles, readOptions } from './input';
import { BIOME, must, ROOT } from './system';

export const help = `
./pelvik formats

Writes the schemas of docs/formats, and the table of slots, anew from what the program checks by.
`;

export async function run(args: string[]): Promise<number> {
  noFiles(readOptions(args, [], []), 'formats');
  for (const [name, schema] of Object.entries(PUBLISHED)) {
    const file = path.join('docs', 'formats', `${name}.schema.json`);
    writeFileSync(path.join(ROOT, file), formatted(file, JSON.stringify(schema)));
    process.stdout.write(`${file}\n`);
  }
  const slots = path.join(ROOT, SLOTS_FILE);
  writeFileSync(slots, formatted(SLOTS_FILE, inTable(readFileSync(slots, 'utf8'))));
  process.stdout.write(`${SLOTS_FILE}\n`);
  return 0;
}

/** A text as the format check wants a file of that name. */
const formatted = (file: string, text: string): string =>
  must(process.execPath, [BIOME, 'format', `--stdin-file-path=${file}`], { input: text });
