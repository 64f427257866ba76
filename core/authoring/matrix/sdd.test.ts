import { demoGuides } from '../../../demo';
import { applyEdits, cellKey, editsOf, emptyDraft, matrixChanges, matrixOf, readSddMatrix, workingOf, writeSddMatrix } from '..';
import type { Matrix } from '.';

const read = (text: string): Matrix => {
  const outcome = readSddMatrix(text);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
};
/** What a matrix scores, by taxon and character. */
const scored = (matrix: Matrix) => {
  const working = workingOf(emptyDraft('new', 'New'));
  const changes = matrixChanges(matrix, working.draft, 'own');
  expect(changes.problems).toEqual([]);
  expect(applyEdits(working, editsOf(changes)).ok).toBe(true);
  return working;
};

it.each(demoGuides.map((guide) => [guide.id, guide] as const))('%s comes back as it went out', (_, guide) => {
  for (const { id } of guide.sources) {
    const matrix = matrixOf(guide, id);
    const { text, lost } = writeSddMatrix(guide.title, matrix);
    const back = read(text);
    expect(back.taxa).toEqual(matrix.taxa);
    expect(back.characters.map(({ label, unit }) => [label, unit])).toEqual(
      matrix.characters.map(({ label, unit }) => [label, unit]),
    );
    const [then, now] = [scored(matrix), scored(back)];
    if (lost.length === 0) expect(now.scores.size).toBe(then.scores.size);
    for (const [key, score] of now.scores) expect(score.value).toEqual(then.scores.get(key)?.value);
  }
});

const document = (inside: string) => `<?xml version="1.0"?>
<Datasets xmlns="http://rs.tdwg.org/UBIF/2006/"><TechnicalMetadata><Generator name="Another" version="3"/></TechnicalMetadata>
<Dataset xml:lang="en"><Representation><Label>Veldas</Label></Representation>
<TaxonNames><TaxonName id="t1"><Representation><Label>Velda alba</Label></Representation></TaxonName></TaxonNames>
<DescriptiveConcepts><DescriptiveConcept id="x"><Modifiers>
<Modifier id="m1"><Representation><Label>seldom</Label></Representation><ProportionRange lowerestimate="0" upperestimate="0.2"/></Modifier>
<Modifier id="m2"><Representation><Label>of old</Label></Representation></Modifier></Modifiers></DescriptiveConcept></DescriptiveConcepts>
<Characters><CategoricalCharacter id="c1"><Representation><Label>Legs</Label></Representation><States>
<StateDefinition id="s1"><Representation><Label>red</Label></Representation></StateDefinition>
<StateDefinition id="s2"><Representation><Label>black</Label></Representation></StateDefinition></States></CategoricalCharacter>
<QuantitativeCharacter id="c2"><Representation><Label>Body</Label></Representation><MeasurementUnit><Label role="Abbrev">mm</Label></MeasurementUnit></QuantitativeCharacter>
</Characters><CodedDescriptions><CodedDescription id="d1"><Scope><TaxonName ref="t1"/></Scope><SummaryData>${inside}</SummaryData></CodedDescription></CodedDescriptions></Dataset></Datasets>`;

it('a document by another hand is read, with how often, its measures, and what does not apply', () => {
  const inside = `<Categorical ref="c1"><State ref="s1"/><State ref="s2"><Modifier ref="m1"/><Modifier ref="m2"/></State></Categorical>
    <Quantitative ref="c2"><Measure type="Min" value="5"/><Measure type="Max" value="9"/></Quantitative>`;
  expect(read(document(inside))).toEqual({
    taxa: ['Velda alba'],
    characters: [
      { label: 'Legs', states: ['red', 'black'] },
      { label: 'Body', unit: 'mm' },
    ],
    cells: [['red; black 10%', '5–9']],
  });
  const cell = (xml: string) => read(document(xml)).cells[0];
  expect(cell('<Categorical ref="c1"><Status code="NotApplicable"/></Categorical>')).toEqual(['-', '?']);
  expect(cell('<Categorical ref="c1"><Status code="DataUnavailable"/></Categorical>')).toEqual(['?', '?']);
  expect(cell('<Quantitative ref="c2"><Measure type="Mean" value="7"/><Measure type="SD" value="1"/></Quantitative>')).toEqual([
    '?',
    '7 ±1',
  ]);
  expect(cell('<Quantitative ref="c2"><Measure type="Min" value="7"/><Measure type="Max" value="7"/></Quantitative>')).toEqual([
    '?',
    '7',
  ]);
});

it.each([
  ['<Datasets>', 'xml-broken'],
  ['<!DOCTYPE x [<!ENTITY a "b">]><Datasets/>', 'xml-doctype'],
  ['<Datasets><Dataset/></Datasets>', 'no-matrix'],
  [document('<Categorical ref="c9"><State ref="s1"/></Categorical>'), 'unknown-character'],
  [document('<Categorical ref="c1"><State ref="s9"/></Categorical>'), 'unknown-state'],
])('%.40s is refused as %s', (text, code) => {
  expect(readSddMatrix(text)).toMatchObject({ ok: false, problems: [{ code }] });
});

it('names that XML has other uses for stand as they are', () => {
  const matrix: Matrix = {
    taxa: ['A <b> & "c"', 'D'],
    characters: [
      { label: 'Legs > arms', states: ['red & white', '<none>'] },
      { label: 'Body', unit: 'µm' },
    ],
    cells: [
      ['red & white', '(2–)3–5(–8)'],
      ['-', '12 ±1.5 (n 14)'],
    ],
  };
  expect(read(writeSddMatrix('x', matrix).text)).toEqual(matrix);
  expect(scored(matrix).scores.has(cellKey({ character: 'Body', source: 'own', scope: { taxon: 'D' } }))).toBe(true);
});

it('what cannot be held is told', () => {
  const matrix: Matrix = { taxa: ['A'], characters: [{ label: 'Body', unit: 'mm' }], cells: [['applies usually']] };
  expect(writeSddMatrix('x', matrix).lost).toEqual([
    'How often a character applies, and what lies above or below another, is left out.',
  ]);
});
