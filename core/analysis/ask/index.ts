import type { Guide } from '../../guide/working';
import type { QuestionName, Questions } from '../questions';

/** A question as it is sent to a worker; the guide may be left out once its hash is known there. */
export interface Request<N extends QuestionName = QuestionName> {
  name: N;
  asked: Questions[N]['asks'];
  /** Of the guide's content; absent for a key without a guide. */
  hash?: string;
  guide?: Guide;
}

export type Reply<N extends QuestionName = QuestionName> = { known: true; answer: Questions[N]['gives'] } | { known: false };

/**
 * Ask with the hash alone, and once more with the guide where it is not known there.
 *
 * @param send carries a request to a worker and its reply back.
 * @throws what `send` throws; an error where the guide is not taken.
 */
export async function ask<N extends QuestionName>(
  send: (request: Request<N>) => Promise<Reply<N>>,
  name: N,
  asked: Questions[N]['asks'],
  known?: { hash: string; guide: Guide },
): Promise<Questions[N]['gives']> {
  const first = await send({ name, asked, hash: known?.hash });
  const answer = first.known ? first : await send({ name, asked, ...known });
  if (!answer.known) throw new Error('The guide was not taken.');
  return answer.answer;
}
