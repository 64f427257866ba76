import fc from 'fast-check';
import { ledgeCrabs } from '../../../demo';
import { compileGuide, type DrawnTile as Tile, type Guide } from '../../guide';
import { Tile as TileShape } from '../../guide/tileSchema';
import { type Plate, plateSvg, traitsOf } from '..';
import { commandCount } from '../display';
import { planOf } from '../plans';
import {
  BASES,
  CAPS,
  drawTile,
  FINS,
  MARGINS,
  OUTLINES,
  STALKS,
  SURFACES,
  TILE_COLOURS,
  TILE_PATTERNS,
  TIPS,
  UNDERSIDES,
  VEINS,
} from '.';
import { halfOf } from './halves';
import { withMargin } from './margins';

const some = <T extends string>(words: readonly T[]) => fc.option(fc.constantFrom(...words), { nil: undefined });
const colour = fc.constantFrom(...Object.values(TILE_COLOURS));
const painted = {
  colour: fc.option(colour, { nil: undefined }),
  second: fc.option(colour, { nil: undefined }),
  pattern: some(TILE_PATTERNS),
};
const anyTile: fc.Arbitrary<Tile> = fc.oneof(
  fc.record({
    draw: fc.constant('blade' as const),
    outline: fc.constantFrom(...OUTLINES),
    tip: some(TIPS),
    base: some(BASES),
    margin: some(MARGINS),
    surface: some(SURFACES),
    veins: some(VEINS),
    ratio: fc.option(fc.double({ min: 0.3, max: 14, noNaN: true }), { nil: undefined }),
    ...painted,
  }),
  fc.record({
    draw: fc.constant('cap' as const),
    profile: fc.constantFrom(...CAPS),
    under: some(UNDERSIDES),
    stalk: some(STALKS),
    surface: some(SURFACES),
    ...painted,
  }),
  fc.record({ draw: fc.constant('fin' as const), end: fc.constantFrom(...FINS), ...painted }),
  fc.record({
    draw: fc.constant('bars' as const),
    lengths: fc.array(fc.double({ min: 0.01, max: 1000, noNaN: true }), { minLength: 2, maxLength: 4 }),
  }),
  fc.record({ draw: fc.constant('swatch' as const), colours: fc.array(colour, { minLength: 1, maxLength: 4 }) }),
);

const partOf = (plate: Plate, part: string) => plate.parts[part];

