import type { StoredGuide } from '@plesion/contract';
import type { Chart, ChartKin, SymbolFacts } from '@plesion/core/pedigree';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { askWorker } from '../analysis/weigher';

/** A pedigree as it is drawn: who is in it, where, and what each symbol says. */
export interface DrawnPedigree {
  kin: readonly ChartKin[];
  facts: ReadonlyMap<string, SymbolFacts>;
  chart: Chart;
}

/**
 * Where everybody of a pedigree is drawn, worked out beside the page. While another is worked out, the one before stays as
 * it was.
 */
export function usePedigree(book: Omit<DrawnPedigree, 'chart'>, known: StoredGuide) {
  const { kin, facts } = book;
  // The drawing stays where it is while only what the symbols say changes.
  const found = useQuery({
    queryKey: ['pedigree', kin],
    queryFn: () => askWorker('chart', { kin }, known),
    placeholderData: keepPreviousData,
    networkMode: 'always',
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const [last, setLast] = useState<DrawnPedigree>();
  const fresh = found.data && !found.isPlaceholderData ? { kin, facts, chart: found.data } : undefined;
  if (fresh && (fresh.chart !== last?.chart || facts !== last.facts)) setLast(fresh);
  return {
    drawn: fresh ?? last,
    busy: found.isPlaceholderData,
    error: found.error,
    retry: () => void found.refetch(),
  };
}
