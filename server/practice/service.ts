import { randomUUID } from 'node:crypto';
import type { GivenAnswer, ScoredAnswer } from '@plesion/contract';
import { type Asked, type Item, judgedSteps, type PracticeAnswer, scoreOf } from '@plesion/core/practice';
import type { Em } from '../database/orm';
import { findGuide, guideNamed } from '../guides/service';
import { badRequest, HttpProblem } from '../http/errors';
import type { Writer } from '../records/write';
import { drillKeys } from './drillKeys';
import type { Made } from './make';
import { verifiedPhotos } from './photos';
import type { PracticePool } from './pool';

interface Wanted extends Asked {
  guideId: string;
  n: number;
  seed?: string;
}

/** Items of a guide; one seed makes a row of them. */
export async function itemsFor(
  em: Em,
  pool: PracticePool,
  stationId: string,
  { guideId, n, seed = randomUUID(), ...asked }: Wanted,
): Promise<{ guideVersion: number; items: Item[] }> {
  const { guide, hash, version } = (await guideNamed(em, stationId, guideId))!;
  const key = (await drillKeys(em, stationId, [asked]))(guideId, asked, 'walk');
  const photo = (await verifiedPhotos(em, stationId, [asked]))(asked, 'photo');
  const wanted = Array.from({ length: n }, (_, i) => ({ asked, key, photo, seed: n === 1 ? seed : `${seed} ${i + 1}` }));
  const items = (await pool.make({ guide, hash, wanted })).flatMap((made) => (made ? [made.item] : []));
  if (!items.length) throw nothingToShow('groups');
  return { guideVersion: version, items };
}

const nothingToShow = (field: string) =>
  badRequest([
    {
      code: 'no-item',
      message: 'Nothing of this guide can be drawn for that. Ask for groups of the level, in a view that its plates have.',
      field,
    },
  ]);

/** Score answers by the items they were given to, and keep them: all of them, or none. */
export async function keepAnswers(em: Em, pool: PracticePool, writer: Writer, answers: readonly GivenAnswer[]) {
  const made = await itemsOf(em, pool, writer.stationId, answers);
  const scored = answers.map((given, i) => {
    const own = made[i];
    if (!own) throw nothingToShow(`answers[${i}].asked`);
    needChoices(given.answer, own.item, `answers[${i}].answer.groups`);
    return scoredBy(given, own);
  });
  await storeAnswers(em, writer, answers, scored);
  return { answers: scored };
}

/** Refused where something is named that was not to be chosen. */
export function needChoices({ groups }: PracticeAnswer, { choices }: Pick<Item, 'choices'>, field: string): void {
  const strange = groups.find((group) => !choices.some((choice) => choice.id === group));
  if (strange === undefined) return;
  const message = `“${strange}” was not to be chosen; there were ${choices.map((choice) => choice.id).join(', ')}.`;
  throw badRequest([{ code: 'no-choice', message, field }]);
}

/** An answer, scored by the item it was given to. */
export const scoredBy = (given: GivenAnswer, made: Made): ScoredAnswer => ({ id: given.id, ...scoreGiven(given, made) });

/** What an answer was worth, without a name of its own. */
export const scoreGiven = (
  { asked, answer }: Pick<GivenAnswer, 'asked' | 'answer'>,
  { item, why, mark }: Made,
): Omit<ScoredAnswer, 'id'> => ({
  ...{ truth: truthOf(item), best: item.truth.best, why, mark },
  ...scoreOf(asked, item, answer, why, mark),
  ...(item.drill ? { steps: judgedSteps(item, answer) } : {}),
});

/** What it was in a word; of many whose number is asked, the number. */
const truthOf = ({ flock, truth }: Item): string => (flock?.task === 'many' ? String(flock.members.length) : truth.group);

/** Each answer once, however often it is sent. */
export async function storeAnswers(
  em: Em,
  { stationId, accountName }: Writer,
  answers: readonly GivenAnswer[],
  scored: readonly ScoredAnswer[],
): Promise<void> {
  const now = new Date().toISOString();
  const rows = answers.map(({ id, guideId, guideVersion, seed, asked, answer, at }, i) => ({
    // A device's clock may be ahead; nothing was answered tomorrow.
    ...{ id, guide_id: guideId, guide_version: guideVersion, seed, asked, answer, at: at > now ? now : at },
    ...{ truth: scored[i].truth, p: scored[i].p, bits: scored[i].bits, correct: scored[i].right },
    // Nobody was taken for another where a mark was to be found.
    ...{ other: asked.spot ? undefined : scored[i].why?.other.id, mark_right: scored[i].mark?.right },
    ...(scored[i].steps ? { steps: scored[i].steps } : {}),
    ...(typeof scored[i].mark?.shown === 'number' ? { mark_shown: scored[i].mark.shown } : {}),
  }));
  await em.getConnection().execute(
    `insert into practice_answer (station_id, id, account, guide_id, guide_version, seed, asked, answer, truth, p, bits, correct, other, mark_right, mark_shown, steps, at)
     select ?::uuid, id, ?::text, guide_id, guide_version, seed, asked, answer, truth, p, bits, correct, other, mark_right, mark_shown, steps, at
     from jsonb_to_recordset(?::jsonb) as sent (id uuid, guide_id uuid, guide_version int, seed text, asked jsonb, answer jsonb,
       truth text, p float, bits float, correct boolean, other text, mark_right boolean, mark_shown float, steps jsonb, at timestamptz)
     on conflict (station_id, id) do nothing`,
    [stationId, accountName, JSON.stringify(rows)],
  );
}

/** The item of each answer, made once more; those of one guide together. */
async function itemsOf(
  em: Em,
  pool: PracticePool,
  stationId: string,
  answers: readonly GivenAnswer[],
): Promise<(Made | undefined)[]> {
  const items: (Made | undefined)[] = [];
  const all = answers.map(({ asked }) => asked);
  const [keyOf, photoOf] = await Promise.all([drillKeys(em, stationId, all), verifiedPhotos(em, stationId, all)]);
  const byGuide = new Map<string, number[]>();
  answers.forEach(({ guideId, guideVersion }, i) => {
    const key = `${guideId} ${guideVersion}`;
    byGuide.set(key, [...(byGuide.get(key) ?? []), i]);
  });
  for (const places of byGuide.values()) {
    const { guideId, guideVersion } = answers[places[0]];
    const { guide, hash } = await findGuide(em, stationId, guideId, guideVersion).catch((error: Error) => {
      if (!(error instanceof HttpProblem)) throw error;
      throw badRequest([
        {
          code: 'unknown-guide',
          message: 'There is no such version of the guide in this station.',
          field: `answers[${places[0]}].guideVersion`,
        },
      ]);
    });
    const made = await pool.make({
      guide,
      hash,
      wanted: places.map((i) => ({
        ...{ asked: answers[i].asked, seed: answers[i].seed, said: answers[i].answer },
        key: keyOf(guideId, answers[i].asked, `answers[${i}].asked.walk`),
        photo: photoOf(answers[i].asked, `answers[${i}].asked.photo`),
      })),
    });
    places.forEach((i, k) => (items[i] = made[k]));
  }
  return items;
}
