import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useWide, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { MapSurface } from '../map/MapSurface';
import { useBaseMap } from '../map/useMap';

type Region = Guide['regions'][number];
type Spot = NonNullable<Region['outline']>[number];

interface Props {
  regions: readonly Region[];
  onChange: (regions: Region[]) => void;
}

const NOWHERE = { ways: [], lit: new Set<string>(), clustersAt: () => [], onChoose: () => undefined };
/** Of these an outline is made. */
const FEWEST = 3;
const MOST = 400;

/** Regions drawn on the station's ground: one is chosen, and its outline is gone round point by point. */
export function RegionMap({ regions, onChange }: Props) {
  const ground = useBaseMap();
  const wide = useWide();
  const [chosen, setChosen] = useState(regions[0]?.id);
  /** Points that make no outline yet. */
  const [begun, setBegun] = useState<Spot[]>([]);
  const region = regions.find(({ id }) => id === chosen);
  const points = region?.outline ?? begun;
  const draw = (next: Spot[]) => {
    const whole = next.length >= FEWEST;
    setBegun(whole ? [] : next);
    if (whole || region?.outline)
      onChange(
        regions.map((one) => (one.id === chosen ? { id: one.id, label: one.label, ...(whole ? { outline: next } : {}) } : one)),
      );
  };
  return (
    <Card title="Where they lie">
      <Text quiet>
        Go round a region on the map, point by point. A specimen with coordinates is then offered its region; of several that hold
        it, the smallest.
      </Text>
      <ChoiceGroup
        label="Region that is drawn"
        options={regions}
        chosen={region ? [region.id] : []}
        onChange={([id]) => {
          setChosen(id);
          setBegun([]);
        }}
      />
      {ground.error && !ground.data && <Failed error={ground.error} retry={() => void ground.refetch()} />}
      {ground.isPending && <Loading what="The map" />}
      {ground.data && region && (
        <>
          <MapSurface
            {...NOWHERE}
            map={ground.data.map}
            height={wide ? 460 : 320}
            outlines={regions.map(({ id, label, outline = [] }) => ({
              ...{ key: id, label, on: id === region.id },
              points: id === region.id ? points : outline,
            }))}
            onPlace={(spot) => points.length < MOST && draw([...points, spot])}
            says={`Map, ${region.label}: ${sayPoints(points.length)}. A touch sets a point, and so does Enter at the cross; arrow keys move the map under it.`}
          />
          <View style={styles.row}>
            <Text size="small" role="status" style={styles.says}>
              {`${region.label}: ${sayPoints(points.length)}`}
            </Text>
            {points.length > 0 && (
              <>
                <Button small kind="quiet" label="Take the last back" onPress={() => draw(points.slice(0, -1))} />
                <Button small kind="quiet" label="Take all back" onPress={() => draw([])} />
              </>
            )}
          </View>
        </>
      )}
    </Card>
  );
}

const sayPoints = (n: number): string =>
  n === 0
    ? 'not drawn'
    : n < FEWEST
      ? `${n} ${n === 1 ? 'point' : 'points'}, of ${FEWEST} it is an outline`
      : `an outline of ${n} points`;

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  says: { flexGrow: 1, flexShrink: 1, flexBasis: 180 },
});
