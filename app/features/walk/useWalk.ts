import type { Standing } from '@plesion/core/evidence';
import type { StoredGuide, StoredKey } from '@plesion/contract';
import type { Reading } from '@plesion/core/observation';
import { isClose } from '@plesion/core/evidence';
import { type CompiledGuide, compiledFor } from '@plesion/core/guide';
import {
  alone,
  type CoupletAnswer,
  coupletIndex,
  type KeptWalk,
  type KeyedSpecimen,
  type Statement,
  type Walk,
  walkKey,
  withTicked,
} from '@plesion/core/keys';
import { useMemo } from 'react';
import { useStanding } from '../analysis/useStanding';
import { useGuide } from '../records/useGuide';
import { useLotDraft } from '../records/useLots';
import { type OpenSpecimen, useSpecimens } from '../records/useSpecimens';
import { useKey } from '../records/useKeys';
import { undecided } from './answering';
import { useLooseWalk } from './looseWalk';

export interface OpenWalk {
  stored: StoredKey;
  guide?: StoredGuide;
  compiled?: CompiledGuide;
  /** Those keyed; none for a walk without a specimen. */
  specimens: OpenSpecimen[];
  lot?: { id: string; label: string };
  kept: KeptWalk;
  result: Walk;
  /** How the first specimen stands by its readings. */
  standing?: Standing;
  /** Must one not come close enough to read it? */
  withheld: (statement: Statement) => boolean;
  /** The newest version of the key, when the walk follows an older one. */
  newer?: StoredKey;
  takeNewer: () => void;
  answer: (couplet: string, change: (before: CoupletAnswer) => CoupletAnswer) => void;
  /** Take back what was answered at a couplet, and go to it. */
  reopen: (couplet: string) => void;
  start: (couplet: string | undefined) => void;
  restart: () => void;
  undo: () => void;
  redo: () => void;
  canUndo: boolean;
  /** Put a reading of one of the specimens. */
  read: (specimen: string | undefined, reading: Reading) => void;
}

const NO_READINGS = alone([]);

/** A walk through a key: of a specimen, of a lot, or of nothing in particular. */
export function useWalk(
  keyId: string,
  { specimenId, lotId, start }: { specimenId?: string; lotId?: string; start?: string },
): { bench?: OpenWalk; error: unknown; retry: () => void } {
  const newest = useKey(keyId);
  const lot = useLotDraft(lotId ?? '');
  const opened = useSpecimens(specimenId ? [specimenId] : (lot.state?.content.specimens ?? []));
  const loose = useLooseWalk(keyId);
  const found = lotId ? lot.state?.content.walk : specimenId ? opened.specimens?.[0]?.state.content.walk : loose.walk;
  const own = found?.keyId === keyId ? found : undefined;
  const older = useKey(own && newest.data && own.keyVersion !== newest.data.version ? keyId : undefined, own?.keyVersion);
  const behind = own && newest.data && own.keyVersion !== newest.data.version;
  const stored = behind ? older.data : newest.data;
  const guide = useGuide(newest.data?.guideId);
  const situation = opened.specimens?.[0]?.state.content.situation;
  const judgement = opened.specimens?.[0]?.state.content.judgement;
  const compiled = useMemo(
    () => (guide.data ? compiledFor(guide.data.guide, situation ?? {}, judgement) : undefined),
    [guide.data, situation, judgement],
  );
  const standing = useStanding(guide.data, opened.specimens?.[0]?.state.content).data;
  const keyed = useKeyedSpecimens(opened.specimens ?? []);
  const kept = useMemo(
    (): KeptWalk | undefined =>
      own ?? (stored && { keyId, keyVersion: stored.version, answers: [], ...(start ? { start } : {}) }),
    [own, stored, keyId, start],
  );
  const result = useMemo(
    () =>
      stored && kept
        ? walkKey({ key: stored.key, compiled, answers: kept.answers, specimens: keyed, situation, start: startOf(stored, kept) })
        : undefined,
    [stored, kept, compiled, keyed, situation],
  );
  const error = newest.error ?? (behind ? older.error : undefined) ?? guide.error ?? lot.error ?? opened.error;
  const retry = () => {
    void newest.refetch();
    void guide.refetch();
    lot.refetch();
    opened.refetch();
  };
  const waits = (newest.data?.guideId && !guide.data) || (lotId && !lot.state) || ((specimenId ?? lotId) && !opened.specimens);
  if (!stored || !kept || !result || waits) return { error, retry };

  /** The walk and the readings that follow from it, as one change where they lie in one place. */
  const put = (next: KeptWalk) => {
    const characters = new Map(compiled?.guide.characters.map((character) => [character.id, character]));
    const ticked = withTicked(stored.key, next.answers, keyed, characters);
    if (specimenId && opened.specimens) {
      opened.specimens[0].draft.change((content) => ({ ...content, walk: next, ...readingsOf(content, ticked[0]) }));
    } else if (lotId && lot.draft) {
      lot.draft.change((content) => ({ ...content, walk: next }));
      syncReadings(opened.specimens ?? [], ticked);
    } else loose.put(next);
  };
  const step = (draft: { undo: () => void } | { redo: () => void } | undefined, how: 'undo' | 'redo') => {
    (draft as Record<string, (() => void) | undefined> | undefined)?.[how]?.();
    const after = lotId ? lot.draft?.get().content.walk : undefined;
    if (!after) return;
    const characters = new Map(compiled?.guide.characters.map((character) => [character.id, character]));
    syncReadings(opened.specimens ?? [], withTicked(stored.key, after.answers, keyed, characters));
  };
  const holder = lotId ? lot.draft : specimenId ? opened.specimens?.[0]?.draft : loose;
  return {
    error: undefined,
    retry,
    bench: {
      stored,
      guide: guide.data,
      compiled,
      specimens: opened.specimens ?? [],
      ...(lotId && lot.state ? { lot: { id: lotId, label: lot.state.content.label } } : {}),
      kept,
      result,
      standing,
      withheld({ link }) {
        const character = guide.data?.guide.characters.find(({ id }) => id === link?.character);
        return Boolean(standing?.withheld.close && character && isClose(character));
      },
      ...(behind ? { newer: newest.data } : {}),
      takeNewer: () => newest.data && put(carriedOver(stored, newest.data, kept)),
      answer: (couplet, change) => put({ ...kept, answers: changed(kept.answers, couplet, change) }),
      reopen: (couplet) => put({ ...kept, answers: changed(kept.answers, couplet, undecided) }),
      start: (couplet) => put({ ...kept, start: couplet }),
      restart: () => put({ keyId, keyVersion: kept.keyVersion, answers: [] }),
      undo: () => step(holder, 'undo'),
      redo: () => step(holder, 'redo'),
      canUndo: lotId ? Boolean(lot.state?.canUndo) : specimenId ? Boolean(opened.specimens?.[0]?.state.canUndo) : loose.canUndo,
      read(specimen, reading) {
        const target = opened.specimens?.find(({ id }) => id === specimen) ?? opened.specimens?.[0];
        if (target?.state.content.guideId === undefined) return;
        target.draft.change((content) => ({
          ...content,
          readings: [
            ...content.readings.filter(({ id, character }) => id !== reading.id && character !== reading.character),
            reading,
          ],
        }));
      },
    },
  };
}

