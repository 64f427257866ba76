import type { DraftCharacter } from '@plesion/core/authoring';
import { useEffect, useMemo, useRef, useState } from 'react';
import { z } from 'zod';
import { keptForm } from '../../lib/keptForm';
import type { TreeRow } from './taxonTree';

const Half = z.object({ taxon: z.string(), character: z.string(), text: z.string() });

interface HalfTyped {
  /** Row and column of the cell that was being typed in when the page was left. */
  begun?: [number, number];
  /** Undefined while nothing is typed. */
  text: string | undefined;
  /** Was it typed since the grid was put up, and not before the page was left? */
  here: boolean;
  /** What is typed at this very moment: between two drawings a key and a press may both ask. */
  now: () => string | undefined;
  type: (text: string | undefined, taxon: string, character: string) => void;
}

/** What is typed into a cell and not taken yet, kept with its cell while the page is. */
export function useHalfTyped(name: string, rows: readonly TreeRow[], characters: readonly DraftCharacter[]): HalfTyped {
  const kept = useMemo(() => keptForm(`cell.${name}`, Half), [name]);
  const [before] = useState(() => {
    const half = kept.read();
    const row = rows.findIndex(({ taxon }) => taxon.id === half?.taxon);
    const column = characters.findIndex(({ id }) => id === half?.character);
    return half && row >= 0 && column >= 0 ? { begun: [row, column] as [number, number], text: half.text } : undefined;
  });
  const [text, setText] = useState(before?.text);
  const [here, setHere] = useState(false);
  const now = useRef(before?.text);
  return {
    begun: before?.begun,
    text,
    here,
    now: () => now.current,
    type: (next, taxon, character) => {
      now.current = next;
      setText(next);
      setHere(true);
      if (next === undefined) kept.forget();
      else kept.keep({ taxon, character, text: next });
    },
  };
}

/** Does this when the part of the page is left, as it was drawn last. */
export function useOnLeaving(leave: () => void): void {
  const last = useRef(leave);
  useEffect(() => {
    last.current = leave;
  });
  useEffect(() => () => last.current(), []);
}
