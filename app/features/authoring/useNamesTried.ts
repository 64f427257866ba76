import type { NamesTried } from '@plesion/contract/guideVersions';
import { useEffect, useRef, useState } from 'react';

type Ask = (after: string | undefined, signal: AbortSignal) => Promise<NamesTried>;

export interface Trial {
  state: 'none' | 'running' | 'stopped' | 'done';
  tried: number;
  total: number;
  changed: NamesTried['changed'];
  error?: Error;
}

const NONE: Trial = { state: 'none', tried: 0, total: 0, changed: [] };

/** Past names tried on another version, some at a time, until all are or somebody stops it. */
export function useNamesTried(ask: Ask) {
  const [trial, setTrial] = useState(NONE);
  const running = useRef<AbortController | undefined>(undefined);
  useEffect(() => () => running.current?.abort(), []);
  const start = async () => {
    const control = new AbortController();
    running.current?.abort();
    running.current = control;
    let so: Trial = { ...NONE, state: 'running' };
    setTrial(so);
    try {
      for (let after: string | null | undefined = undefined; after !== null;) {
        const found: NamesTried = await ask(after, control.signal);
        after = found.next;
        so = {
          state: after === null ? 'done' : 'running',
          tried: so.tried + found.tried,
          total: found.total,
          changed: [...so.changed, ...found.changed],
        };
        if (control.signal.aborted) return;
        setTrial(so);
      }
    } catch (error) {
      if (!control.signal.aborted) setTrial({ ...so, state: 'stopped', error: error as Error });
    }
  };
  const stop = () => {
    running.current?.abort();
    setTrial((so) => ({ ...so, state: 'stopped' }));
  };
  return { trial, start: () => void start(), stop };
}
