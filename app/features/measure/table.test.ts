import { type Character, plainForm, type Protocol } from '@plesion/core/guide';
import { bogUmbels, ledgeCrabs, lanternMoths } from '@plesion/demo';
import type { Step } from './steps';
import { turnOf } from './Example';
import { isWhole, needsScale, NO_SCALE, onlyScale, scaleOf, stepsOf, withoutScale } from './steps';
import { again, choose, emptyTable, heldInOrder, move, nearest, place, redo, take, undo } from './table';
import { tableKey } from './tableKeys';
import { middleOf, readingOf, takenBy } from './taken';
import { fit, inSight, onPhoto, toPhoto, toScreen, within, zoomAt } from './view';

const character = (id: string, guide = ledgeCrabs) =>
  guide.characters.find((one) => one.id === id) as Character & { protocol: Protocol };
const width = character('carapace-width');
const steps: Step[] = stepsOf(character('width-ratio').protocol, 'none');

describe('what is set', () => {
  it('goes on from landmark to landmark; one step back is one point back', () => {
    let table = emptyTable(steps);
    expect(steps).toHaveLength(4);
    for (const [i, at] of (
      [
        [1, 2],
        [30, 2],
        [15, 1],
        [15, 25],
      ] as const
    ).entries()) {
      expect(table.active).toBe(steps[i].id);
      table = place(table, steps, [...at]);
    }
    expect(steps.every((step) => isWhole(table.points, step))).toBe(true);
    expect(heldInOrder(table.points, steps)).toHaveLength(4);
    table = undo(table, steps);
    expect(table.active).toBe(steps[3].id);
    expect(table.points[steps[3].id]).toBeUndefined();
    table = redo(table, steps);
    expect(table.points[steps[3].id]).toEqual([15, 25]);
    // A drag of many moves is undone at once.
    const held = { id: steps[0].id, n: 0 };
    table = move(move(move(table, held, [2, 2]), held, [3, 2], true), held, [4, 2], true);
    expect(table.points[steps[0].id]).toEqual([4, 2]);
    expect(undo(table, steps).points[steps[0].id]).toEqual([1, 2]);
    expect(take(table, held).active).toBe(steps[0].id);
    expect(undo(emptyTable(steps), steps)).toEqual(emptyTable(steps));
  });

  it('of a curve gets point after point, and one of them can be moved or taken away', () => {
    const curve: Step[] = [{ id: 'edge', label: 'an edge', kind: 'path' }];
    let table = emptyTable(curve);
    for (let i = 0; i < 4; i++) table = place(table, curve, [i, 0]);
    expect(table.held).toEqual({ id: 'edge', n: 3 });
    table = move(table, { id: 'edge', n: 1 }, [1, 9]);
    table = take(table, { id: 'edge', n: 0 });
    expect(table.points.edge).toEqual([
      [1, 9],
      [2, 0],
      [3, 0],
    ]);
    expect(nearest(table.points, curve, [1.5, 9], 2)).toEqual({ id: 'edge', n: 0 });
    expect(nearest(table.points, curve, [50, 50], 2)).toBeUndefined();
    expect(choose(table, 'edge').held).toEqual({ id: 'edge', n: 2 });
  });

  it('takes nine crossings of a grid, which put a tilted photo right', () => {
    const own = stepsOf(width.protocol, 'grid');
    expect(own.filter(({ scale }) => scale)).toHaveLength(9);
    expect(own[5].label).toBe('crossing of the grid: middle row, right');
    let table = emptyTable(own);
    const entry = { ...NO_SCALE, kind: 'grid' as const, mm: '5' };
    // Seen aslant: rows nearer to the foot are wider.
    for (let row = 0; row < 3; row++)
      for (let column = 0; column < 3; column++) {
        expect(scaleOf(entry, table.points)).toBeUndefined();
        table = place(table, own, [200 + (column - 1) * (50 + 5 * row), 100 + 45 * row]);
      }
    const scale = scaleOf(entry, table.points);
    expect(scale).toMatchObject({ kind: 'grid', points: expect.arrayContaining([{ at: [260, 190], mm: [10, 10] }]) });
    expect(scaleOf({ ...entry, mm: '0' }, table.points)).toBeUndefined();
    expect(withoutScale(table.points)).toEqual({});
    expect(Object.keys(onlyScale(table.points))).toHaveLength(9);
  });

  it('again and blind hides what was set, and keeps the scale', () => {
    const own = stepsOf(width.protocol, 'length');
    let table = emptyTable(own);
    for (const at of [
      [0, 90],
      [100, 90],
      [10, 10],
      [60, 10],
    ] as const)
      table = place(table, own, [...at]);
    const next = again(table, own);
    expect(Object.keys(next.points)).toHaveLength(2);
    expect(next.points).toEqual(onlyScale(table.points));
    expect(next.active).toBe(own[2].id);
    expect(next.earlier.map(withoutScale)).toEqual([{ from: [10, 10], to: [60, 10] }]);
    const scale = scaleOf({ ...NO_SCALE, kind: 'length', mm: '20,0' }, next.points);
    expect(scale).toMatchObject({ kind: 'lengths', references: [{ mm: 20 }] });
    expect(scaleOf({ ...NO_SCALE, kind: 'length', mm: 'x' }, next.points)).toBeUndefined();
    expect(needsScale(width.protocol)).toBe(true);
    expect(needsScale(character('width-ratio').protocol)).toBe(false);
  });
});

