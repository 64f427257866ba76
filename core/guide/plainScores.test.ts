import * as demo from '../../demo';
import { tinyGuide } from '../test/tinyGuide';
import { checkGuide } from './check';
import { readGuide } from './read';
import { Guide, type Score } from './schema';
import { scoresToRead } from './plainScores';

const guides = Object.values(demo).flatMap((one: unknown) => {
  const parsed = Guide.safeParse(one);
  return parsed.success ? [parsed.data] : [];
});
const twelve = tinyGuide({
  taxa: Array.from({ length: 12 }, (_, i) => ({
    id: `t${i}`,
    name: `Velda t${i}`,
    rank: 'species',
    abundance: 1,
    forms: [{ share: 1, facets: {} }],
  })),
  scores: Array.from({ length: 12 }, (_, i): Score => ({
    ...{ character: 'edge', scope: { taxon: `t${i}` }, source: 'book' },
    value: { kind: 'states', states: { round: 'always' } },
  })),
});
/** The twelve, with scores at places changed to what they should not be. */
const changed = (at: Record<number, object>) => ({
  ...twelve,
  scores: twelve.scores.map((score, i) => (at[i] ? { ...score, ...at[i] } : score)),
});

describe('scores that are plain to see', () => {
  it('are read as the schema reads them', () => {
    expect(guides.length).toBeGreaterThan(6);
    for (const guide of guides) {
      const json: unknown = JSON.parse(JSON.stringify(guide));
      const read = readGuide(json);
      expect(read).toEqual({ ok: true, value: Guide.parse(json) });
    }
  });

  it('are nearly all of a plain table, and none is that says anything else', () => {
    expect(scoresToRead(twelve)).toEqual([]);
    const odd: object[] = [
      { character: 'wing' },
      { character: 3 },
      { source: 'nobody' },
      { scope: { taxon: 'nothing' } },
      { scope: {} },
      { scope: { taxon: 't1', regions: ['quell'] } },
      { note: 'x'.repeat(4001) },
      { note: 5 },
      { value: { kind: 'states', states: { round: 'mostly' } } },
      { value: { kind: 'states', states: { round: 1.1 } } },
      { value: { kind: 'states', states: { 'not an id': 'always' } } },
      { value: { kind: 'states', states: { round: 'always' }, uncertain: true } },
    ];
    expect(odd.map((one) => scoresToRead(changed({ 5: one })))).toEqual(odd.map(() => [5]));
    expect(
      scoresToRead(changed({ 2: { note: 'seen' }, 3: { value: { kind: 'states', states: { round: 0.2, toothed: 0.8 } } } })),
    ).toEqual([]);
  });

  it('faults of others are told at their own places, as without', () => {
    const wrong = changed({
      3: { source: 7 },
      8: { value: { kind: 'states', states: { round: 2 } } },
      10: { colour: 'red' },
    });
    const read = readGuide(wrong);
    const plain = Guide.safeParse(wrong);
    if (read.ok || plain.success) throw new Error('nothing is wrong');
    expect(plain.error.issues).toHaveLength(3);
    expect(read.problems.map(({ field }) => field)).toEqual([
      'scores[3].source',
      'scores[8].value.states.round',
      'scores[10].colour',
    ]);
  });

  it('what their names do not show is told as well', () => {
    const wrong = changed({
      4: { value: { kind: 'states', states: { blue: 'always' } } },
      7: { scope: { taxon: 't6' }, value: { kind: 'states', states: { toothed: 'always' } } },
    });
    expect(
      checkGuide(Guide.parse(changed({ 4: { value: { kind: 'states', states: { blue: 'always' } } } }))).map(
        ({ code, field }) => [code, field],
      ),
    ).toEqual([['unknown-state', 'scores[4].value.states']]);
    expect(readGuide(wrong)).toMatchObject({ ok: false, problems: [{ code: 'unknown-state', field: 'scores[4].value.states' }] });
    const twice = changed({
      7: { scope: { taxon: 't6' }, value: { kind: 'states', states: { toothed: 'always' } } },
      9: { scope: { taxon: 't6' }, value: { kind: 'states', states: { toothed: 'always' } } },
    });
    expect(readGuide(twice)).toMatchObject({
      ok: false,
      problems: [
        { code: 'scored-twice', field: 'scores[7]' },
        { code: 'scored-twice', field: 'scores[9]' },
      ],
    });
  });
});
