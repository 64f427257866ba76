import type { Edit } from '@plesion/core/authoring';
import { FACETS, type FacetName, HAZARD_GRADES, HAZARD_KINDS, RANKS, type Rank, type Taxon } from '@plesion/core/guide';
import { omit } from '../../lib/omit';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TaxonMore } from './TaxonMore';
import { TaxonNames } from './TaxonNames';
import { CommitField } from './CommitField';
import type { PartProps } from './WritingScreen';

interface Props {
  taxon: Taxon;
  draft: PartProps['draft'];
  edit: PartProps['edit'];
  onGone: () => void;
}

/** One taxon: its names, where it stands, which forms of it are told apart, and what it can do. */
export function TaxonForm({ taxon, draft, edit, onGone }: Props) {
  const put = (next: Taxon) => edit({ do: 'taxon', taxon: next });
  const text = (name: 'vernacular' | 'authority') => (value: string) =>
    put(value.trim() ? { ...taxon, [name]: value.trim() } : (omit(taxon, name) as Taxon));
  const facets = FACETS.filter((facet) => draft.facets[facet]?.length);
  const has = Object.keys(taxon.forms?.[0]?.facets ?? {}) as FacetName[];
  return (
    <Stack gap="m" padY="s">
      <CommitField
        label="Name"
        value={taxon.name}
        maxLength={200}
        onCommit={(name) => name.trim() && put({ ...taxon, name: name.trim() })}
      />
      <CommitField label="Common name" value={taxon.vernacular ?? ''} maxLength={120} onCommit={text('vernacular')} />
      <CommitField label="Author and year" value={taxon.authority ?? ''} maxLength={120} onCommit={text('authority')} />
      <TaxonNames taxon={taxon} put={put} />
      <ChoiceGroup
        label={`Rank of ${taxon.name}`}
        options={RANKS.map((id) => ({ id, label: id }))}
        chosen={[taxon.rank]}
        onChange={([rank]: Rank[]) => put({ ...taxon, rank })}
      />
      <Text size="small" strong quiet>
        Stands under
      </Text>
      <Picker
        label="Stands under"
        items={draft.taxa.filter(({ id }) => id !== taxon.id).map(({ id, name }) => ({ id, label: name }))}
        chosen={taxon.parent}
        onChange={(parent) => put({ ...taxon, parent })}
        onClear={() => put(omit(taxon, 'parent') as Taxon)}
      />
      <ChoiceGroup
        label="Is it told apart itself?"
        options={[
          { id: 'yes', label: 'yes' },
          { id: 'no', label: 'no, only what stands under it' },
        ]}
        chosen={[taxon.forms ? 'yes' : 'no']}
        onChange={([which]) =>
          put(which === 'yes' ? { ...taxon, forms: [{ share: 1, facets: {} }] } : (omit(taxon, 'forms') as Taxon))
        }
      />
      {taxon.forms && facets.length > 0 && (
        <ChoiceGroup
          many
          label="Told apart within it"
          options={facets.map((id) => ({ id, label: `${id}: ${draft.facets[id]!.map(({ label }) => label).join(', ')}` }))}
          chosen={has}
          onChange={(chosen: FacetName[]) => put({ ...taxon, forms: [formOf(chosen, draft)] })}
        />
      )}
      <Harm taxon={taxon} put={put} />
      <TaxonMore taxon={taxon} put={put} />
      <Row>
        <Button
          small
          kind="quiet"
          label="Remove"
          hint={`Remove: ${taxon.name}, with what is written of it`}
          onPress={() => {
            const gone: Edit = { do: 'dropTaxon', id: taxon.id };
            if (edit(gone)) onGone();
          }}
        />
      </Row>
    </Stack>
  );
}

/** Forms of a taxon by facets, each value in an equal share. */
function formOf(chosen: readonly FacetName[], { facets }: PartProps['draft']): NonNullable<Taxon['forms']>[number] {
  const shares = chosen.map((facet) => {
    const values = facets[facet] ?? [];
    return [facet, Object.fromEntries(values.map(({ id }) => [id, 1 / values.length]))];
  });
  return { share: 1, facets: Object.fromEntries(shares) as NonNullable<Taxon['forms']>[number]['facets'] };
}

function Harm({ taxon, put }: { taxon: Taxon; put: (next: Taxon) => void }) {
  const [hazard] = taxon.hazards ?? [];
  const change = (more: Partial<NonNullable<Taxon['hazards']>[number]>) =>
    put({ ...taxon, hazards: [{ ...hazard, ...more }, ...(taxon.hazards ?? []).slice(1)] });
  return (
    <>
      <ChoiceGroup
        label="Can it do harm?"
        options={[{ id: 'no', label: 'not known to' }, ...HAZARD_KINDS.map((id) => ({ id: id as string, label: id as string }))]}
        chosen={[hazard?.kind ?? 'no']}
        onChange={([kind]) =>
          kind === 'no'
            ? put(omit(taxon, 'hazards') as Taxon)
            : change({
                kind: kind as (typeof HAZARD_KINDS)[number],
                grade: hazard?.grade ?? 'serious',
                text: hazard?.text ?? 'Keep your distance. If hurt, seek medical help.',
              })
        }
      />
      {hazard && (
        <>
          <ChoiceGroup
            label="How grave"
            options={HAZARD_GRADES.map((id) => ({ id, label: id }))}
            chosen={[hazard.grade]}
            onChange={([grade]: (typeof HAZARD_GRADES)[number][]) => change({ grade })}
          />
          <CommitField
            label="What to keep from, plainly"
            value={hazard.text}
            maxLength={1000}
            multiline
            onCommit={(text) => text.trim() && change({ text: text.trim() })}
          />
        </>
      )}
    </>
  );
}