const startOf = (stored: StoredKey, { start }: KeptWalk) => (start && coupletIndex(stored.key).has(start) ? start : undefined);

function changed(
  answers: readonly CoupletAnswer[],
  couplet: string,
  change: (before: CoupletAnswer) => CoupletAnswer,
): CoupletAnswer[] {
  const before = answers.find((answer) => answer.couplet === couplet);
  const after = change(before ?? { couplet });
  return before ? answers.map((answer) => (answer === before ? after : answer)) : [...answers, after];
}

/** Answers go with a newer version of the key where their couplet is still the same. */
function carriedOver(from: StoredKey, to: StoredKey, kept: KeptWalk): KeptWalk {
  const [before, after] = [coupletIndex(from.key), coupletIndex(to.key)];
  const answers = kept.answers.filter(
    ({ couplet }) => JSON.stringify(before.get(couplet)) === JSON.stringify(after.get(couplet)),
  );
  return { ...kept, keyVersion: to.version, answers };
}

function useKeyedSpecimens(specimens: readonly OpenSpecimen[]): KeyedSpecimen[] {
  const told = JSON.stringify(specimens.map(({ id, state }) => [id, state.content.label, state.content.readings]));
  return useMemo(() => {
    const list = JSON.parse(told) as [string, string, Reading[]][];
    return list.length ? list.map(([id, label, readings]) => ({ id, label, readings })) : NO_READINGS;
  }, [told]);
}

/** What ticks say of characters is kept with a specimen that has a guide; without one, the walk is all there is. */
const readingsOf = ({ guideId }: { guideId?: string }, { readings }: KeyedSpecimen) =>
  guideId === undefined ? {} : { readings: [...readings] };

function syncReadings(specimens: readonly OpenSpecimen[], ticked: readonly KeyedSpecimen[]): void {
  for (const { id, draft, state } of specimens) {
    const readings = ticked.find((one) => one.id === id)?.readings;
    if (readings && state.content.guideId !== undefined && JSON.stringify(readings) !== JSON.stringify(state.content.readings)) {
      draft.change((content) => ({ ...content, readings: [...readings] }));
    }
  }
}
