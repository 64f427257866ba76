import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readGuide } from '@plesion/core/guide';
import { guideJsonSchema } from './guideSchema';

const docs = (file: string) => JSON.parse(readFileSync(join(__dirname, '../docs', file), 'utf8')) as Record<string, unknown>;

it('the schema of a guide in the docs is the one guides are read by', () => {
  expect(docs('guide.schema.json')).toEqual(JSON.parse(JSON.stringify(guideJsonSchema())));
});

it('the example in the docs is a guide, and has no field that is not known', () => {
  const example = docs('guide.example.json');
  const read = readGuide(example);
  expect(read.ok ? [] : read.problems).toEqual([]);
  expect(readGuide({ ...example, colour: 'red' })).toMatchObject({
    ok: false,
    problems: [{ message: expect.stringContaining('colour') }],
  });
});
