import fc from 'fast-check';
import { demoGuides, ledgeCrabs } from '../../demo';
import { compileGuide, type Guide, readGuide } from '../guide';
import { type Plate, traitsOf, type Traits } from '.';
import { foreignTo, planOf } from './plans';

const drawings = (guide: Guide, traits: Traits): Plate[] => {
  const plan = planOf(guide)!;
  return plan.views.flatMap((view) => (plan.shows?.(traits, view) === false ? [] : [plan.draw(traits, view, 'full')]));
};

/** Every number of a plate's paths and of its frame is one. */
function isSound({ inks, box }: Plate): boolean {
  return [box.x, box.y, box.width, box.height].every(Number.isFinite) && inks.every(({ d }) => !/NaN|Infinity|undefined/.test(d));
}

/** Somebody else's guide with this body plan: every state has a word of its own. */
const foreign = (guide: Guide): Guide => ({
  ...guide,
  id: `${guide.id}-elsewhere`,
  characters: guide.characters.map((character) => ({
    ...character,
    ...(character.states ? { states: character.states.map(({ id, label }) => ({ id: `x-${id}`, label })) } : {}),
  })),
  scores: [],
});

describe.each(demoGuides.map((guide): [string, Guide] => [guide.id, guide]))('%s', (_, guide) => {
  it('says nothing that its plates cannot show', () => {
    expect(foreignTo(guide)).toEqual([]);
  });

  it('in words of somebody else is drawn as usual, and its author is told of each', () => {
    const other = foreign(guide);
    const seen: Traits = Object.fromEntries(
      other.characters.flatMap(({ id, states }) => (states ? [[id, states.at(-1)!.id]] : [])),
    );
    expect(drawings(other, seen)).toEqual(drawings(other, {}));
    const told = foreignTo(other);
    expect(told.length).toBeGreaterThan(8);
    expect(new Set(told.map(({ code }) => code))).toEqual(new Set(['foreign-word']));
  });

  it('has no tile for a word it does not know, rather than a wrong one', () => {
    const plan = planOf(foreign(guide))!;
    const character = foreign(guide).characters.find(({ id, states, plate }) => states && plate && plan.vocabulary[id])!;
    expect(plan.tile(character, character.states![0].id)).toBeUndefined();
  });

  it('with other ids, told which drives what, is drawn as the guide itself', () => {
    const renamed: Guide = {
      ...foreign(guide),
      formatVersion: 2,
      characters: foreign(guide).characters.map((character) => ({ ...character, id: `own-${character.id}` })),
      plateTraits: Object.fromEntries(
        guide.characters.map(({ id, states }) => [
          id,
          { character: `own-${id}`, words: Object.fromEntries((states ?? []).map((state) => [`x-${state.id}`, state.id])) },
        ]),
      ),
    };
    const traits = traitsOf(compileGuide(guide), 0);
    const own = Object.fromEntries(
      Object.entries(traits).map(([id, value]) => [`own-${id}`, typeof value === 'string' ? `x-${value}` : value]),
    );
    expect(drawings(renamed, own)).toEqual(drawings(guide, traits));
  });

  it('is drawn whatever it is told: any word, any number', () => {
    const said = fc.oneof(fc.string(), fc.double(), fc.constantFrom(0, -1, 1e-12, 1e9, Number.NaN, Number.POSITIVE_INFINITY));
    const traits = fc.record(Object.fromEntries(guide.characters.map(({ id }) => [id, said])));
    fc.assert(
      fc.property(traits, (any) => {
        expect(drawings(guide, any).filter((plate) => !isSound(plate))).toEqual([]);
      }),
      { numRuns: 8 },
    );
  });
});

describe('a guide of another format', () => {
  const json = () => JSON.parse(JSON.stringify(ledgeCrabs)) as Record<string, unknown>;

  it('that is older is read', () => {
    expect(readGuide({ ...json(), formatVersion: 1 })).toMatchObject({ ok: true, value: { formatVersion: 1 } });
  });

  it('that is newer is refused by its format, with what is not known of it by name', () => {
    const outcome = readGuide({ ...json(), formatVersion: 3, weather: {}, settings: { ...ledgeCrabs.settings, moon: 1 } });
    expect(outcome).toMatchObject({ ok: false });
    const problems = outcome.ok ? [] : outcome.problems.map(({ code, field }) => [code, field]);
    expect(problems[0]).toEqual(['newer-format', 'formatVersion']);
    expect(problems).toEqual(
      expect.arrayContaining([
        ['unknown-field', 'weather'],
        ['unknown-field', 'settings.moon'],
      ]),
    );
  });

  it('may say what drives its plates from format 2 on', () => {
    const plateTraits = { 'ground-colour': { character: 'ground-colour', words: { ochre: 'rust' } } };
    expect(readGuide({ ...json(), formatVersion: 1, plateTraits })).toMatchObject({
      ok: false,
      problems: [{ code: 'newer-field', field: 'plateTraits' }],
    });
    expect(readGuide({ ...json(), formatVersion: 2, plateTraits })).toMatchObject({ ok: true });
  });

  it('is told of traits that there are not and characters that it has not', () => {
    const plateTraits = {
      wings: { character: 'abdomen' },
      abdomen: { character: 'belly' },
      eggs: { character: 'carapace-width' },
    };
    expect(foreignTo({ ...ledgeCrabs, plateTraits }).map(({ code, field }) => [code, field])).toEqual(
      expect.arrayContaining([
        ['unknown-trait', 'plateTraits.wings'],
        ['unknown-character', 'plateTraits.abdomen.character'],
        ['not-a-state', 'characters.carapace-width'],
      ]),
    );
  });
});
