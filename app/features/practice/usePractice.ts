import { createClient, type ScoredAnswer } from '@plesion/contract';
import { practiceEndpoints } from '@plesion/contract/endpoints/practice';
import type { Guide } from '@plesion/core/guide';
import type { CertaintyWord, PracticeLevel } from '@plesion/core/practice';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';

const practiceApi = createClient('', undefined, practiceEndpoints);

/** Items asked for at once: the next is there before it is asked for. */
const ROW = 8;

/** What is told apart in a guide: its species, or the first facet of a single one. */
export function levelOf(guide: Guide): PracticeLevel {
  const [facet] = Object.keys(guide.facets) as (keyof Guide['facets'])[];
  const several = guide.taxa.filter(({ rank }) => rank === 'species').length > 1;
  return several || !facet ? { kind: 'rank', rank: 'species' } : { kind: 'facet', facet };
}

export interface Said {
  groups: string[];
  sure: CertaintyWord;
}

/** Item after item of a guide, each answered and told. */
export function usePractice(guideId: string, guide: Guide, view: string | undefined) {
  const [row, setRow] = useState(() => mintId());
  const [at, setAt] = useState(0);
  const [tally, setTally] = useState({ answers: 0, right: 0 });
  const asked = { level: levelOf(guide), ...(view ? { view } : {}) };
  const items = useQuery({
    queryKey: ['practice', guideId, view, row],
    queryFn: ({ signal }) => practiceApi('practiceItems', { body: { guideId, ...asked, n: ROW, seed: row } }, signal),
    staleTime: Infinity,
  });
  const item = items.data?.items[at];
  const answer = useMutation({
    mutationFn: async ({ said, id }: { said: Said; id: string }): Promise<ScoredAnswer> => {
      const given = { guideId, guideVersion: items.data!.guideVersion, seed: item!.seed, asked };
      const sent = { ...given, id, answer: said, at: new Date().toISOString() };
      return (await practiceApi('practiceAnswers', { body: { answers: [sent] } })).answers[0];
    },
    onSuccess: ({ right }) => setTally((now) => ({ answers: now.answers + 1, right: now.right + (right ? 1 : 0) })),
  });
  const next = () => {
    answer.reset();
    if (at + 1 < (items.data?.items.length ?? 0)) return setAt(at + 1);
    setRow(mintId());
    setAt(0);
  };
  return { item, items, answer, next, tally };
}
