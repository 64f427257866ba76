import type { FieldSection } from '@plesion/core/guide';
import { ChecksCard } from './ChecksCard';
import { CostsCard } from './CostsCard';
import { RingsCard } from './RingsCard';
import { UnionsCard } from './UnionsCard';
import type { PartProps } from './WritingScreen';

/** What a guide says beside its scores: what is called together, which mistakes weigh more, what a catch is held against. */
export function RulesPart({ id, draft, edit }: PartProps) {
  const field = (part: Partial<FieldSection>) => {
    const next = Object.fromEntries(
      Object.entries({ ...draft.field, ...part }).filter(
        ([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0),
      ),
    ) as FieldSection;
    const empty = Object.keys(next).length === 0;
    edit({ do: 'part', set: empty ? {} : { field: next }, drop: empty ? ['field'] : [] });
  };
  return (
    <>
      <UnionsCard id={id} draft={draft} edit={edit} />
      <CostsCard draft={draft} edit={edit} />
      <ChecksCard id={id} draft={draft} onChange={field} />
      <RingsCard draft={draft} onChange={field} />
    </>
  );
}
