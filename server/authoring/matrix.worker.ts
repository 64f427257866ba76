import { done, type Outcome } from '@plesion/core';
import { type Change, draftOf, packed, type PackedDraft, takeMatrix, unpacked, workingOf } from '@plesion/core/authoring';
import type { JobTask } from '../jobs/pool';
import { makeAll } from './makeAll';
import type { MatrixDone, MatrixTask } from './matrix';

/** Cells that could not be read, told one by one at most. */
const TOLD = 50;
/** Letters that what takes a matrix back may have, to be sent and kept in memory on a device. */
const MOST_BACK = 2_000_000;

/** Takes a matrix in in a worker thread and tells how far it is. */
export default function run({ request, port }: JobTask<MatrixTask>): Outcome<MatrixDone> {
  try {
    const working = workingOf(unpacked(JSON.parse(request.content) as PackedDraft));
    for (const batch of request.since) makeAll(working, JSON.parse(batch) as Change[]);
    port.postMessage(0.2);
    const outcome = takeMatrix(working, { do: 'matrix', source: request.source, text: request.text });
    port.postMessage(0.7);
    if (!outcome.ok) return outcome;
    const { matrix, problems, back } = outcome.value;
    const content = JSON.stringify(packed(draftOf(working)));
    return done({
      content,
      told: {
        taxa: matrix.taxa.length,
        characters: matrix.characters.length,
        problems: problems.slice(0, TOLD),
        left: problems.length,
        ...(JSON.stringify(back).length <= MOST_BACK ? { back } : {}),
      },
    });
  } finally {
    port.close();
  }
}
