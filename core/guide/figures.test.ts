import { ledgeCrabs } from '../../demo';
import { applyEdits, draftOf, guideChanges, workingOf } from '../authoring';
import { checkGuide, type Figure, figuresOf, formsOf, Guide, type Guide as GuideOf, LICENCES, sayLicence } from '.';

const PHOTO = 'a'.repeat(64);
const figure = (more: Partial<Figure> = {}): Figure => ({
  ...{
    id: 'one',
    photo: PHOTO,
    width: 400,
    height: 300,
    taxon: 'murica',
    view: 'dorsal',
    credit: 'O. Mereth',
    licence: 'CC-BY-4.0',
  },
  ...more,
});
const withFigures = (...figures: Figure[]): GuideOf => ({ ...ledgeCrabs, figures });
const codesOf = (guide: GuideOf) => checkGuide(guide).map(({ field, code }) => [field, code]);
const forms = formsOf(ledgeCrabs);
const of = (taxon: string) => forms.find((form) => form.taxon === taxon)!;

describe('a photograph in a guide', () => {
  it.each(['credit', 'licence', 'photo', 'view', 'taxon', 'width'] as const)(
    'is refused without its %s, by the name of the field',
    (field) => {
      const rest = Object.fromEntries(Object.entries(figure()).filter(([name]) => name !== field));
      const read = Guide.safeParse({ ...ledgeCrabs, figures: [rest] });
      expect(read.error?.issues.map(({ path }) => path.join('.'))).toEqual([`figures.0.${field}`]);
    },
  );

  it('is refused with a licence nobody knows, an empty credit, or what is no hash', () => {
    for (const wrong of [
      { licence: 'free' },
      { credit: '' },
      { photo: 'A'.repeat(64) },
      { photo: '../etc' },
      { pins: [{ character: 'eggs', x: 1.2, y: 0 }] },
    ])
      expect(Guide.safeParse({ ...ledgeCrabs, figures: [{ ...figure(), ...wrong }] }).success).toBe(false);
    expect(Guide.safeParse(withFigures(figure())).success).toBe(true);
  });

  it('shows what the guide has, and so does a tile that is cut out of it', () => {
    expect(codesOf(withFigures(figure()))).toEqual([]);
    expect(
      codesOf(
        withFigures(
          figure(),
          figure({ taxon: 'nobody', view: 'behind', facets: { sex: ['both'] }, pins: [{ character: 'beard', x: 0, y: 1 }] }),
        ),
      ),
    ).toEqual([
      ['figures[1].id', 'id-twice'],
      ['figures[1].taxon', 'unknown-taxon'],
      ['figures[1].view', 'unknown-view'],
      ['figures[1].facets.sex', 'unknown-facet'],
      ['figures[1].pins[0].character', 'unknown-character'],
    ]);
    const cut = (which: string, x: number): GuideOf => ({
      ...withFigures(figure()),
      characters: ledgeCrabs.characters.map((character) =>
        character.id === 'granules'
          ? {
              ...character,
              states: character.states!.map((state, i) =>
                i ? state : { ...state, tile: { draw: 'photo', figure: which, box: { x, y: 0, width: 0.5, height: 0.5 } } },
              ),
            }
          : character,
      ),
    });
    const at = ledgeCrabs.characters.findIndex(({ id }) => id === 'granules');
    expect(codesOf(cut('one', 0.5))).toEqual([]);
    expect(codesOf(cut('other', 0.5))).toEqual([[`characters[${at}].states[0].tile.figure`, 'unknown-figure']]);
    expect(codesOf(cut('one', 0.6))).toEqual([[`characters[${at}].states[0].tile.box`, 'outside']]);
  });

  it('stands with the forms it shows: of its taxon and what is under it, its own kind first, then by view', () => {
    const guide = withFigures(
      figure({ id: 'genus', taxon: 'petralda' }),
      figure({ id: 'below', view: 'ventral' }),
      figure({ id: 'above' }),
      figure({ id: 'male', facets: { sex: ['male'] } }),
      figure({ id: 'other', taxon: 'cinerata' }),
    );
    const ids = (form: (typeof forms)[number]) => figuresOf(guide, form).map(({ id }) => id);
    const male = forms.find(({ taxon, facets }) => taxon === 'murica' && facets.sex === 'male')!;
    const female = forms.find(({ taxon, facets }) => taxon === 'murica' && facets.sex === 'female')!;
    expect(ids(male)).toEqual(['male', 'above', 'below', 'genus']);
    expect(ids(female)).toEqual(['above', 'below', 'genus']);
    expect(ids(of('velloma-ostrena'))).toEqual(['genus']);
    expect(figuresOf(ledgeCrabs, male)).toEqual([]);
  });

  it('goes from a draft with its taxon, loses its pin with a character, and comes back by undo', () => {
    const working = workingOf(
      withFigures(figure({ pins: [{ character: 'eggs', x: 0.1, y: 0.2 }] }), figure({ id: 'two', taxon: 'cinerata' })),
    );
    const before = draftOf(working);
    const undo = applyEdits(working, [
      { do: 'dropCharacter', id: 'eggs' },
      { do: 'dropTaxon', id: 'cinerata' },
    ]);
    expect(working.draft.figures).toEqual([figure({ pins: [] })]);
    if (!undo.ok) throw new Error('not undone');
    expect(applyEdits(working, undo.value).ok).toBe(true);
    expect(working.draft.figures).toEqual(before.figures);
    expect(guideChanges(ledgeCrabs, before).parts).toEqual([
      { title: 'Photographs', lines: expect.arrayContaining([expect.stringContaining('a photograph by O. Mereth')]) },
    ]);
  });

  it('its terms are said as people say them', () => {
    expect(LICENCES.map(sayLicence)).toEqual([
      ...['all rights kept', 'by permission', 'public domain', 'CC0 1.0', 'CC BY 4.0', 'CC BY-SA 4.0', 'CC BY-ND 4.0'],
      ...['CC BY-NC 4.0', 'CC BY-NC-SA 4.0', 'CC BY-NC-ND 4.0'],
    ]);
  });
});
