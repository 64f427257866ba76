import { type Form, formsOf, type Guide, type Taxon, sayFacets } from '@plesion/core/guide';
import { Link } from 'expo-router';
import { useMemo } from 'react';
import { FlatList, Pressable, StyleSheet } from 'react-native';
import { colour, radius, space, TOUCH, useWide } from '../../theme';
import { TaxonName } from '../../ui/TaxonName';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { WithGuide } from '../records/WithGuide';
import { BookSearch } from './BookSearch';
import { Hazards, OtherNames } from './TaxonNotes';

/** The taxa of a guide as a tree, with every name they go or went by. */
export function TaxaPage({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="The taxa">
      {({ guide }) => <Tree id={id} guide={guide} />}
    </WithGuide>
  );
}

interface Row {
  taxon: Taxon;
  depth: number;
  forms: Form[];
}

/** Parents before their children, in the order of the guide. */
function rowsOf(guide: Guide): Row[] {
  const forms = new Map<string, Form[]>();
  for (const form of formsOf(guide)) forms.set(form.taxon, [...(forms.get(form.taxon) ?? []), form]);
  const known = new Set(guide.taxa.map(({ id }) => id));
  const children = new Map<string | undefined, Taxon[]>();
  for (const taxon of guide.taxa) {
    const parent = taxon.parent && known.has(taxon.parent) ? taxon.parent : undefined;
    children.set(parent, [...(children.get(parent) ?? []), taxon]);
  }
  const walk = (parent: string | undefined, depth: number): Row[] =>
    (children.get(parent) ?? []).flatMap((taxon) => [
      { taxon, depth, forms: forms.get(taxon.id) ?? [] },
      ...walk(taxon.id, depth + 1),
    ]);
  return walk(undefined, 0);
}

function Tree({ id, guide }: { id: string; guide: Guide }) {
  const wide = useWide();
  const rows = useMemo(() => rowsOf(guide), [guide]);
  return (
    <FlatList
      data={rows}
      keyExtractor={({ taxon }) => taxon.id}
      style={styles.fill}
      contentContainerStyle={[styles.content, wide && styles.wide]}
      initialNumToRender={16}
      windowSize={7}
      ListHeaderComponent={
        <Stack padBottom="s">
          <PageHeading>Taxa</PageHeading>
          <Text quiet>{guide.title}</Text>
          <BookSearch guides={[{ id, guide }]} />
        </Stack>
      }
      renderItem={({ item }) => <TaxonRow id={id} guide={guide} row={item} />}
    />
  );
}

function TaxonRow({ id, guide, row: { taxon, depth, forms } }: { id: string; guide: Guide; row: Row }) {
  return (
    <Stack
      gap="xs"
      pad="m"
      ruled="round"
      ruledIn="edge"
      round="m"
      tone="sheet"
      style={[{ marginLeft: Math.min(depth, 5) * 18 }, depth > 0 && styles.branch]}
    >
      <Stack gap="none">
        <TaxonName guide={guide} taxon={taxon.id} size={depth === 0 ? 24 : 20} />
        <Text size="small" quiet>
          {[taxon.rank, taxon.vernacular, taxon.authority].filter(Boolean).join(' · ')}
        </Text>
      </Stack>
      <OtherNames taxon={taxon} />
      <Hazards taxon={taxon} />
      {taxon.note && <Text size="small">{taxon.note}</Text>}
      {forms.length > 0 && (
        <Row padTop="xs">
          {forms.map((form) => (
            <Link key={form.id} href={{ pathname: '/guides/[id]/form', params: { id, form: form.id } }} asChild>
              <Pressable accessibilityLabel={`${taxon.name} ${sayFacets(guide, form.facets)}`} style={styles.form}>
                <Text size="small" color={colour.kelp}>
                  {sayFacets(guide, form.facets) || 'open its page'}
                </Text>
              </Pressable>
            </Link>
          ))}
        </Row>
      )}
    </Stack>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1, backgroundColor: colour.mist },
  content: { padding: space.m, gap: space.s, paddingBottom: space.xxl, width: '100%', maxWidth: 860, alignSelf: 'center' },
  wide: { padding: space.xl },
  branch: { borderLeftWidth: 4, borderLeftColor: colour.kelpWash },
  form: {
    maxWidth: '100%',
    minHeight: TOUCH,
    justifyContent: 'center',
    paddingHorizontal: space.m,
    borderRadius: radius.m,
    backgroundColor: colour.kelpWash,
  },
});
