import type { Facets, Guide } from '@plesion/core/guide';
import type { FieldPath, FieldValues } from 'react-hook-form';
import type { KeptForm } from '../../lib/useKeptForm';
import { FormPart } from '../../ui/Form';
import { KindChoice } from './KindChoice';

/** A form that says of what kind something is. */
interface SaysKind extends FieldValues {
  taxon?: string;
  facets: Facets;
}

/** What it is, in a form. */
export function KindPart<T extends SaysKind>({ form, guide }: { form: KeptForm<T>; guide: Guide }) {
  const { taxon, facets } = form.typed;
  return (
    <FormPart control={form.control} name={'taxon' as FieldPath<T>}>
      <KindChoice
        label="What it is"
        guide={guide}
        taxon={taxon}
        facets={facets}
        onChange={(next, nextFacets) => form.change({ taxon: next, facets: nextFacets } as Partial<T>)}
      />
    </FormPart>
  );
}
