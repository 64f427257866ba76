import type { Problem } from '@plesion/core';

/** An archive that is not read in, and why. */
export class Refused extends Error {
  readonly problem: Problem;

  constructor(code: string, message: string, field = 'archive') {
    super(message);
    this.problem = { code, message, field };
  }
}

export const noArchive = () =>
  new Refused(
    'no-archive',
    'This file is not an archive of a Plesion station, or is damaged. Fetch it once more, and send it as it is.',
  );
