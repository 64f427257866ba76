import { compileGuide, type Guide } from '../guide';
import type { Reading } from '../observation';
import type { GivenName } from '../specimen';
import { tinyGuide } from '../test/tinyGuide';
import { type Circumstances, lookAt, type Named, worthOf } from '.';

/** The tiny guide, with lengths that are well apart. */
function apart(): Guide {
  const guide = tinyGuide();
  const longer = { kind: 'values' as const, mean: 16, sd: 1 };
  return {
    ...guide,
    scores: guide.scores.map((one) => (one.character === 'length' && one.scope.taxon === 'b' ? { ...one, value: longer } : one)),
  };
}
const round: Reading = { character: 'edge', states: ['round'] };
const is = (taxon: string, more: Partial<GivenName> = {}) => ({ qualifier: 'none' as const, taxon, facets: {}, ...more });
const look = (readings: readonly Reading[], more: Partial<Named> = {}, guide: Guide = tinyGuide()) =>
  lookAt(compileGuide(guide), { situation: {}, readings, name: is('a'), shown: [], ...more });

describe('what a reviewer has before them', () => {
  it('is the name, what comes nearest, and that the two cannot be told', () => {
    const { options, margin, lead } = look([round]);
    expect(options.map(({ name }) => name)).toEqual([is('a'), is('b'), is('a', { qualifier: 'or', other: 'b' })]);
    // Eight in ten against two in ten, and as many of each.
    expect(margin).toBeCloseTo(2, 9);
    expect(options[0].p).toBeCloseTo(0.8, 2);
    expect(options[2].p).toBeCloseTo(options[0].p + options[1].p, 12);
    expect(lead).toEqual({ character: 'edge', bits: expect.closeTo(2, 9) as number });
  });

  it('of a name of two, is either alone', () => {
    const { options, margin } = look([round], { name: is('a', { qualifier: 'or', other: 'b' }) });
    expect(margin).toBeUndefined();
    expect(options.map(({ name: { taxon, other } }) => [taxon, other])).toEqual([
      ['a', 'b'],
      ['a', undefined],
      ['b', undefined],
    ]);
  });

  it('of a name that holds several taxa, is the most probable of them', () => {
    const { options, margin, views } = look([round], { name: is('genus') }, apart());
    expect(options.map(({ name }) => name)).toEqual([is('genus'), is('a')]);
    expect(options[0].p).toBeCloseTo(1, 3);
    expect(margin).toBeUndefined();
    expect(views.map(({ character }) => character)).toEqual(['length']);
  });

  it('has no other name to give where the guide has no other form', () => {
    const guide = tinyGuide();
    const one = {
      ...guide,
      taxa: guide.taxa.filter(({ id }) => id !== 'b'),
      scores: guide.scores.filter(({ scope }) => scope.taxon !== 'b'),
    };
    const { options, margin, views } = look([round], {}, one);
    expect(options).toHaveLength(1);
    expect(margin).toBeUndefined();
    expect(views).toEqual([]);
  });

  it('asks for a view that would tell the two, not shown yet where there is one, of a mark not read yet', () => {
    const guide = apart();
    const views = [...guide.views, { id: 'below', label: 'from below' }];
    const [first] = guide.views;
    const twoViews = (wanted: string[]): Guide => ({
      ...guide,
      views,
      characters: guide.characters.map((one) => (one.id === 'length' ? { ...one, views: wanted } : one)),
    });
    const viewsOf = (shown: string[], wanted = [first.id, 'below'], readings = [round]) =>
      look(readings, { shown }, twoViews(wanted)).views.map(({ view, character }) => `${character} ${view}`);
    expect(viewsOf([])).toEqual([`length ${first.id}`, 'length below']);
    expect(viewsOf([first.id])).toEqual(['length below']);
    expect(viewsOf([first.id], [first.id])).toEqual([`length ${first.id}`]);
    expect(viewsOf([], undefined, [round, { character: 'length', value: 10 }])).toEqual([]);
  });

  it('says what it costs to miss a dangerous one, and asks for nothing that needs closeness while it is possible', () => {
    const guide = apart();
    const hazard = { kind: 'venom' as const, grade: 'serious' as const, text: 'It stings.' };
    const dangerous: Guide = {
      ...guide,
      taxa: guide.taxa.map((one) => (one.id === 'b' ? { ...one, hazards: [hazard] } : one)),
      characters: guide.characters.map((one) => (one.id === 'length' ? { ...one, handling: 'hold', distance: 'hand' } : one)),
    };
    const found = look([round], {}, dangerous);
    const pOfB = found.options[1].p;
    expect(found.danger).toEqual({
      taxon: 'b',
      name: 'Tessella brevis',
      p: expect.closeTo(pOfB, 12) as number,
      kind: 'venom',
      grade: 'serious',
    });
    expect(found.missed).toBeCloseTo(50 * pOfB, 9);
    expect(found.views).toEqual([]);
    expect(look([round], { situation: { subject: 'photograph' } }, dangerous).views).not.toEqual([]);
    // Named as the dangerous one, nothing dangerous is missed.
    expect(look([round], { name: is('b') }, dangerous)).toMatchObject({ missed: 0 });
    expect(look([round], { name: is('b') }, dangerous).danger).toBeUndefined();
    // What the guide says it costs goes before.
    const costly = { ...dangerous, costs: [{ taxon: 'b', weight: 7, reason: 'it is watched for' }] };
    expect(look([round], {}, costly).missed).toBeCloseTo(7 * pOfB, 9);
  });
});

