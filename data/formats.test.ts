import { readFileSync } from 'node:fs';
import { PUBLISHED } from './formats';

test.each(Object.entries(PUBLISHED))('the published schema of %s is what is checked by', (name, schema) => {
  const published = JSON.parse(readFileSync(`docs/formats/${name}.schema.json`, 'utf8'));
  // As JSON: what has no place there has none in a schema.
  expect(published).toEqual(JSON.parse(JSON.stringify(schema)));
});
