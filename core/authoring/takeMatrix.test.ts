import { ledgeCrabs, strandBeetles } from '../../demo';
import type { Guide } from '../guide/schema';
import { madeOn, wholeDraft } from '../test/drafts';
import {
  applyEdit,
  draftOf,
  type Edit,
  editsOf,
  emptyDraft,
  matrixChanges,
  matrixOf,
  readMatrix,
  takeMatrix,
  type Working,
  workingOf,
  writeCsv,
  writeLongCsv,
  writeNexus,
  writeSddMatrix,
} from '.';

/** The same, one change after the other, as a person makes them. */
function byHand(working: Working, source: string, text: string): void {
  const read = readMatrix(text);
  if (!read.ok) throw new Error(read.problems[0].message);
  madeOn(working, ...editsOf(matrixChanges(read.value, working.draft, source)));
}
/** At once; what takes it back. */
function taken(working: Working, source: string, text: string): Edit[] {
  const outcome = takeMatrix(working, { do: 'matrix', source, text });
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  expect(outcome.value.problems).toEqual([]);
  return outcome.value.back;
}

const own = (guide: Guide) => guide.sources[0].id;
const forms = (guide: Guide): [string, string][] => {
  const matrix = matrixOf(guide, own(guide));
  return [
    ['a table', writeCsv(matrix)],
    ['a line for each cell', writeLongCsv(matrix)],
    ['NEXUS', writeNexus(matrix).text],
    ['SDD', writeSddMatrix(guide.title, matrix).text],
  ];
};

describe('a matrix imported', () => {
  describe.each([ledgeCrabs, strandBeetles].map((guide) => [guide.id, guide] as const))('of %s', (_, guide) => {
    it.each(forms(guide))('as %s, into nothing, is what it is made by hand, and is taken back whole', (_form, text) => {
      const [working, naive] = [workingOf(emptyDraft('new', 'New')), workingOf(emptyDraft('new', 'New'))];
      const then = wholeDraft(working);
      const back = taken(working, 'own', text);
      byHand(naive, 'own', text);
      expect(working.scores.size).toBeGreaterThan(50);
      expect(wholeDraft(working)).toBe(wholeDraft(naive));
      // What was not there goes by its name alone, however much is scored of it.
      expect(back.map((edit) => edit.do)).toEqual(['drop']);
      madeOn(working, ...back);
      expect(wholeDraft(working)).toBe(then);
    });

    it('into itself, of another season’s table, is what it is made by hand, and is taken back whole', () => {
      const source = own(guide);
      const [a, b] = guide.taxa.filter((taxon) => taxon.forms);
      const marks = guide.characters.filter(({ kind }) => kind === 'nominal').slice(0, 2);
      const text = `taxon,${marks[0].label},${marks[1].label},Smell
${a.name},of a new kind,usually of a new kind,none
${b.name},"${marks[0].states![0].label}",?,of mint
Petralda nova,of a new kind,,none`;
      const [working, naive] = [workingOf(guide), workingOf(guide)];
      const back = taken(working, source, text);
      byHand(naive, source, text);
      expect(wholeDraft(working)).toBe(wholeDraft(naive));
      expect(working.draft.taxa).toHaveLength(guide.taxa.length + 1);
      madeOn(working, ...back);
      expect(wholeDraft(working)).toBe(wholeDraft(workingOf(guide)));
    });
  });

  it('that would make a guide larger than one may be is refused', () => {
    const working = workingOf(emptyDraft('new', 'New'));
    const marks = (from: number) => ['taxon', ...Array.from({ length: 1500 }, (_, i) => `Mark ${from + i}`)].join(',');
    taken(working, 'own', `${marks(0)}\nVelda,red`);
    const text = `${marks(1000)}\nVelda,red`;
    expect(takeMatrix(working, { do: 'matrix', source: 'own', text })).toMatchObject({
      ...{ ok: false, problems: [{ code: 'too-large', message: expect.stringContaining('2500 characters') }] },
    });
    expect(working.draft.characters).toHaveLength(1500);
  });

  it.each([
    ['nobody', 'taxon,Head\nVelda,round', 'no-source'],
    ['own', 'taxon,Head,Head\nVelda,round,x', 'character-twice'],
    ['own', '#NEXUS', 'no-matrix'],
  ])('by %s, %j, is refused, and changes nothing', (source, text, code) => {
    const working = workingOf(emptyDraft('new', 'New'));
    const then = wholeDraft(working);
    expect(takeMatrix(working, { do: 'matrix', source, text })).toMatchObject({ ok: false, problems: [{ code }] });
    expect(wholeDraft(working)).toBe(then);
  });
});

describe('many taken out at once', () => {
  it('take along what is scored of them and where they are, and come back as they stood', () => {
    const working = workingOf(strandBeetles);
    const then = wholeDraft(working);
    // A genus with all that stands under it, listed before or behind it.
    const parents = new Map(strandBeetles.taxa.map(({ id, parent }) => [id, parent]));
    const genus = strandBeetles.taxa.find(({ id }) => strandBeetles.taxa.some(({ parent }) => parent === id))!.id;
    const under = (id: string): boolean => id === genus || (parents.get(id) !== undefined && under(parents.get(id)!));
    const taxa = strandBeetles.taxa.filter(({ id }) => under(id)).map(({ id }) => id);
    const characters = strandBeetles.characters.slice(1, 3).map(({ id }) => id);
    const back = madeOn(working, { do: 'drop', taxa, characters });
    const left = draftOf(working);
    expect(taxa.length).toBeGreaterThan(1);
    expect(left.taxa.some(({ id }) => under(id))).toBe(false);
    expect(left.scores.some(({ character, scope }) => characters.includes(character) || taxa.includes(scope.taxon ?? ''))).toBe(
      false,
    );
    expect(left.occurrence.some(({ taxon }) => taxa.includes(taxon))).toBe(false);
    madeOn(working, ...back);
    expect(wholeDraft(working)).toBe(then);
  });

  it('come back under one that is listed behind them', () => {
    const working = workingOf(emptyDraft('new', 'New'));
    const taxon = (id: string, parent?: string): Edit => ({
      do: 'taxon',
      taxon: { id, name: id, rank: 'species', abundance: 1, ...(parent ? { parent } : {}) },
    });
    madeOn(working, taxon('alba'), taxon('Velda'), taxon('alba', 'Velda'));
    const then = wholeDraft(working);
    madeOn(working, ...madeOn(working, { do: 'drop', taxa: ['alba', 'Velda'], characters: [] }));
    expect(wholeDraft(working)).toBe(then);
  });

  it.each([
    [{ taxa: ['nobody'], characters: [] }, 'no-taxon'],
    [{ taxa: [], characters: ['nothing'] }, 'no-character'],
    [{ taxa: [strandBeetles.taxa.find(({ parent }) => parent)!.parent!], characters: [] }, 'taxon-under'],
  ])('%j is refused as %s', (what, code) => {
    const working = workingOf(strandBeetles);
    expect(applyEdit(working, { do: 'drop', ...what })).toMatchObject({ ok: false, problems: [{ code }] });
    expect(wholeDraft(working)).toBe(wholeDraft(workingOf(strandBeetles)));
  });
});
