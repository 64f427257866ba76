import type { Edit } from '@plesion/core/authoring';
import { RANKS, type Rank, type Taxon } from '@plesion/core/guide';
import { Suspense, useState } from 'react';
import { useKeptText } from '../../lib/useKeptText';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { lazyPart } from '../../ui/lazyPart';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
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

function AddTaxon({ id, taxa, edit }: { id: string; taxa: readonly Taxon[]; edit: (...edits: Edit[]) => boolean }) {
  const [name, setName] = useKeptText(`taxon.${id}`);
  const [rank, setRank] = useState<Rank>('species');
  const [problem, setProblem] = useState<string>();
  const add = () => {
    const own = name.trim();
    if (!own) return setProblem('Write its name.');
    if (taxa.some((taxon) => taxon.name.toLowerCase() === own.toLowerCase())) return setProblem(`${own} is in it already.`);
    const isLow = RANKS.indexOf(rank) >= RANKS.indexOf('species');
    // A species stands under the genus that its name begins with, where there is one.
    const genus = taxa.find((taxon) => taxon.rank === 'genus' && own.startsWith(`${taxon.name} `));
    const taxon: Taxon = {
      ...{ id: freshId(own, taxa), name: own, rank, abundance: 1 },
      ...(isLow ? { forms: [{ share: 1, facets: {} }] } : {}),
      ...(isLow && genus ? { parent: genus.id } : {}),
    };
    if (!edit({ do: 'taxon', taxon })) return;
    setName('');
    setProblem(undefined);
  };
  return (
    <Card title="Write one down">
      <TextField
        label="Name"
        value={name}
        maxLength={200}
        onChangeText={setName}
        onSubmitEditing={add}
        blurOnSubmit={false}
        problem={problem}
      />
      <ChoiceGroup
        label="Rank"
        options={RANKS.map((id) => ({ id, label: id }))}
        chosen={[rank]}
        onChange={([next]: Rank[]) => setRank(next)}
      />
      <Row>
        <Button label="Add" onPress={add} />
      </Row>
      {taxa.length === 0 && <Notice kind="note">Begin with the genus; its species then stand under it by their names.</Notice>}
    </Card>
  );
}
