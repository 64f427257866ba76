import { demoGuides, ledgeCrabs } from '../../demo';
import { type Draft, guideChanges } from '.';

const crabs: Draft = ledgeCrabs;
const lines = (after: Draft, before = crabs) => guideChanges(before, after).parts.flatMap((part) => part.lines);

it('nothing is said of what is alike', () => {
  for (const guide of demoGuides)
    expect(guideChanges(guide, JSON.parse(JSON.stringify(guide)) as Draft)).toEqual({ parts: [], cells: [] });
});

it('what is new, gone, changed or moved is said by its name', () => {
  const [first, second, ...rest] = crabs.taxa;
  const taxa = [first, { ...rest[0], id: 'fresh', name: 'Petralda fresca' }, ...rest.slice(1), rest[0]];
  const said = lines({ ...crabs, title: 'Crabs', taxa: taxa.map((one) => (one === first ? { ...one, note: 'Seen.' } : one)) });
  expect(said).toEqual([
    `Title: ${crabs.title} → Crabs`,
    `${first.name}: note: Seen.`,
    'New: Petralda fresca',
    `Gone: ${second.name}`,
    'In another order',
  ]);
});

it('a parent is said by its name, and a long text is cut', () => {
  const child = crabs.taxa.find(({ parent }) => parent)!;
  const [parent] = crabs.taxa;
  const moved = crabs.taxa.map((one) => (one === child ? { ...one, parent: 'other' } : one));
  const other = { ...parent, id: 'other', name: 'Otheria' };
  const [said] = lines({ ...crabs, taxa: [...moved, other] });
  expect(said).toBe(`${child.name}: parent: ${crabs.taxa.find(({ id }) => id === child.parent)!.name} → Otheria`);
  const [long] = lines({ ...crabs, caution: 'x'.repeat(4000) });
  expect(long.length).toBeLessThan(300);
});

it('scores are told cell by cell as they stand in the grid, with where they hold', () => {
  const at = crabs.scores.findIndex(({ value, scope }) => value.kind === 'states' && scope.taxon);
  const score = crabs.scores[at];
  if (score.value.kind !== 'states') throw new Error('of states');
  const character = crabs.characters.find(({ id }) => id === score.character)!;
  const label = character.states![0].label;
  const value = { kind: 'states' as const, states: { [character.states![0].id]: 'sometimes' as const } };
  const scoped = { ...score, scope: { ...score.scope, dates: { from: '04-01', to: '08-31' } }, value };
  const { cells, parts } = guideChanges(crabs, { ...crabs, scores: [...crabs.scores.with(at, { ...score, value }), scoped] });
  expect(parts).toEqual([]);
  expect(cells).toMatchObject([
    { taxon: score.scope.taxon, character: score.character, label: character.label, now: `${label} sometimes` },
    { of: expect.stringContaining(', 1 Apr to 31 Aug'), now: `${label} sometimes` },
  ]);
  expect(cells[0].was).toBeDefined();
  expect(cells[1].was).toBeUndefined();
  expect(guideChanges(crabs, { ...crabs, scores: crabs.scores.toSpliced(at, 1) }).cells).toMatchObject([{ was: cells[0].was }]);
});

describe('what came or went as a whole is one line', () => {
  const figure = {
    ...{ id: 'f1', credit: 'Mira Selk', licence: 'cc-by', view: crabs.views[0].id, photo: crypto.randomUUID() },
    pins: [
      { character: 'granules', x: 0.16111327771548672, y: 0.5 },
      { character: 'eye-stalks', x: 0.25, y: 0.75 },
    ],
  } as unknown as NonNullable<Draft['figures']>[number];
  const [granules, eyes] = figure.pins!;
  const withPins = (pins: typeof figure.pins): Draft => ({ ...crabs, figures: [{ ...figure, pins }] });
  const grains = crabs.characters.find(({ id }) => id === 'granules')!.label;

  it('a place on a photograph, by the label of its character', () => {
    expect(lines(withPins([eyes]), withPins([granules, eyes]))).toEqual([`a photograph by Mira Selk: pins, ${grains}: no more`]);
    expect(lines(withPins([granules, eyes]), withPins([eyes]))).toEqual([
      `a photograph by Mira Selk: pins, ${grains}: x 0.1611; y 0.5`,
    ]);
  });

  it('and what changed of one that stays is told leaf by leaf', () => {
    expect(lines(withPins([{ ...granules, x: 0.2 }, eyes]), withPins([granules, eyes]))).toEqual([
      `a photograph by Mira Selk: pins, ${grains}, x: 0.1611 → 0.2`,
    ]);
  });
});
