import type { BaseMap, Placed } from '@plesion/contract';
import { formsOf } from '@plesion/core/guide';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { api } from '../../lib/api';
import { useAddress } from '../../lib/useAddress';
import { useWide } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
import { type Field, useField } from '../field/useField';
import { useHistory } from '../field/useHistory';
import { inWords } from '../field/words';
import { useGuide, useGuides, useGuidesWhole } from '../records/useGuide';
import { type Cluster, clusterIndex, monthsOf } from './clusters';
import { InSight, sayPlace } from './InSight';
import { MapSurface } from './MapSurface';
import { outlinesIn } from './Outlines';
import { MonthBrush } from './MonthBrush';
import { OwnGround } from './OwnGround';
import { regionsOf } from './range';
import { useBaseMap, usePlaces } from './useMap';
import { waysOf } from './ways';
import { Column, Columns } from '../../ui/Columns';

/** Records by place; the ways of a ring, and where a specimen and its kind are. */
export function MapScreen() {
  const places = usePlaces();
  const ground = useBaseMap();
  const { field, error } = useField();
  return (
    <AsyncScreen
      what="The map"
      value={places.data && ground.data && field ? { places: places.data, ground: ground.data, field } : undefined}
      error={places.error ?? ground.error ?? error}
      retry={() => (void places.refetch(), void ground.refetch())}
    >
      {({ places: { places: all, more }, ground: { map, own }, field: now }) => (
        <MapPage places={all} more={more} map={map} own={own} field={now} />
      )}
    </AsyncScreen>
  );
}

interface MapPageProps {
  places: Placed[];
  more: boolean;
  map: BaseMap;
  own: boolean;
  field: Field;
}

function MapPage({ places, more, map, own, field }: MapPageProps) {
  const [{ ring, specimen, guide: guideId, from, to }, setAddress] = useAddress(['ring', 'specimen', 'guide', 'from', 'to']);
  const wide = useWide();
  const { height } = useWindowDimensions();
  const [chosen, setChosen] = useState<Cluster>();
  const titles = useGuides().data?.guides ?? [];
  const used = new Set(places.flatMap(({ guideId: id }) => id ?? []));
  const guides = useGuidesWhole(titles.filter(({ id }) => used.has(id)).map(({ id }) => id));
  const months = useMemo(() => monthsOf(places), [places]);
  const first = Math.max(
    0,
    months.findIndex(({ month }) => month === from),
  );
  const found = months.findIndex(({ month }) => month === to);
  const last = found < 0 ? months.length - 1 : found;
  const shown = useMemo(
    () =>
      places.filter(
        (one) =>
          (!guideId || one.guideId === guideId) &&
          one.month >= (months[first]?.month ?? '') &&
          one.month <= (months[last]?.month ?? ''),
      ),
    [places, guideId, months, first, last],
  );
  const clustersAt = useMemo(() => clusterIndex(shown), [shown]);
  const history = useHistory(ring);
  const ways = useMemo(() => (history.data ? waysOf(history.data) : []), [history.data]);
  const seen = useSpecimenPlace(specimen);
  const n = shown.reduce((sum, one) => sum + one.n, 0);
  const says = `Map: ${inWords(n, 'record')} in sight. Arrow keys move it, plus and minus bring it nearer and farther, 0 shows all.`;
  return (
    <Screen widest={1100}>
      <PageHeading>{ring ? `Where ${ring} was` : specimen && seen.label ? `Where ${seen.label} was seen` : 'Map'}</PageHeading>
      <Columns>
        <Column times={3} gap="m">
          <MapSurface
            key={`${own} ${ring} ${ways.length > 0} ${specimen} ${seen.here !== undefined}`}
            map={map}
            clustersAt={clustersAt}
            chosen={chosen?.key}
            onChoose={setChosen}
            ways={ways}
            here={seen.here}
            lit={seen.lit}
            outlines={seen.outlines}
            height={wide ? Math.max(420, height - 220) : Math.round(height * 0.48)}
            says={says}
          />
          {seen.says && <Text size="small">{seen.says}</Text>}
          {ways.length > 0 && (
            <View role="list" aria-label="Ways">
              {ways.map(({ key, words }) => (
                <Box key={key} role="listitem" padY="xs" ruled="above">
                  <Text size="small">{words}</Text>
                </Box>
              ))}
            </View>
          )}
          {ring && history.data && ways.length === 0 && (
            <Text size="small" quiet>
              It was met at one place only.
            </Text>
          )}
        </Column>
        <Column times={2} gap="m">
          {more && <Notice kind="note">There are more places than are drawn: those with few records are left out.</Notice>}
          {months.length > 1 && (
            <Card title="When" aside={inWords(n, 'record')}>
              <MonthBrush
                months={months}
                from={first}
                to={last}
                onChange={(a, b) => {
                  setChosen(undefined);
                  setAddress({ from: months[a].month, to: months[b].month });
                }}
              />
              {guides.length > 1 && (
                <ChoiceGroup
                  label="Guide"
                  clearable
                  options={titles.filter(({ id }) => used.has(id)).map(({ id, title }) => ({ id, label: title }))}
                  chosen={guideId ? [guideId] : []}
                  onChange={([next]) => (setChosen(undefined), setAddress({ guide: next }))}
                />
              )}
            </Card>
          )}
          <InSight clusters={clustersAt(SITES)} chosen={chosen} onChoose={setChosen} field={field} guides={guides} />
          <OwnGround own={own} />
        </Column>
      </Columns>
    </Screen>
  );
}

/** In words each place stands for itself: as near as marks are ever drawn. */
const SITES = 19;

/** A specimen’s place, and the regions that its kind is recorded in. */
function useSpecimenPlace(id: string | undefined) {
  const { data } = useQuery({
    queryKey: ['specimen', id],
    queryFn: ({ signal }) => api('specimen', { params: { id: id! } }, signal),
    enabled: id !== undefined,
  });
  const guide = useGuide(data?.guideId).data?.guide;
  return useMemo(() => {
    if (!data) return { lit: new Set<string>(), outlines: [] };
    const { latitude, longitude } = data.situation;
    const taxon =
      guide && (data.summary.taxon ?? formsOf(guide).find(({ id: form }) => form === data.summary.leadingForm)?.taxon);
    const regions = guide && taxon ? regionsOf(guide, taxon) : [];
    const named = regions.flatMap((region) => guide!.regions.find((one) => one.id === region)?.label ?? []);
    const here = latitude !== undefined && longitude !== undefined ? { latitude, longitude } : undefined;
    const name = guide?.taxa.find((one) => one.id === taxon)?.name;
    return {
      label: data.label,
      here,
      lit: new Set(regions),
      outlines: outlinesIn(guide?.regions.filter((one) => regions.includes(one.id)) ?? []),
      says: [
        here ? `Seen at ${sayPlace(here)}.` : 'Its place was not recorded.',
        name &&
          (named.length
            ? `${name} is recorded in ${named.join(', ')} (tinted).`
            : `Nothing is recorded of where ${name} occurs.`),
      ]
        .filter(Boolean)
        .join(' '),
    };
  }, [data, guide]);
}
