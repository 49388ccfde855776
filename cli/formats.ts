import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { format } from 'prettier';
import { PUBLISHED } from '@/data/formats';
import { noFiles, readOptions } from './input';
import { ROOT } from './system';

export const help = `
./pelvik formats

Writes the schemas of docs/formats anew, from what the program checks by.
`;

export async function run(args: string[]): Promise<number> {
  noFiles(readOptions(args, [], []), 'formats');
  for (const [name, schema] of Object.entries(PUBLISHED)) {
    const file = path.join('docs', 'formats', `${name}.schema.json`);
    const options = { parser: 'json', printWidth: 110 };
    writeFileSync(path.join(ROOT, file), await format(JSON.stringify(schema), options));
    process.stdout.write(`${file}\n`);
  }
  return 0;
}
