import type { GivenAnswer } from '@plesion/contract';
import { CERTAINTY, CERTAINTY_WORDS } from '@plesion/core/practice/schema';
import { normal, seeded } from '@plesion/core/probability';
import { terns } from '@plesion/demo';
import type { Em } from '../database/orm';
import type { Writer } from '../records/write';
import { type Made, makeItems } from './make';
import { scoredBy, storeAnswers } from './service';

const DAY = 86_400_000;

/** Answers on each of some days before today, most of them long ago. */
const DAYS = [33, 30, 26, 22, 18, 13, 9, 5, 2];
const A_DAY = 9;

const ASKED = { level: { kind: 'rank' as const, rank: 'species' as const } };

/** The demo station's practice with its terns, made once: somebody who learns, and is too sure of two of them. */
export async function putDemoPractice(
  em: Em,
  writer: Writer,
  guides: ReadonlyMap<string, string>,
  today = new Date(),
): Promise<void> {
  const [{ n }] = await em
    .getConnection()
    .execute<{ n: number }[]>('select count(*)::int as n from practice_answer where station_id = ?', [writer.stationId]);
  const guideId = guides.get(terns.id);
  if (n > 0 || !guideId) return;
  const random = seeded('demo practice');
  const wanted = DAYS.flatMap((day) =>
    Array.from({ length: A_DAY }, (_, i) => ({ day, i, asked: ASKED, seed: `demo ${day} ${i}` })),
  );
  const bare = makeItems({ guide: terns, wanted });
  const answers = wanted.flatMap(({ day, i, asked, seed }, k): GivenAnswer[] => {
    const made = bare[k];
    if (!made) return [];
    return [
      {
        id: `0192f3a0-0000-7061-8000-${String(k).padStart(12, '0')}`,
        ...{ guideId, guideVersion: 1, seed, asked },
        answer: answerOf(made, k / wanted.length, random),
        at: new Date(today.getTime() - day * DAY + i * 40_000).toISOString(),
      },
    ];
  });
  const told = makeItems({ guide: terns, wanted: answers.map(({ asked, seed, answer }) => ({ asked, seed, said: answer })) });
  await storeAnswers(
    em,
    writer,
    answers,
    answers.map((answer, i) => scoredBy(answer, told[i]!)),
  );
}

/** What a learner says: right the oftener the longer they practise, and surer than right. */
function answerOf({ item: { truth, choices } }: Made, learnt: number, random: () => number): GivenAnswer['answer'] {
  const knows = random() < 0.62 + 0.3 * learnt;
  const others = choices.filter(({ id }) => id !== truth.group);
  const wrong = others[Math.floor(random() * Math.min(2, others.length))].id;
  const sure = CERTAINTY_WORDS[1 + Math.floor(random() * (CERTAINTY_WORDS.length - 1))];
  const mark = truth.readings[Math.floor(random() * Math.min(5, truth.readings.length))];
  const states = terns.characters.find(({ id }) => id === mark?.character)?.states;
  const says = states
    ? random() < CERTAINTY['fairly sure']
      ? mark?.states?.[0]
      : states[0].id
    : mark?.value === undefined || Number.isInteger(mark.value)
      ? mark?.value
      : // By eye, and a little too much.
        Number((mark.value * Math.exp(0.04 + 0.07 * normal(random))).toPrecision(3));
  return {
    groups: truth.best.kind === 'untold' && random() < 0.6 ? [] : [knows ? truth.group : wrong],
    sure,
    ...(mark && random() < 0.7 ? { wentBy: { character: mark.character, says } } : {}),
  };
}
