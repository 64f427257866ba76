import type { StoredGuide } from '@plesion/contract';
import { compiledFor } from '@plesion/core/guide';
import {
  type Item,
  markSeen,
  type MarkSeen,
  type PracticeAnswer,
  practiceItem,
  remember,
  type Scored,
  scoreAnswer,
  scoreMark,
  type Seen,
  type Why,
  whyOf,
} from '@plesion/core/practice';
import { useCallback, useMemo, useState } from 'react';
import { v7 as mintId } from 'uuid';
import { planOf } from '../records/plans';
import { keepAnswer } from '../records/practiceAnswers';
import { useSession } from '../session/useSession';
import { useStanding } from './useStanding';
import { askedNow, RESTED, type Wanted } from './ways';

/** The truth, and what the answer was worth. */
export interface ToldAnswer extends Scored {
  why?: Why;
  mark?: MarkSeen;
}

/** Item after item of a guide, each made, answered and told on this device; the answers are sent when they can be. */
export function usePractice({ id: guideId, version, guide }: StoredGuide, wanted: Wanted) {
  const station = useSession().station.id;
  const { standing, memories: before } = useStanding();
  const [turn, setTurn] = useState(() => ({ seed: mintId(), asked: [] as string[] }));
  const [seen, setSeen] = useState<Seen[]>([]);
  const [told, setTold] = useState<ToldAnswer>();
  const [problem, setProblem] = useState<string>();
  const own = standing?.guides.find((one) => one.guideId === guideId);
  const about = JSON.stringify(wanted);
  const current = useMemo(() => {
    if (!standing) return undefined;
    const plan = planOf(guide)!;
    const stand = {
      ...{ guideId, plan, compiled: compiledFor(guide), before: turn.asked },
      memories: remember(before, seen),
      lately: [...(own?.lately ?? []), ...seen.map(({ right }) => right)],
    };
    const { asked, why, pair } = askedNow(JSON.parse(about) as Wanted, stand, new Date());
    const compiled = compiledFor(guide, asked.situation);
    return { asked, why, pair, compiled, item: practiceItem(compiled, plan, asked, turn.seed) };
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- what is answered tells what comes next, and changes nothing of what is asked
  }, [standing, guide, guideId, turn, about]);
  const answer = (said: PracticeAnswer) => {
    const { item, asked, compiled } = current!;
    if (!item) return;
    const at = new Date().toISOString();
    const mark = markSeen(compiled, item, said);
    const drill = asked.character !== undefined;
    const why = drill ? undefined : whyOf(compiled, item, said.groups);
    const scored = drill ? scoreMark(mark) : scoreAnswer(item, said);
    setTold({ ...scored, why, mark });
    setSeen([...seen, seenOf(guideId, at, said, item, { ...scored, why, mark })]);
    const given = { id: mintId(), guideId, guideVersion: version, seed: item.seed, asked, answer: said, at };
    keepAnswer(station, given).catch(() =>
      setProblem('This device has no room for the answer: it counts until the page is left.'),
    );
  };
  const pair = current?.pair;
  const next = useCallback(() => {
    setTold(undefined);
    setTurn(({ asked }) => ({ seed: mintId(), asked: pair ? [...asked, pair].slice(-RESTED) : asked }));
  }, [pair]);
  const tally = { answers: seen.length, right: seen.filter(({ right }) => right).length };
  return { current, told, answer, next, tally, problem };
}

const seenOf = (guideId: string, at: string, { sure, wentBy }: PracticeAnswer, { truth }: Item, told: ToldAnswer): Seen => ({
  ...{ guideId, at, sure, right: told.right },
  ...(told.why ? { pair: [truth.group, told.why.other.id] } : {}),
  ...(wentBy && told.mark?.right !== undefined ? { mark: { character: wentBy.character, right: told.mark.right } } : {}),
});