describe('a tile that a guide describes', () => {
  it('is drawn whatever it is made of: square, in finite numbers, by whole hundredths', () => {
    fc.assert(
      fc.property(anyTile, (tile) => {
        const plate = drawTile(TileShape.parse(JSON.parse(JSON.stringify(tile))) as Tile);
        expect(plate.box.width).toBeCloseTo(plate.box.height, 9);
        expect(plate.inks.length).toBeGreaterThan(0);
        expect(plate.inks.map(({ d }) => d).join(' ')).not.toMatch(/NaN|undefined|Infinity|e[+-]?\d/);
        expect(drawTile(tile)).toEqual(plate);
      }),
      { numRuns: 300 },
    );
  });

  it.each([
    ...OUTLINES.map((outline): Tile => ({ draw: 'blade', outline })),
    ...MARGINS.map((margin): Tile => ({ draw: 'blade', outline: 'ovate', margin, veins: 'midrib' })),
    ...TILE_PATTERNS.map((pattern): Tile => ({ draw: 'blade', outline: 'elliptic', ratio: 1.3, pattern })),
    ...SURFACES.map((surface): Tile => ({ draw: 'blade', outline: 'elliptic', ratio: 1.3, surface })),
    ...CAPS.map((profile): Tile => ({ draw: 'cap', profile })),
    ...FINS.map((end): Tile => ({ draw: 'fin', end })),
  ])('%j takes fewer than 150 commands', (tile) => {
    expect(commandCount(drawTile(tile))).toBeLessThan(150);
  });

  it('no two words of one field are drawn the same', () => {
    const drawn = (tiles: readonly Tile[]) => new Set(tiles.map((tile) => JSON.stringify(drawTile(tile).inks))).size;
    const blade = (field: string, words: readonly string[]) =>
      words.map((word): Tile => ({ draw: 'blade', outline: 'ovate', ...({ [field]: word } as object) }));
    for (const [field, words] of Object.entries({
      outline: OUTLINES,
      tip: TIPS,
      base: BASES,
      margin: MARGINS,
      surface: SURFACES,
      veins: VEINS,
      pattern: TILE_PATTERNS,
    }))
      expect([field, drawn(blade(field, words))]).toEqual([field, words.length]);
    expect(drawn(CAPS.map((profile) => ({ draw: 'cap', profile })))).toBe(CAPS.length);
    expect(drawn(STALKS.map((stalk) => ({ draw: 'cap', profile: 'flat', stalk })))).toBe(STALKS.length);
    expect(drawn(UNDERSIDES.map((under) => ({ draw: 'cap', profile: 'flat', under })))).toBe(UNDERSIDES.length);
    expect(drawn(FINS.map((end) => ({ draw: 'fin', end })))).toBe(FINS.length);
  });

  it('measured on the drawing, a blade is as long in its widths as it is said to be', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('orbicular', 'elliptic', 'ovate', 'obovate', 'rhombic'),
        fc.double({ min: 0.4, max: 10, noNaN: true }),
        (outline, ratio) => {
          const { width, height } = partOf(drawTile({ draw: 'blade', outline: outline as 'ovate', ratio }), 'blade');
          expect(Math.abs(height / width / ratio - 1)).toBeLessThan(0.05);
        },
      ),
    );
  });

  it('bars are as long beside each other as their lengths', () => {
    const inks = drawTile({ draw: 'bars', lengths: [3, 1.5, 0.75] }).inks;
    const widths = inks.map(({ d }) =>
      Math.max(...[...d.matchAll(/[cs]([^cs]*)/g)].flatMap(([, run]) => (run.match(/-?\d+/g) ?? []).map(Number))),
    );
    expect(widths[0] / widths[1]).toBeCloseTo(2, 1);
    expect(widths[1] / widths[2]).toBeCloseTo(2, 1);
  });

  it('an ovate blade is widest below its middle and an obovate one above; lobes go in, teeth go out', () => {
    const widest = (outline: 'ovate' | 'obovate' | 'elliptic') => {
      const { points } = halfOf({ draw: 'blade', outline }, 'right');
      return points.reduce((a, b) => (b[0] > a[0] ? b : a))[1];
    };
    expect(widest('ovate')).toBeLessThan(0.45);
    expect(widest('obovate')).toBeGreaterThan(0.55);
    expect(widest('elliptic')).toBeCloseTo(0.5, 2);
    const half = halfOf({ draw: 'blade', outline: 'elliptic' }, 'right');
    const reach = (margin: (typeof MARGINS)[number]) => Math.max(...withMargin(half, margin).points.map(([w]) => w));
    for (const out of ['serrate', 'dentate', 'crenate', 'spiny'] as const)
      expect(reach(out)).toBeGreaterThan(reach('entire') * 1.02);
    expect(reach('lobed')).toBeLessThanOrEqual(reach('entire') * 1.001);
    expect(withMargin(half, 'entire')).toBe(half);
  });

  it.each<[string, unknown]>([
    ['colour', { draw: 'swatch', colours: ['yellow'] }],
    ['ratio', { draw: 'blade', outline: 'ovate', ratio: 0 }],
    ['lengths', { draw: 'bars', lengths: [1] }],
    ['tip', { draw: 'blade', outline: 'ovate', tip: 'sharpish' }],
    ['shape', { draw: 'fin', end: 'forked', profile: 'flat' }],
    ['kind', { draw: 'photo' }],
  ])('with a %s that is none is refused', (_, tile) => {
    expect(TileShape.safeParse(tile).success).toBe(false);
  });
});

