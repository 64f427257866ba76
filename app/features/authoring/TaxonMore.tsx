import type { Taxon } from '@plesion/core/guide';
import { useState } from 'react';
import { omit } from '../../lib/omit';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { CommitField } from './CommitField';

/** What is said of a taxon beside its names and forms: how common it is, the law, its places, a note. */
export function TaxonMore({ taxon, put }: { taxon: Taxon; put: (next: Taxon) => void }) {
  const [problem, setProblem] = useState<string>();
  const text = (name: 'legal' | 'note') => (value: string) =>
    put(value.trim() ? { ...taxon, [name]: value.trim() } : (omit(taxon, name) as Taxon));
  return (
    <Disclosure title={`More of ${taxon.name}`}>
      <CommitField
        label="How common it is beside the others"
        hint="1 is as common as the others; 2 is twice, 0.1 a tenth as common."
        value={String(taxon.abundance)}
        problem={problem}
        onCommit={(typed) => {
          const abundance = Number(typed.replace(',', '.'));
          if (!(abundance > 0)) return setProblem('Write a number above 0.');
          setProblem(undefined);
          put({ ...taxon, abundance });
        }}
      />
      <ChoiceGroup
        label="Its places"
        options={[
          { id: 'open', label: 'may be told' },
          { id: 'blurred', label: 'are told coarsely when something is given out' },
        ]}
        chosen={[taxon.sensitive ? 'blurred' : 'open']}
        onChange={([which]) => put(which === 'blurred' ? { ...taxon, sensitive: true } : (omit(taxon, 'sensitive') as Taxon))}
      />
      <CommitField
        label="Protection and permits"
        hint="As a pointer to the law of the place."
        value={taxon.legal ?? ''}
        multiline
        maxLength={4000}
        onCommit={text('legal')}
      />
      <CommitField label="Note" value={taxon.note ?? ''} multiline maxLength={4000} onCommit={text('note')} />
    </Disclosure>
  );
}