it('holds a species against another of its rank, not against a subspecies of it', () => {
  const guide = tinyGuide();
  const { forms, ...b } = guide.taxa.find(({ id }) => id === 'b')!;
  const sub = { id: 'b-one', name: 'Tessella brevis una', rank: 'subspecies' as const, parent: 'b', forms };
  const parted = { ...guide, taxa: [...guide.taxa.filter(({ id }) => id !== 'b'), { ...b }, { ...sub, abundance: 1 }] };
  const options = (name: Named['name']) => look([round], { name }, parted).options.map((one) => one.name.taxon);
  expect(options(is('a'))).toEqual(['a', 'b', 'a']);
  expect(options(is('genus'))).toEqual(['genus', 'a']);
  // Of a subspecies, the other species has none.
  expect(options(is('b-one'))).toEqual(['b-one', 'a', 'b-one']);
});

it('asks for what can be looked at before what must be touched', () => {
  const guide = apart();
  const order = (handled: string, subject?: 'dead') => {
    const scores = guide.scores.map((one) =>
      one.character === 'teeth' && one.scope.taxon === 'b'
        ? { ...one, value: { kind: 'counts' as const, counts: { 5: 1 } } }
        : one,
    );
    const views = [
      { id: 'top', label: 'from above' },
      { id: 'below', label: 'from below' },
    ];
    const characters = guide.characters.map((one) => ({
      ...one,
      views: [one.id === 'teeth' ? 'below' : 'top'],
      handling: one.id === handled ? ('touch' as const) : ('look' as const),
    }));
    const found = look([round], { situation: subject ? { subject } : {} }, { ...guide, scores, views, characters });
    return found.views.map(({ character }) => character);
  };
  expect(order('length')).toEqual(['teeth', 'length']);
  expect(order('teeth')).toEqual(['length', 'teeth']);
  expect(order('length', 'dead')).toEqual(order('none'));
});

describe('what a look is worth', () => {
  const plain = look([round]);
  const known: Circumstances = { p: 0.9, by: 'Ada', names: { n: 1, alike: 1 } };
  const worth = (more: Partial<Circumstances>, of = plain) => worthOf(of, { ...known, ...more });

  it('is the chance that the name is wrong, where nothing else is known', () => {
    expect(worth({})).toMatchObject({ wrong: expect.closeTo(0.1, 12) as number, worth: expect.closeTo(0.1, 12) as number });
  });

  it('takes the stated chance for ten calls, and learns from what the mark told this observer', () => {
    const { wrong, reasons } = worth({ record: { mark: 'edge', n: 30, hits: 21 } });
    expect(wrong).toBeCloseTo((10 * 0.1 + 9) / 40, 12);
    expect(reasons).toContainEqual({ kind: 'record', text: 'Ada, by edge: right 21 of 30 times' });
    expect(worth({ record: { mark: 'edge', n: 30, hits: 30 } }).wrong).toBeCloseTo(1 / 40, 12);
  });

  it('takes it for two opinions, and learns from those of others', () => {
    const { wrong, reasons } = worth({ opinions: { n: 4, differing: 3 } });
    expect(wrong).toBeCloseTo((2 * 0.1 + 3) / 6, 12);
    expect(reasons[0].text).toBe('3 of 4 others call it something else');
  });

  it('is more for a rare name, and for what may be dangerous', () => {
    const rare = worth({ names: { n: 200, alike: 2 } });
    expect(rare.worth).toBeCloseTo(0.1 * 3, 12);
    expect(rare.reasons).toContainEqual({ kind: 'rare', text: '2 of 200 names here' });
    expect(worth({ names: { n: 200, alike: 1 } }).reasons).toContainEqual({ kind: 'rare', text: 'The first of its kind here' });
    // A few names say nothing of what is rare.
    expect(worth({ names: { n: 5, alike: 1 } }).reasons.map(({ kind }) => kind)).not.toContain('rare');
    expect(worth({}, { ...plain, missed: 2.5 }).worth).toBeCloseTo(2.6, 12);
  });

  it('tells a thin margin in odds, and one that speaks for another as such', () => {
    const thin = (margin: number | undefined) =>
      worth({}, { ...plain, margin })
        .reasons.filter(({ kind }) => kind === 'thin')
        .map(({ text }) => text);
    expect(thin(3)).toEqual(['Only 8 to one for it, by what was read']);
    expect(thin(0.5)).toEqual(['Only 1.4 to one for it, by what was read']);
    expect(thin(-1)).toEqual(['What was read is more like another']);
    expect(thin(4)).toEqual([]);
    expect(thin(undefined)).toEqual([]);
  });
});
