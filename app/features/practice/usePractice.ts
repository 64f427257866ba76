import type { PracticeStanding, StoredGuide } from '@plesion/contract';
import { type CompiledGuide, compiledFor, type Guide } from '@plesion/core/guide';
import {
  type Asked,
  type Item,
  markSeen,
  type MarkSeen,
  type NextWhy,
  type PracticeAnswer,
  practiceItem,
  remember,
  type Scored,
  scoreOf,
  type Seen,
  type Why,
  whyOf,
} from '@plesion/core/practice';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 as mintId } from 'uuid';
import { planOf } from '../records/plans';
import { keepAnswer, standingQuery } from '../records/practiceAnswers';
import { useSession } from '../session/useSession';
import { flockPlates, itemPlate } from './itemPlate';
import { keptTurn } from './keptTurn';
import { useStanding } from './useStanding';
import { askedNow, type AskedNow, RESTED, type Wanted } from './ways';

/** The truth, and what the answer was worth. */
export interface ToldAnswer extends Scored {
  why?: Why;
  mark?: MarkSeen;
}

/** What an item is answered to, and what follows. */
export interface Turns {
  answer: (said: PracticeAnswer) => void;
  /** Nothing, before the answer and where what it was is held back. */
  told?: ToldAnswer;
  next: () => void;
  tally: { answers: number; right: number };
  /** What stood in the way of keeping the answer. */
  problem?: string;
}

/** One item to be answered: what it is made from, and what was asked just before. */
interface Turn {
  seed: string;
  before: string[];
}

interface Made {
  asked: Asked;
  why?: NextWhy;
  /** The key of the pair that is asked. */
  pair?: string;
  compiled: CompiledGuide;
  item?: Item;
}

/** Makes an item from what is asked. */
type Maker = (...of: Parameters<typeof practiceItem>) => Item | undefined;

/** Milliseconds after which the next item is made while the last one's truth is read. */
const MEANWHILE = 120;

/** Item after item of a guide, each made, answered and told on this device; the answers are sent when they can be. */
export function usePractice({ id: guideId, version, guide }: StoredGuide, wanted: Wanted, maker: Maker = practiceItem) {
  const station = useSession().station.id;
  const client = useQueryClient();
  const { standing, memories } = useStanding();
  const about = JSON.stringify(wanted);
  const kept = useMemo(() => keptTurn(guideId), [guideId]);
  const [turn, setTurn] = useState<Turn>(() => {
    const left = kept.read();
    return { seed: left?.about === about ? left.seed : mintId(), before: [] };
  });
  const [seen, setSeen] = useState<Seen[]>([]);
  const [tally, setTally] = useState({ answers: 0, right: 0 });
  const [told, setTold] = useState<ToldAnswer>();
  const [problem, setProblem] = useState<string>();
  const made = useRef(new Map<string, Made>());
  /** The item of a turn, once: what is answered tells what comes next, and changes nothing of what is asked. */
  const makeOnce = (one: Turn): Made | undefined => {
    if (!standing) return undefined;
    const key = `${one.seed} ${about}`;
    const known = made.current.get(key);
    if (known) return known;
    const left = kept.read();
    const own = makeItem(guideId, guide, wanted, one, left?.seed === one.seed && left.about === about ? left : undefined, {
      memories: remember(memories, seen),
      lately: [...latelyOf(standing, guideId), ...seen.map(({ right }) => right)],
      maker,
    });
    made.current.set(key, own);
    return own;
  };
  const current = makeOnce(turn);
  useEffect(() => {
    if (!current?.item || told) return;
    const { asked, why, pair: of } = current;
    kept.keep({ about, seed: turn.seed, asked, ...(why ? { why } : {}), ...(of ? { pair: of } : {}) });
  }, [about, current, kept, told, turn]);
  const pair = current?.pair;
  const upcoming = useMemo<Turn>(
    () => ({ seed: mintId(), before: pair ? [...turn.before, pair].slice(-RESTED) : turn.before }),
    [turn, pair],
  );
  // Made and drawn before it is asked for.
  useEffect(() => {
    if (!told) return;
    const timer = setTimeout(() => {
      const item = makeOnce(upcoming)?.item;
      if (item?.flock) flockPlates(guide, item);
      else if (item && !item.photo && item.beats === undefined) itemPlate(guide, item);
    }, MEANWHILE);
    return () => clearTimeout(timer);
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- once for each answer, by what was known with it
  }, [told]);
  const answer = (said: PracticeAnswer) => {
    const { item, asked, compiled } = current!;
    if (!item) return;
    const at = new Date().toISOString();
    const mark = markSeen(compiled, item, said);
    const drill = asked.character !== undefined;
    const why = drill ? undefined : whyOf(compiled, item, said.groups);
    const scored = { ...scoreOf(asked, item, said, why, mark), why, mark };
    setTold(scored);
    kept.forget();
    setTally({ answers: tally.answers + 1, right: tally.right + (scored.right ? 1 : 0) });
    // A walk through a key, or how many there are, says nothing of any pair, or of how hard an individual may be.
    if (!item.drill && (!item.flock || item.flock.task === 'odd'))
      setSeen([...seen, seenOf(guideId, at, said, item, asked.spot ? { ...scored, why: undefined } : scored)]);
    const given = { id: mintId(), guideId, guideVersion: version, seed: item.seed, asked, answer: said, at };
    keepAnswer(station, given).catch(() =>
      setProblem('This device has no room for the answer: it counts until the page is left.'),
    );
    // Asked anew where it is looked at next; here what was answered is known already.
    void client.invalidateQueries({ queryKey: standingQuery.queryKey, refetchType: 'none' });
  };
  const next = useCallback(() => {
    setTold(undefined);
    setTurn(upcoming);
  }, [upcoming]);
  return { current, told, answer, next, tally, problem };
}

const latelyOf = ({ guides }: PracticeStanding, guideId: string): boolean[] =>
  guides.find((one) => one.guideId === guideId)?.lately ?? [];

function makeItem(
  guideId: string,
  guide: Guide,
  wanted: Wanted,
  { seed, before }: Turn,
  left: AskedNow | undefined,
  { maker, ...known }: Pick<Parameters<typeof askedNow>[1], 'memories' | 'lately'> & { maker: Maker },
): Made {
  const plan = planOf(guide)!;
  const stand = { guideId, plan, compiled: compiledFor(guide), ...known };
  const made = ({ asked, why, pair }: AskedNow): Made => {
    const compiled = compiledFor(guide, asked.situation);
    return { asked, why, pair, compiled, item: maker(compiled, plan, asked, seed) };
  };
  // What was asked before a reload is asked once more, whatever is due by now; if the guide still has it.
  const again = left && made(left);
  if (again?.item) return again;
  const passed = [...before];
  for (;;) {
    const now = askedNow(wanted, { ...stand, before: passed }, new Date());
    const one = made(now);
    if (one.item) return one;
    if (now.otherwise) return made({ asked: now.otherwise });
    // Two of which no odd one could be told are passed over, a few times.
    if (!now.asked.flock || now.pair === undefined || passed.length > before.length + PASSED) return one;
    passed.push(now.pair);
  }
}

/** Pairs passed over for an odd one at most. */
const PASSED = 4;

const seenOf = (guideId: string, at: string, { sure, wentBy }: PracticeAnswer, { truth }: Item, told: ToldAnswer): Seen => ({
  ...{ guideId, at, sure, right: told.right },
  ...(told.why ? { pair: [truth.group, told.why.other.id] } : {}),
  ...(wentBy && told.mark?.right !== undefined ? { mark: { character: wentBy.character, right: told.mark.right } } : {}),
});
