import { readFileSync } from 'node:fs';
import { inTable, PUBLISHED, SLOTS_FILE } from './formats';

test.each(Object.entries(PUBLISHED))('the published schema of %s is what is checked by', (name, schema) => {
  const published = JSON.parse(readFileSync(`docs/formats/${name}.schema.json`, 'utf8'));
  // As JSON: what has no place there has none in a schema.
  expect(published).toEqual(JSON.parse(JSON.stringify(schema)));
});

/** As its words: how wide a column is drawn says nothing. */
const words = (text: string) => text.replace(/[ -]+/g, ' ');

test('the published table of slots is that of the program', () => {
  const published = readFileSync(SLOTS_FILE, 'utf8');
  expect(words(published)).toBe(words(inTable(published)));
});
