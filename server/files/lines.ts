import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';

/** Characters of rows that are stored with one statement. */
const SOME = 2_000_000;

/** The lines of a file, some at a time. */
export async function* batchesOf(path: string): AsyncGenerator<string[]> {
  let some: string[] = [];
  let length = 0;
  for await (const line of createInterface({ input: createReadStream(path), crlfDelay: Infinity })) {
    some.push(line);
    length += line.length;
    if (length < SOME) continue;
    yield some;
    [some, length] = [[], 0];
  }
  if (some.length) yield some;
}