describe('a guide without a body plan', () => {
  const tiles: Record<string, Tile> = {
    smooth: { draw: 'blade', outline: 'orbicular', surface: 'smooth' },
    scattered: { draw: 'blade', outline: 'orbicular', surface: 'pitted' },
    dense: { draw: 'blade', outline: 'orbicular', surface: 'warty' },
  };
  const guide: Guide = {
    ...ledgeCrabs,
    plan: undefined,
    characters: ledgeCrabs.characters.map((character) => ({
      ...character,
      plate: undefined,
      states: character.states?.map((state) => (character.id === 'granules' ? { ...state, tile: tiles[state.id] } : state)),
    })),
  };
  const granules = guide.characters.find(({ id }) => id === 'granules')!;

  it('is drawn by its tiles, in the views that show any; without a scale', () => {
    const plan = planOf(guide)!;
    expect(plan.views).toEqual(guide.views.map(({ id }) => id).filter((view) => granules.views.includes(view)));
    const plate = plan.draw({ granules: 'dense' }, plan.views[0], 'full');
    expect(Object.keys(plate.parts)).toEqual(['granules']);
    expect(plate.unscaled).toBe(true);
    expect(plate.inks.map(({ fill }) => fill)).toEqual(drawTile(tiles.dense).inks.map(({ fill }) => fill));
    expect(plateSvg(plate, 100, 'x')).not.toMatch(/NaN|undefined/);
    expect(plan.tile(granules, 'smooth')).toEqual(drawTile(tiles.smooth));
    expect(planOf(guide)).toBe(plan);
  });

  it('shows nothing of what is not known of a form', () => {
    const plan = planOf(guide)!;
    expect(plan.shows!({}, plan.views[0])).toBe(false);
    expect(plan.draw({ granules: 'none-such' }, plan.views[0], 'full').inks).toEqual([]);
    const compiled = compileGuide({ ...guide, scores: guide.scores.filter(({ character }) => character !== 'granules') });
    expect(compiled.forms.map((_, form) => traitsOf(compiled, form).granules)).toEqual(compiled.forms.map(() => undefined));
  });

  it('shows two characters of one field apart, each as its tile is', () => {
    const twice = { ...guide, characters: [granules, { ...granules, id: 'twin' }] };
    const plate = planOf(twice)!.draw({ granules: 'dense', twin: 'dense' }, granules.views[0], 'full');
    const inks = drawTile(tiles.dense).inks.map(({ d }) => d.replace(/M-?\d+ ?-?\d+/g, 'M'));
    expect(plate.inks.map(({ d }) => d.replace(/M-?\d+ ?-?\d+/g, 'M'))).toEqual([...inks, ...inks]);
    const first = (i: number) => Number(/M(-?\d+)/.exec(plate.inks[i].d)![1]);
    expect(first(inks.length) - first(0)).toBeCloseTo((plate.parts.twin.x - plate.parts.granules.x) * 100, -1);
  });

  it('shows on one shape what its characters say together, painted by the colour of the whole', () => {
    const one = (id: string, ...tiled: Tile[]) => ({
      ...granules,
      id,
      states: tiled.map((tile, i) => ({ id: `${id}-${i}`, label: id, tile })),
    });
    const leaf = (more: Partial<Extract<Tile, { draw: 'blade' }>>): Tile => ({ draw: 'blade', outline: 'ovate', ...more });
    const leaves: Guide = {
      ...guide,
      characters: [
        one('outline', leaf({}), leaf({ outline: 'linear' })),
        one('edge', leaf({ margin: 'entire' }), leaf({ margin: 'serrate' })),
        one('spots', leaf({}), leaf({ pattern: 'spotted' })),
        one(
          'green',
          { draw: 'swatch', colours: ['#6f8f4e'], paints: true },
          { draw: 'swatch', colours: ['#7d7a43'], paints: true },
        ),
        one('stalked', { draw: 'bars', lengths: [1, 1] }, { draw: 'bars', lengths: [2, 1] }),
      ],
    };
    const traits = { outline: 'outline-1', edge: 'edge-1', spots: 'spots-1', green: 'green-0', stalked: 'stalked-1' };
    const plate = planOf(leaves)!.draw(traits, granules.views[0], 'full');
    const drawn = [
      drawTile(leaf({ outline: 'linear', margin: 'serrate', pattern: 'spotted', colour: '#6f8f4e' })),
      drawTile({ draw: 'bars', lengths: [2, 1] }),
    ];
    const shapes = (inks: Plate['inks']) => inks.map(({ d, fill }) => [d.replace(/M-?\d+ ?-?\d+/g, 'M'), fill]);
    expect(shapes(plate.inks)).toEqual(shapes(drawn.flatMap(({ inks }) => inks)));
    expect(Object.keys(plate.parts).sort()).toEqual(Object.keys(traits).sort());
    // What is told of one shape is looked for at places of their own on it; the outline is all of it.
    const { outline, edge, spots, green } = plate.parts;
    for (const part of [edge, spots, green]) {
      expect(part.x).toBeGreaterThanOrEqual(outline.x);
      expect(part.x + part.width).toBeLessThanOrEqual(outline.x + outline.width + 1e-9);
      expect(part.width * part.height).toBeLessThan((outline.width * outline.height) / 10);
    }
    expect(edge.x).toBeGreaterThan(spots.x + spots.width);
    expect(green.y).toBeGreaterThan(spots.y);
  });
});
