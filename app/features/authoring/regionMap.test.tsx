import { islands } from '@plesion/demo/islands';
import { fireEvent, screen } from '@testing-library/react-native';
import { act, useState } from 'react';
import { choose, press, showScreen } from '../../test/showScreen';
import { wound } from '../map/ground';
import { RegionMap } from './RegionMap';

type Regions = Parameters<typeof RegionMap>[0]['regions'];

jest.mock('../../lib/usePointers', () => ({ usePointers: () => undefined }));
let mockGround: object;
jest.mock('../map/useMap', () => ({ useBaseMap: () => mockGround }));

let now: Regions;
/** The map over regions that it changes. */
function Over({ first }: { first: Regions }) {
  const [regions, setRegions] = useState(first);
  now = regions;
  return <RegionMap regions={regions} onChange={setRegions} />;
}
const key = (name: string, times = 1) =>
  act(async () => {
    for (let i = 0; i < times; i++)
      fireEvent(screen.getByLabelText(/^Map, /), 'keyDown', { key: name, preventDefault: () => undefined });
  });
const open = async () => {
  await showScreen(
    <Over
      first={[
        { id: 'north', label: 'North' },
        { id: 'south', label: 'South' },
      ]}
    />,
  );
  const surface = screen.getByLabelText(/^Map, /);
  fireEvent(surface.parent!.parent!, 'layout', { nativeEvent: { layout: { width: 600, height: 460 } } });
};

beforeEach(() => {
  mockGround = { data: { map: wound(islands()), own: false }, isPending: false };
});

it('a region is gone round by keys, its points are taken back, and another one keeps its own', async () => {
  await open();
  screen.getByText('North: not drawn');
  await press('Set a point at the cross');
  screen.getByText('North: 1 point, of 3 it is an outline');
  expect(now[0].outline).toBeUndefined();
  await key('ArrowRight', 2);
  await key('Enter');
  await key('ArrowDown', 2);
  await press('Set a point at the cross');
  screen.getByText('North: an outline of 3 points');
  const [first, east, south] = now[0].outline!;
  // The map went left under the cross, and then up.
  expect(east[0]).toBeGreaterThan(first[0]);
  expect(east[1]).toBeCloseTo(first[1], 4);
  expect(south[0]).toBeCloseTo(east[0], 4);
  expect(south[1]).toBeLessThan(east[1]);
  await choose('Region that is drawn', 'South');
  screen.getByText('South: not drawn');
  await press('Set a point at the cross');
  await choose('Region that is drawn', 'North');
  screen.getByText('North: an outline of 3 points');
  await press('Undo the last');
  screen.getByText('North: 2 points, of 3 it is an outline');
  expect(now[0]).toEqual({ id: 'north', label: 'North' });
  await press('Clear');
  screen.getByText('North: not drawn');
});

it('a point is taken up and set elsewhere or taken out, and a side gets one where it is touched', async () => {
  await open();
  await press('Set a point at the cross');
  await key('ArrowRight', 2);
  await key('Enter');
  await key('ArrowDown', 2);
  await key('Enter');
  const before = now[0].outline!;
  // The last point lies under the cross still.
  await key('Enter');
  screen.getByText('North: point 3 of 3 is taken up: set it where it belongs');
  await key('ArrowDown');
  await key('Enter');
  expect(now[0].outline!.slice(0, 2)).toEqual(before.slice(0, 2));
  expect(now[0].outline![2][1]).toBeLessThan(before[2][1]);
  // Back up, onto the side from the second to the third.
  await key('ArrowUp', 2);
  await key('Enter');
  screen.getByText('North: an outline of 4 points');
  expect(now[0].outline![2][1]).toBeGreaterThan(now[0].outline![3][1]);
  await key('Enter');
  await press('Cancel');
  screen.getByText('North: an outline of 4 points');
  await key('Enter');
  await press('Remove this point');
  screen.getByText('North: an outline of 3 points');
  expect(now[0].outline![1]).toEqual(before[1]);
});

it('without a map says why', async () => {
  mockGround = { error: new Error('off'), isPending: false, refetch: jest.fn() };
  await showScreen(<Over first={[{ id: 'north', label: 'North' }]} />);
  screen.getByText('That did not work');
});
