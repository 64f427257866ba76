import { type AgeFamily, CATCH_WORDS, CATCHES, CONDITIONS, METHOD_WORDS, METHODS, SEXES } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { type ColumnTarget, TARGET_WORDS, TARGETS, type Translated } from '@plesion/core/import';

/** What a column may say, as one chooses it. */
export const targetsFor = (guide: Guide | undefined): { id: ColumnTarget; label: string }[] => [
  ...TARGETS.map((id) => ({ id, label: TARGET_WORDS[id] })),
  ...(guide?.characters ?? [])
    .filter(({ kind }) => kind === 'measurement' || kind === 'ratio' || kind === 'count')
    .map(({ id, label, unit }) => ({ id: `reading:${id}` as const, label: unit ? `${label}, ${unit}` : label })),
];

const same = <T extends string>(all: readonly T[], words?: Record<T, string>) =>
  all.map((id) => ({ id: id, label: words?.[id] ?? id }));

/** What a word may mean; nothing where it is written anew. */
export function meaningsOf(of: Translated, families: readonly AgeFamily[], family: string | undefined) {
  switch (of) {
    case 'sex':
      return same(SEXES);
    case 'what':
      return same(CATCHES, CATCH_WORDS);
    case 'condition':
      return same(CONDITIONS);
    case 'method':
      return same(METHODS, METHOD_WORDS);
    case 'age':
      return (families.find(({ id }) => id === (family ?? 'letters'))?.codes ?? []).map(({ code, label }) => ({
        id: code,
        label: `${code}: ${label}`,
      }));
    default:
      return undefined;
  }
}
