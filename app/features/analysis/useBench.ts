import type { Level, Standing } from '@plesion/core/evidence';
import { Level as LevelSchema } from '@plesion/core/evidence/schema';
import type { StoredGuide } from '@plesion/contract';
import { CERTAINTIES, type Reading } from '@plesion/core/observation';
import type { Character, Judgement } from '@plesion/core/guide';
import { useMemo, useState } from 'react';
import { v7 as mintId } from 'uuid';
import { useAddress } from '../../lib/useAddress';
import { useGuide } from '../records/useGuide';
import type { Draft, DraftState } from '../records/draft';
import { useDraft } from '../records/useDraft';
import { inWorkingOrder, readingOf, withReading, withoutReadingId } from './readings';
import { useStanding } from './useStanding';
import { wakeWorker } from './weighWorker';

export interface Bench {
  stored: StoredGuide;
  draft: Draft;
  state: DraftState;
  answer?: Standing;
  weighing: boolean;
  weighError: unknown;
  level?: Level;
  setLevel: (level: Level | undefined) => void;
  /** The character at hand. */
  chosen?: Character;
  choose: (id: string | undefined) => void;
  step: (by: 1 | -1) => void;
  reading?: Reading;
  put: (reading: Reading) => void;
  clear: (id: string | undefined) => void;
  lookAgain: () => void;
  clearAll: () => void;
  /** Weigh it otherwise: sources, names, a cross. */
  judge: (judgement: Judgement) => void;
}

/** A level in the address: "rank-species", "facet-sex". */
const writeLevel = (level: Level): string => (level.kind === 'rank' ? `rank-${level.rank}` : `facet-${level.facet}`);

function readLevel(written = ''): Level | undefined {
  const [kind, ...of] = written.split('-');
  return LevelSchema.safeParse({ kind, [kind]: of.join('-') }).data;
}

/** A bench that was weighed, or could not be: what is shown is shown at once, and nothing comes in above it later. */
export const onceWeighed = (bench: Bench | undefined): Bench | undefined =>
  bench?.answer || bench?.weighError ? bench : undefined;

/** A specimen on the bench: its guide, its readings, its standing, and the character at hand. */
export function useBench(id: string): { bench?: Bench; guideless?: boolean; error: unknown; retry: () => void } {
  // Once, and as it is rendered: sooner than what it will be asked about is here.
  useState(wakeWorker);
  const { draft, state, error, refetch } = useDraft(id);
  const guide = useGuide(state?.content.guideId);
  const [address, setAddress] = useAddress(['level', 'character'], 0);
  const level = useMemo(() => readLevel(address.level), [address.level]);
  const setLevel = (next: Level | undefined) => setAddress({ level: next && writeLevel(next) });
  const chosenId = address.character;
  const choose = (character: string | undefined) => setAddress({ character });
  const standing = useStanding(guide.data, state?.content, level);
  const retry = () => {
    refetch();
    void guide.refetch();
  };
  if (state && state.content.guideId === undefined) return { guideless: true, error: undefined, retry };
  if (!draft || !state || !guide.data) return { error: error ?? guide.error, retry };
  const stored = guide.data;
  const inOrder = inWorkingOrder(stored.guide).flatMap(({ characters }) => characters);
  const chosen = inOrder.find((character) => character.id === chosenId);
  const { readings } = state.content;
  return {
    error: undefined,
    retry,
    bench: {
      stored,
      draft,
      state,
      answer: standing.data,
      weighing: standing.isFetching,
      weighError: standing.error,
      level,
      setLevel,
      chosen,
      choose,
      step(by) {
        const at = chosen ? inOrder.indexOf(chosen) : -1;
        choose(inOrder[Math.max(0, Math.min(inOrder.length - 1, at + by))].id);
      },
      reading: chosen && readingOf(readings, chosen.id),
      put: (reading) => draft.change((content) => withReading(content, reading)),
      clear: (readingId) => readingId && draft.change((content) => withoutReadingId(content, readingId)),
      lookAgain: () => {
        const last = chosen && readingOf(readings, chosen.id);
        if (last) draft.change((content) => withReading(content, { ...last, id: mintId() }));
      },
      clearAll: () => draft.change((content) => ({ ...content, readings: [] })),
      judge: (judgement) => draft.change((content) => ({ ...content, judgement: withoutEmpty(judgement) })),
    },
  };
}

/** Only what differs from the guide is kept; nothing at all where nothing does. */
function withoutEmpty(judgement: Judgement): Judgement | undefined {
  const kept = Object.entries(judgement).filter(([, value]) => value !== undefined);
  return kept.length ? Object.fromEntries(kept) : undefined;
}

/** The next certainty in turn. */
export const nextCertainty = (reading: Reading): Reading => ({
  ...reading,
  certainty: CERTAINTIES[(CERTAINTIES.indexOf(reading.certainty ?? 'sure') + 1) % CERTAINTIES.length],
});

/** Where the specimen is seen and how it is judged. */
export const settingOf = ({ state }: Bench) => ({ situation: state.content.situation, judgement: state.content.judgement });
