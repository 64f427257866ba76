import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { useWide } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { MapSurface } from '../map/MapSurface';
import type { Touched } from '../map/touched';
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
  /** The point that is taken up. */
  const [taken, setTaken] = useState<number>();
  const held = taken !== undefined && taken < points.length ? taken : undefined;
  const draw = (next: Spot[]) => {
    const whole = next.length >= FEWEST;
    setBegun(whole ? [] : next);
    if (whole || region?.outline)
      onChange(
        regions.map((one) => (one.id === chosen ? { id: one.id, label: one.label, ...(whole ? { outline: next } : {}) } : one)),
      );
  };
  const put = (spot: Spot, on: Touched) => {
    if (held !== undefined) {
      setTaken(undefined);
      return draw(points.map((one, i) => (i === held ? spot : one)));
    }
    if (on && 'point' in on) return setTaken(on.point);
    if (points.length >= MOST) return;
    const at = on ? on.side + 1 : points.length;
    draw([...points.slice(0, at), spot, ...points.slice(at)]);
  };
  return (
    <Card title="Where they lie">
      <Text quiet>
        Go round a region on the map, point by point. Touched on its line it gets a point there; a point that is touched is taken
        up, and set where the next touch is. A specimen with coordinates is then offered its region; of several that hold it, the
        smallest.
      </Text>
      <ChoiceGroup
        label="Region that is drawn"
        options={regions}
        chosen={region ? [region.id] : []}
        onChange={([id]) => {
          setChosen(id);
          setBegun([]);
          setTaken(undefined);
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
              held: id === region.id ? held : undefined,
            }))}
            onPlace={put}
            says={`Map, ${region.label}: ${sayStanding(points.length, held)}. A touch sets a point, and so does Enter at the cross; arrow keys move the map under it.`}
          />
          <Row align="center">
            <Text size="small" role="status" fill={180}>
              {`${region.label}: ${sayStanding(points.length, held)}`}
            </Text>
            {held !== undefined && (
              <>
                <Button
                  small
                  kind="quiet"
                  label="Remove this point"
                  onPress={() => {
                    setTaken(undefined);
                    draw(points.filter((_, i) => i !== held));
                  }}
                />
                <Button small kind="quiet" label="Cancel" onPress={() => setTaken(undefined)} />
              </>
            )}
            {points.length > 0 && held === undefined && (
              <>
                <Button small kind="quiet" label="Undo the last" onPress={() => draw(points.slice(0, -1))} />
                <Button small kind="quiet" label="Clear" onPress={() => draw([])} />
              </>
            )}
          </Row>
        </>
      )}
    </Card>
  );
}

const sayStanding = (n: number, held: number | undefined): string =>
  held === undefined ? sayPoints(n) : `point ${held + 1} of ${n} is taken up: set it where it belongs`;

const sayPoints = (n: number): string =>
  n === 0
    ? 'not drawn'
    : n < FEWEST
      ? `${n} ${n === 1 ? 'point' : 'points'}, of ${FEWEST} it is an outline`
      : `an outline of ${n} points`;
