import { KeptWalk } from '@plesion/core/keys/schema';
import { useState } from 'react';
import { device } from '../../lib/device';
import { keptIn } from '../../lib/kept';
import { useSession } from '../session/useSession';

/** A walk that belongs to no specimen: kept on this device, with its steps back. */
export function useLooseWalk(keyId: string) {
  const kept = keptIn(device, `plesion.walk.${useSession().station.id}.${keyId}`, KeptWalk);
  const [steps, setSteps] = useState<{ past: KeptWalk[]; walk?: KeptWalk; future: KeptWalk[] }>(() => ({
    past: [],
    walk: kept.read(),
    future: [],
  }));
  const empty: KeptWalk = { keyId, keyVersion: steps.walk?.keyVersion ?? 1, answers: [] };
  return {
    walk: steps.walk,
    put(walk: KeptWalk) {
      kept.keep(walk);
      setSteps(({ past, walk: before }) => ({
        past: [...past, before ?? { ...empty, keyVersion: walk.keyVersion }].slice(-100),
        walk,
        future: [],
      }));
    },
    undo() {
      const target = steps.past.at(-1);
      if (!target || !steps.walk) return;
      kept.keep(target);
      setSteps({ past: steps.past.slice(0, -1), walk: target, future: [...steps.future, steps.walk] });
    },
    redo() {
      const target = steps.future.at(-1);
      if (!target || !steps.walk) return;
      kept.keep(target);
      setSteps({ past: [...steps.past, steps.walk], walk: target, future: steps.future.slice(0, -1) });
    },
    canUndo: steps.past.length > 0,
  };
}
