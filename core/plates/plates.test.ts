import fc from 'fast-check';
import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { seeded } from '../probability';
import { compileGuide } from '../guide';
import { commandCount, plateSvg, traitsOf } from '.';
import { planOf } from './plans';
import { abdomenOutline, carapaceOutline, crabModel, drawCrab, sternumOutline } from './crab';
import { crabMeasures } from './crab/measures';
import { lengthOf } from './measure';
import { boxOf, curve, cut, flat, inside, sample } from './geometry';
import { stipple } from './stipple';

const compiled = compileGuide(ledgeCrabs);
const plan = planOf(ledgeCrabs)!;
const forms = compiled.forms.map((form, i) => [form.id, i] as const);

/** The ratio as measured with a ruler on the drawing. */
function measured(traits: Record<string, string | number>, character: string): number {
  const [over, under] = crabMeasures(traits, character).map(lengthOf);
  return over / under;
}

describe('a crab drawn from its scores', () => {
  it.each(forms)('%s measures on the plate what its scores say', (_, form) => {
    const traits = traitsOf(compiled, form);
    for (const ratio of ['width-ratio', 'abdomen-ratio', 'claw-ratio', 'claw-depth', 'leg-ratio']) {
      expect(measured(traits, ratio)).toBeCloseTo(traits[ratio] as number, 2);
    }
    expect(lengthOf(crabMeasures(traits, 'carapace-width')[0])).toBeCloseTo(traits['carapace-width'] as number, 1);
  });

  it('keeps its measures in any individual the scores allow', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: forms.length - 1 }), fc.integer(), (form, seed) => {
        const traits = traitsOf(compiled, form, seeded(seed));
        expect(measured(traits, 'width-ratio')).toBeCloseTo(traits['width-ratio'] as number, 2);
        expect(measured(traits, 'leg-ratio')).toBeCloseTo(traits['leg-ratio'] as number, 2);
      }),
      { numRuns: 20 },
    );
  });

  it('is the same left and right', () => {
    const outline = sample(carapaceOutline(crabModel(traitsOf(compiled, 0))), 6);
    const mirror = outline.map(([x, y]) => `${(-x).toFixed(2)} ${y.toFixed(2)}`);
    const points = new Set(outline.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`));
    const matched = mirror.filter((p) => points.has(p.replace(/^-0\.00/, '0.00'))).length;
    expect(matched / outline.length).toBeGreaterThan(0.9);
  });

  it('has as many side teeth as counted', () => {
    const corners = (teeth: number) => {
      const model = crabModel({ 'side-teeth': teeth, 'tooth-form': 'sharp', 'front-edge': 'one-arch' });
      return carapaceOutline(model).sharp.size;
    };
    expect(corners(6) - corners(5)).toBe(4); // a tip and a notch more on either side
  });

  it.each(forms)('%s fits the budget of a full plate, in both views', (_, form) => {
    for (const view of plan.views) {
      const plate = plan.draw(traitsOf(compiled, form), view, 'full');
      expect(plate.inks.reduce((sum, ink) => sum + ink.d.length, 0)).toBeLessThan(60_000);
    }
  });

  it('draws the same thing twice', () => {
    const traits = traitsOf(compiled, 3);
    expect(drawCrab(traits, 'ventral')).toEqual(drawCrab(traits, 'ventral'));
  });
});

describe('one score changed', () => {
  const base = { ...traitsOf(compiled, 0), 'shell-wear': 'clean' };
  const partsChanged = (change: Record<string, string | number>, view: 'dorsal' | 'ventral') => {
    const inks = (traits: typeof base) => {
      const parts = new Map<string, string>();
      for (const ink of drawCrab(traits, view).inks) parts.set(ink.part, (parts.get(ink.part) ?? '') + JSON.stringify(ink));
      return parts;
    };
    const before = inks(base);
    const after = inks({ ...base, ...change });
    return [...new Set([...before.keys(), ...after.keys()])].filter((part) => before.get(part) !== after.get(part)).sort();
  };

  it.each([
    ['front-edge', 'three-teeth', 'dorsal', ['carapace']],
    ['granules', 'dense', 'dorsal', ['carapace']],
    ['back-groove', 'absent', 'dorsal', ['carapace']],
    ['claw-tips', 'half-dark', 'dorsal', ['claw-left', 'claw-right']],
    ['claw-teeth', 'molars', 'dorsal', ['claw-left', 'claw-right']],
    ['eye-stalks', 'long', 'dorsal', ['eyes']],
    ['belly-spots', 'many', 'ventral', ['spots']],
    ['eggs', 'carried', 'ventral', ['eggs']],
  ] as const)('%s to %s changes only its part', (character, state, view, parts) => {
    expect(partsChanged({ [character]: state }, view)).toEqual(parts);
  });
});

describe('state tiles', () => {
  const drawn = ledgeCrabs.characters.filter((c) => c.states || c.counts).map((c) => [c.id, c] as const);

  it.each(drawn)('%s: every state is drawn, differently, within 150 commands', (_, character) => {
    const states = character.states?.map((s) => s.id) ?? [3, 4, 5, 6];
    const tiles = states.map((state) => plan.tile(character, state));
    for (const tile of tiles) {
      expect(tile).toBeDefined();
      expect(commandCount(tile!)).toBeLessThan(150);
    }
    expect(new Set(tiles.map((tile) => JSON.stringify(tile!.inks))).size).toBe(states.length);
  });
});

describe('the means of drawing', () => {
  it('dots are evenly spread, follow the tone, and stay where they are', () => {
    const square = [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
    ] as const;
    const count = (dark: number) => stipple(square, () => dark, 5).flat().length;
    expect(count(0.4) / count(0.2)).toBeCloseTo(2, 0);
    const light = stipple(square, () => 0.1, 5)
      .flat()
      .map(String);
    const dark = new Set(
      stipple(square, () => 0.3, 5)
        .flat()
        .map(String),
    );
    expect(light.every((dot) => dark.has(dot))).toBe(true);
    const dots = stipple(square, () => 0.2, 5).flat();
    const nearest = dots.map(([x, y], i) =>
      Math.min(...dots.map(([a, b], j) => (i === j ? Infinity : Math.hypot(a - x, b - y)))),
    );
    const mean = nearest.reduce((a, b) => a + b, 0) / nearest.length;
    // At random the mean nearest distance would be 0.5 / √density (Clark & Evans 1954); evenly spread dots keep further off.
    expect(mean).toBeGreaterThan(1.3 * 0.5 * Math.sqrt(100 / dots.length));
  });

  it('cuts a polygon at a line', () => {
    const half = cut(
      [
        [0, 0],
        [4, 0],
        [4, 2],
        [0, 2],
      ],
      [1, 0],
      [1, 0],
    );
    expect(boxOf(half)).toEqual({ x: 1, y: 0, width: 3, height: 2 });
  });

  it('knows inside from outside', () => {
    const ring = flat(
      sample(
        curve(
          [
            [0, 0],
            [4, 0],
            [4, 4],
            [0, 4],
          ],
          [0, 1, 2, 3],
        ),
        4,
      ),
    );
    expect([inside(ring, 2, 2), inside(ring, 5, 2), inside(ring, -0.1, 2)]).toEqual([true, false, false]);
  });

  it('prints an SVG whose title cannot break out', () => {
    const svg = plateSvg(plan.tile(ledgeCrabs.characters[0], 'broad')!, 72, '<b>"crab" & co');
    expect(svg).toMatch(/^<svg [^>]*width="72"/);
    expect(svg).toContain('<title>&#60;b>&#34;crab&#34; &#38; co</title>'.replace('>&#34;', '&#62;&#34;'));
  });

  it('keeps abdomen and sternum within the shell', () => {
    const model = crabModel(traitsOf(compiled, 0));
    const shell = boxOf(sample(carapaceOutline(model), 4));
    for (const outline of [abdomenOutline(model), sternumOutline(model)])
      expect(boxOf(sample(outline, 4)).width).toBeLessThan(shell.width);
  });
});
