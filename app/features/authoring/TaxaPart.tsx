import type { Edit } from '@plesion/core/authoring';
import { RANKS, type Rank, type Taxon } from '@plesion/core/guide';
import { Suspense, useState } from 'react';
import { z } from 'zod';
import { useKeptForm } from '../../lib/useKeptForm';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { lazyPart } from '../../ui/lazyPart';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { ChangeRow } from './ChangeRow';
import { freshId } from './freshId';
import { TaxonForm } from './TaxonForm';
import { TreatmentsCard } from './TreatmentsCard';
import { treeRows } from './taxonTree';
import type { PartProps } from './WritingScreen';

/** Fetched when somebody moves them about. */
const TreeArranger = lazyPart(
  () => import('./TreeArranger'),
  (part) => part.TreeArranger,
);

/** What the guide tells apart, as a tree; what stands lowest is told apart, and what stands above has what all under it have. */
export function TaxaPart({ id, draft, edit, sought }: PartProps) {
  const [open, setOpen] = useState(sought?.taxon);
  const [arranging, setArranging] = useState(false);
  const rows = treeRows(draft.taxa);
  return (
    <>
      <AddTaxon id={id} taxa={draft.taxa} edit={edit} />
      {rows.length > 1 && (
        <Row>
          <Button
            small
            label={arranging ? 'Back to the list' : 'Move them about'}
            hint={arranging ? 'Back to the list of taxa' : 'Move them about: drag taxa, or move them by arrows'}
            onPress={() => setArranging(!arranging)}
          />
        </Row>
      )}
      {arranging ? (
        <Suspense fallback={<Loading what="The tree" />}>
          <TreeArranger draft={draft} edit={edit} />
        </Suspense>
      ) : (
        <Card title="Taxa" aside={`${draft.taxa.length}`}>
          {rows.length === 0 && <Text quiet>None yet: write the first one above.</Text>}
          {rows.map(({ taxon, depth }) => (
            <ChangeRow
              key={taxon.id}
              name={taxon.name}
              says={sayTaxon(taxon)}
              strong={Boolean(taxon.forms)}
              depth={depth}
              height={48}
              open={open === taxon.id}
              sought={sought?.taxon === taxon.id}
              onToggle={() => setOpen(open === taxon.id ? undefined : taxon.id)}
            >
              <TaxonForm taxon={taxon} draft={draft} edit={edit} onGone={() => setOpen(undefined)} />
            </ChangeRow>
          ))}
        </Card>
      )}
      {draft.taxa.length > 1 && <TreatmentsCard draft={draft} edit={edit} />}
    </>
  );
}

const sayTaxon = ({ rank, vernacular, forms, hazards }: Taxon): string =>
  [rank, vernacular, forms ? '' : 'not told apart itself', hazards?.length ? 'can do harm' : ''].filter(Boolean).join(' · ');

/** As it is typed; kept over a reload. */
const Typed = z.object({ name: z.string(), rank: z.enum(RANKS) });
type Typed = z.infer<typeof Typed>;

function AddTaxon({ id, taxa, edit }: { id: string; taxa: readonly Taxon[]; edit: (...edits: Edit[]) => boolean }) {
  const form = useKeptForm({
    name: `taxon.${id}`,
    typed: Typed,
    first: (): Typed => ({ name: '', rank: 'species' }),
    check({ name }) {
      const own = name.trim();
      const twin = taxa.some((taxon) => taxon.name.toLowerCase() === own.toLowerCase());
      return { name: !own ? 'Write its name.' : twin && `${own} is in it already.` };
    },
    send({ name, rank }) {
      const own = name.trim();
      const isLow = RANKS.indexOf(rank) >= RANKS.indexOf('species');
      // A species stands under the genus that its name begins with, where there is one.
      const genus = taxa.find((taxon) => taxon.rank === 'genus' && own.startsWith(`${taxon.name} `));
      const taxon: Taxon = {
        ...{ id: freshId(own, taxa), name: own, rank, abundance: 1 },
        ...(isLow ? { forms: [{ share: 1, facets: {} }] } : {}),
        ...(isLow && genus ? { parent: genus.id } : {}),
      };
      return edit({ do: 'taxon', taxon });
    },
    onSent({ name, rank }, written) {
      form.begin(written ? { rank } : { name, rank });
    },
  });
  return (
    <Card title="Write one down">
      <Form submit={form.submit}>
        <FormTextField control={form.control} name="name" label="Name" maxLength={200} />
        <ChoiceGroup
          label="Rank"
          options={RANKS.map((rank) => ({ id: rank, label: rank }))}
          chosen={[form.typed.rank]}
          onChange={([rank]: Rank[]) => form.change({ rank })}
        />
        <FormEnd form={form} plain label="Add" />
      </Form>
      {taxa.length === 0 && <Notice kind="note">Begin with the genus; its species then stand under it by their names.</Notice>}
    </Card>
  );
}
