import type { KeptWalk } from '@plesion/core/keys';
import { useState } from 'react';
import { device } from '../../lib/device';
import { useSession } from '../session/useSession';

/** A walk that belongs to no specimen: kept on this device, with its steps back. */
export function useLooseWalk(keyId: string) {
  const key = `plesion.walk.${useSession().station.id}.${keyId}`;
  const [steps, setSteps] = useState<{ past: KeptWalk[]; walk?: KeptWalk; future: KeptWalk[] }>(() => {
    const text = device.read(key);
    return { past: [], walk: text ? (JSON.parse(text) as KeptWalk) : undefined, future: [] };
  });
  const keep = (walk: KeptWalk) => device.write(key, JSON.stringify(walk));
  const empty: KeptWalk = { keyId, keyVersion: steps.walk?.keyVersion ?? 1, answers: [] };
  return {
    walk: steps.walk,
    put(walk: KeptWalk) {
      keep(walk);
      setSteps(({ past, walk: before }) => ({
        past: [...past, before ?? { ...empty, keyVersion: walk.keyVersion }].slice(-100),
        walk,
        future: [],
      }));
    },
    undo() {
      const target = steps.past.at(-1);
      if (!target || !steps.walk) return;
      keep(target);
      setSteps({ past: steps.past.slice(0, -1), walk: target, future: [...steps.future, steps.walk] });
    },
    redo() {
      const target = steps.future.at(-1);
      if (!target || !steps.walk) return;
      keep(target);
      setSteps({ past: [...steps.past, steps.walk], walk: target, future: steps.future.slice(0, -1) });
    },
    canUndo: steps.past.length > 0,
  };
}
