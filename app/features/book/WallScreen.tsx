import { countsOf, narrowed, partsOf, type Wanted } from '@plesion/core/book';
import { type Guide, sayFacets } from '@plesion/core/guide';
import { Link } from 'expo-router';
import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { FlatList, Pressable, StyleSheet, useWindowDimensions, View } from 'react-native';
import { useAddress } from '../../lib/useAddress';
import { colour, radius, space, WIDE } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Empty } from '../../ui/states';
import { TaxonName } from '../../ui/TaxonName';
import { useAtRest } from '../../ui/useAtRest';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { compiledOf } from '../records/compiled';
import { WithGuide } from '../records/WithGuide';
import { drawnViews, formPlate, hasView, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { TouchPlate } from './TouchPlate';
import { readWanted, writeWanted } from './wantedAddress';
import { WantedStates } from './WantedStates';

/** Every form drawn, side by side; touch a part of the drawing to keep those that look so. */
export function WallScreen({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="The plates">
      {({ guide }) =>
        mainView(guide) ? (
          <Wall id={id} guide={guide} />
        ) : (
          <Empty title="No plates">
            Nothing of this guide is drawn yet: its characters have no tiles, and it has no body plan. Both are given where the
            guide is edited.
          </Empty>
        )
      }
    </WithGuide>
  );
}

/** Width of a plate on the wall, with its frame. */
const CELL = 168;

function Wall({ id, guide }: { id: string; guide: Guide }) {
  const screen = useWindowDimensions().width;
  const wide = screen >= WIDE;
  const [address, setAddress] = useAddress(['view', 'wanted'], 0);
  const view = drawnViews(guide).some(({ id: known }) => known === address.view) ? address.view! : mainView(guide);
  const wanted = useMemo(() => readWanted(guide, address.wanted), [guide, address.wanted]);
  const setView = (chosen: string) => setAddress({ view: chosen });
  const setWanted = (next: Wanted) => setAddress({ wanted: writeWanted(next) });
  const [part, setPart] = useState<string>();
  const compiled = compiledOf(guide);
  const asked = useDeferredValue(wanted);
  const shown = useMemo(
    () => compiled.forms.map(({ id: form, cross }) => !cross && hasView(guide, form, view)),
    [compiled, guide, view],
  );
  const left = useMemo(() => narrowed(compiled, asked).filter((form) => shown[form]), [compiled, asked, shown]);
  const parts = useMemo(() => partsOf(guide, view), [guide, view]);
  const room = wide ? Math.min(screen - 208, 1320) - 400 - 3 * space.xl : screen - 2 * space.m;
  const columns = Math.max(2, Math.floor(room / CELL));
  const cell = Math.floor((room - (columns - 1) * space.s) / columns);
  // The same one as long as it draws the same: what is chosen is marked before the wall follows.
  const renderItem = useCallback(
    ({ item }: { item: number }) => <Cell id={id} guide={guide} form={item} view={view} width={cell} />,
    [id, guide, view, cell],
  );
  const chosen = Object.entries(wanted).filter(([, states]) => states.length > 0);
  const total = shown.filter(Boolean).length;

  const panel = (
    <Stack padBottom="m" style={wide && styles.panelWide}>
      <PageHeading size={wide ? 'display' : 'title'}>Plate wall</PageHeading>
      <Text quiet size="small">{`${guide.title}. Touch a part, then choose how it looks.`}</Text>
      <ChoiceGroup
        label="View"
        hideLabel
        options={drawnViews(guide)}
        chosen={[view]}
        onChange={([next]) => (setView(next), setPart(undefined))}
      />
      <TouchPlate
        guide={guide}
        form={compiled.forms[left[0] ?? shown.indexOf(true)].id}
        view={view}
        parts={parts}
        part={part}
        onPart={setPart}
        width={wide ? 360 : Math.min(screen - 48, 420)}
      />
      {part && parts.has(part) && (
        <WantedStates
          guide={guide}
          characters={parts.get(part)!}
          counts={(character) => countsOf(compiled, character, wanted)}
          wanted={wanted}
          onChange={(character, states) => setWanted({ ...wanted, [character]: states })}
        />
      )}
      <Row align="center" oneLine gap="none">
        <Text strong role="status" fill>
          {left.length === total ? `${total} forms` : `${left.length} of ${total} forms left`}
        </Text>
        {chosen.length > 0 && <Button small kind="quiet" label="Show all again" onPress={() => setWanted({})} />}
      </Row>
      <Chosen guide={guide} wanted={wanted} onDrop={(character) => setWanted({ ...wanted, [character]: [] })} />
    </Stack>
  );

  const wall = (
    <FlatList
      key={columns}
      data={left}
      numColumns={columns}
      keyExtractor={(form) => compiled.forms[form].id}
      style={styles.fill}
      contentContainerStyle={[styles.wall, wide && styles.wallWide]}
      columnWrapperStyle={styles.cells}
      // On a phone the panel leaves room for one row; what is below comes once it is painted.
      initialNumToRender={columns * (wide ? 4 : 1)}
      maxToRenderPerBatch={columns * 3}
      windowSize={5}
      ListHeaderComponent={wide ? undefined : panel}
      ListEmptyComponent={<Empty title="None left">No form shows all of that. Take one choice back.</Empty>}
      renderItem={renderItem}
    />
  );
  return wide ? (
    <Row fill tone="mist" oneLine="always" gap="none">
      <View style={styles.side}>{panel}</View>
      {wall}
    </Row>
  ) : (
    wall
  );
}

/** What is asked of the forms so far, each to be taken back with one touch. */
function Chosen({ guide, wanted, onDrop }: { guide: Guide; wanted: Wanted; onDrop: (character: string) => void }) {
  const rows = Object.entries(wanted).flatMap(([id, states]) => {
    const character = guide.characters.find((one) => one.id === id);
    if (!character || states.length === 0) return [];
    const labels = states.map((state) => character.states!.find((one) => one.id === state)!.label);
    return [{ id, text: `${character.label}: ${labels.join(' or ')}` }];
  });
  return (
    <Row gap="xs">
      {rows.map(({ id, text }) => (
        <Button key={id} small label={`${text} ×`} hint={`Remove ${text}`} onPress={() => onDrop(id)} />
      ))}
    </Row>
  );
}

interface CellProps {
  id: string;
  guide: Guide;
  form: number;
  view: string;
  width: number;
}

const Cell = memo(function Cell({ id, guide, form: at, view, width }: CellProps) {
  const form = compiledOf(guide).forms[at];
  const plate = formPlate(guide, form.id, view, 'thumb');
  const facets = sayFacets(guide, form.facets);
  const atRest = useAtRest();
  return (
    <Link href={{ pathname: '/guides/[id]/form', params: { id, form: form.id } }} asChild>
      <Pressable style={StyleSheet.flatten([styles.cell, { width }, atRest])}>
        {plate && <PlateView plate={plate} width={width - 2 * space.s} height={(width - 2 * space.s) * 0.74} />}
        <TaxonName guide={guide} taxon={form.taxon} size={14} short lines={1} />
        <Text size="small" quiet numberOfLines={1}>
          {facets}
        </Text>
      </Pressable>
    </Link>
  );
});

const styles = StyleSheet.create({
  fill: { flex: 1, backgroundColor: colour.mist },
  side: { width: 400 + 2 * space.xl, overflow: 'scroll' },
  panelWide: { padding: space.xl, gap: space.m },
  wall: { padding: space.m, gap: space.s, paddingBottom: space.xxl },
  wallWide: { paddingVertical: space.xl, paddingRight: space.xl, paddingLeft: 0 },
  cells: { gap: space.s },
  cell: {
    alignItems: 'center',
    padding: space.s,
    borderRadius: radius.m,
    backgroundColor: colour.paper,
    borderWidth: 1,
    borderColor: colour.hairline,
  },
});
