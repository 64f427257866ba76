import { createClient, type GivenAnswer, RequestProblem } from '@plesion/contract';
import { practiceEndpoints } from '@plesion/contract/endpoints/practice';
import { GivenAnswer as Shape } from '@plesion/contract/practice';
import { queryOptions } from '@tanstack/react-query';
import { keyOf, outbox } from '../../lib/outbox/outbox';
import type { Entry } from '../../lib/outbox/storage';

export const practiceApi = createClient('', undefined, practiceEndpoints);

/** How one's practice stands is asked for in one way; without a connection that it cannot be had is known at once. */
export const standingQuery = {
  queryKey: ['practice standing'],
  queryFn: ({ signal }: { signal: AbortSignal }) => practiceApi('practiceStanding', {}, signal),
  retry: false,
  networkMode: 'always',
} as const;

/** Photographs of a guide's specimens of which it is known what they are. */
export const photosQuery = (guideId: string) =>
  queryOptions({
    queryKey: ['practice photos', guideId],
    queryFn: ({ signal }) => practiceApi('practicePhotos', { query: { guideId } }, signal),
  });

const KIND = 'practice';

/** Answers sent with one request. */
const TOGETHER = 50;

/** An answer is kept on this device, and sent at once where that can be. */
export async function keepAnswer(station: string, answer: GivenAnswer): Promise<void> {
  const kept = outbox().keep({ station, kind: KIND, id: answer.id, content: answer });
  void practiceAnswers.sendEntry(outbox().entry(keyOf(station, KIND, answer.id))!);
  await kept;
}

/** Sends answers some together. One to a guide that is gone meanwhile is refused for good, and not tried again. */
export const practiceAnswers = {
  name: KIND,
  isReadable: ({ content }: Entry) => Shape.safeParse(content).success,
  async sendEntry({ key, station }: Entry): Promise<void> {
    if (!outbox().entry(key)) return;
    const all = outbox()
      .waiting(station)
      .filter(({ kind, content }) => kind === KIND && Shape.safeParse(content).success)
      .slice(0, TOGETHER);
    try {
      await practiceApi('practiceAnswers', { body: { answers: all.map(({ content }) => content as GivenAnswer) } });
    } catch (error) {
      if (!(error instanceof RequestProblem) || error.status !== 400) return;
      // Which of them it is, is seen when each goes alone.
      if (all.length > 1) {
        for (const one of all)
          await practiceApi('practiceAnswers', { body: { answers: [one.content as GivenAnswer] } }).then(
            () => outbox().forget(one.key),
            (problem: unknown) => problem instanceof RequestProblem && problem.status === 400 && outbox().forget(one.key),
          );
        return;
      }
    }
    for (const one of all) outbox().forget(one.key);
  },
};