describe('what it comes to', () => {
  const size = { width: 400, height: 300 };

  it('is a reading in the character’s unit, with its error and its place', () => {
    const sets = [{ from: [100, 100], to: [300, 100] }] as never[];
    const scale = {
      kind: 'lengths',
      references: [
        {
          ends: [
            [0, 200],
            [200, 200],
          ],
          mm: 30,
        },
      ],
    } as never;
    const taken = takenBy(width, width.protocol, sets, scale, size);
    const reading = readingOf(width, 'r', taken, 'm', middleOf(sets[0]), size)!;
    expect(reading).toMatchObject({ id: 'r', character: 'carapace-width', measurement: 'm', at: { x: 0.5, y: 0.333 } });
    expect(reading.value).toBeCloseTo(30, 1);
    expect(reading.error).toBeGreaterThan(0.3);
    expect(reading.error).toBeLessThan(0.8);
    // Without a scale a length is no reading.
    expect(readingOf(width, 'r', takenBy(width, width.protocol, sets, undefined, size), 'm')).toBeUndefined();
    const out = takenBy(width, width.protocol, [{ from: [100, 100], to: [900, 100] }], scale, size);
    expect(out.problems).toEqual(expect.arrayContaining([expect.stringMatching(/outside the photo/)]));
  });

  it('of a form is the states that its value allows', () => {
    const edge = character('wing-edge', lanternMoths);
    const straight = Array.from({ length: 30 }, (_, i): [number, number] => [50 + 6 * i, 100]);
    const taken = takenBy(edge, edge.protocol, [{ edge: straight }], undefined, size);
    expect(taken.states).toContain('even');
    const wavy = straight.map(([x], i): [number, number] => [x, 100 + 12 * Math.sin(i * 1.2)]);
    expect(takenBy(edge, edge.protocol, [{ edge: wavy }], undefined, size).states).not.toContain('even');
  });

  it('of a form is told by the outline, wherever it lies and however large', () => {
    const leaflet = character('leaflet-shape', bogUmbels);
    const statesOf = (label: string) => {
      const around = plainForm(label).points.map(([x, y]): [number, number] => [150 - 100 * y, 40 + 190 * x]);
      return takenBy(leaflet, leaflet.protocol, [{ around }], undefined, size).states;
    };
    expect(statesOf('a wedge')).toEqual(['wedge']);
    expect(statesOf('an oval')).toEqual(['oval']);
    expect(statesOf('a lance')).toEqual(['lance']);
  });

  it('of a count is a whole number', () => {
    const teeth = character('side-teeth');
    const taken = takenBy(
      teeth,
      teeth.protocol,
      [
        {
          each: [
            [1, 1],
            [2, 2],
            [3, 3],
            [4, 4],
            [5, 5],
          ],
        },
      ],
      undefined,
      size,
    );
    expect(readingOf(teeth, 'r', taken, 'm')).toEqual({ id: 'r', character: 'side-teeth', measurement: 'm', value: 5 });
  });
});

describe('how the photo lies', () => {
  const [photo, room] = [
    { width: 4000, height: 3000 },
    { width: 400, height: 400 },
  ];

  it('all of it at first, in the middle; what lies under the finger stays there when it comes nearer', () => {
    const view = fit(photo, room);
    expect(view).toEqual({ scale: 0.1, x: 0, y: 50 });
    const finger = [123, 200] as [number, number];
    const under = toPhoto(view, finger);
    const near = zoomAt(view, 8, finger, photo, room);
    toPhoto(near, finger).forEach((c, i) => expect(c).toBeCloseTo(under[i], 6));
    expect(zoomAt(near, 1e9, finger, photo, room).scale).toBe(24);
    expect(zoomAt(near, 1e-9, finger, photo, room)).toEqual(view);
    expect(within({ scale: 1, x: 500, y: -9999 }, photo, room)).toEqual({ scale: 1, x: 0, y: -2600 });
    const seen = toScreen(inSight({ scale: 1, x: 0, y: 0 }, [3000, 2000], photo, room), [3000, 2000]);
    for (const c of seen) expect(c > 0 && c < 400).toBe(true);
    expect(onPhoto([-5, 3001], photo)).toEqual([0, 3000]);
  });
});

describe('the keys of the table', () => {
  const key = (name: string, more = {}) =>
    tableKey({ key: name, shiftKey: false, ctrlKey: false, metaKey: false, altKey: false, ...more });

  it('move by a pixel, with Shift by ten, and leave Tab alone', () => {
    expect(key('ArrowLeft')).toEqual({ kind: 'move', by: [-1, 0] });
    expect(key('ArrowDown', { shiftKey: true })).toEqual({ kind: 'move', by: [0, 10] });
    expect(key('z', { ctrlKey: true })).toEqual({ kind: 'undo' });
    expect(key('Z', { metaKey: true, shiftKey: true })).toEqual({ kind: 'redo' });
    expect(key('Delete')).toEqual({ kind: 'take' });
    for (const name of ['Tab', 'a', 'z']) expect(key(name)).toBeUndefined();
    expect(key('Enter', { altKey: true })).toBeUndefined();
  });
});

describe('the plate beside the photo', () => {
  const { protocol } = character('width-ratio');
  const [left, right] = protocol.landmarks.map(({ id }) => id);
  const lines = [
    [
      [0, 5],
      [10, 5],
    ],
    [
      [5, 0],
      [5, 8],
    ],
  ] as [number, number][][];

  it('is turned as the animal lies, once two of its places are set', () => {
    expect(turnOf(protocol, lines)).toBe(0);
    expect(turnOf(protocol, lines, { [left]: [100, 100] })).toBe(0);
    expect(turnOf(protocol, lines, { [left]: [100, 100], [right]: [300, 100] })).toBeCloseTo(0, 9);
    expect(turnOf(protocol, lines, { [left]: [100, 100], [right]: [100, 400] })).toBeCloseTo(90, 9);
    expect(turnOf(protocol, lines, { [left]: [100, 100], [right]: [100, 100] })).toBe(0);
  });
});
