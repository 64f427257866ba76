import { applyEdits, type Draft, draftOf, type Edit, workingOf } from '@plesion/core/authoring';
import { Guide, type HereditySection } from '@plesion/core/guide';
import { demoGuides } from '@plesion/demo';
import { fireEvent, screen } from '@testing-library/react-native';
import { act, useState } from 'react';
import { forgetForms } from '../../lib/keptForm';
import { omit } from '../../lib/omit';
import { choose, press, showScreen, type } from '../../test/showScreen';
import { HeredityPart } from './HeredityPart';

const moths = demoGuides.find(({ id }) => id === 'lantern-moths')!;
const Shape = Guide.shape.heredity.unwrap();
let working: ReturnType<typeof workingOf>;
const now = (): HereditySection => draftOf(working).heredity!;
/** The part over a draft that it changes; every section it makes is one that the wire takes. */
function Over() {
  const [, setTurn] = useState(0);
  const edit = (...edits: Edit[]) => {
    for (const one of edits) if (one.do === 'part' && one.set.heredity) Shape.parse(one.set.heredity);
    const outcome = applyEdits(working, edits);
    setTurn((turn) => turn + 1);
    return outcome.ok;
  };
  return <HeredityPart id="draft" draft={working.draft} edit={edit} />;
}
const open = async (heredity?: HereditySection) => {
  const plain = omit(JSON.parse(JSON.stringify(moths)) as Draft, 'heredity');
  working = workingOf({ ...plain, ...(heredity ? { heredity } : {}) });
  await showScreen(<Over />);
};
const keep = async (label: string, text: string) => {
  await act(async () => fireEvent.changeText(screen.getByLabelText(label), text));
  await act(async () => fireEvent(screen.getByLabelText(label), 'blur'));
};
const gene = async (name: string, other: string, ...choices: [string, string][]) => {
  await type('Name of the gene', name);
  await choose('Seen by', 'Morph');
  await choose('The usual allele shows', 'wild type');
  await choose('The other allele shows', other);
  for (const [label, what] of choices) await choose(label, what);
};
beforeEach(() => forgetForms());

it('a gene that is being put together is there after a reload, and gone once it was added', async () => {
  await open();
  await gene('pale', 'pale morph', ['It lies on', 'the sex chromosome']);
  await type('Of 100 alleles of founders, the other', '18');
  await act(async () => screen.unmount());
  await open();
  expect(screen.getByLabelText('Name of the gene')).toHaveDisplayValue('pale');
  expect(screen.getByLabelText('Of 100 alleles of founders, the other')).toHaveDisplayValue('18');
  await press('Add the gene');
  expect(now().loci).toMatchObject([{ label: 'pale', inheritance: 'sex-linked' }]);
  await act(async () => screen.unmount());
  await open();
  expect(screen.getByLabelText('Name of the gene')).toHaveDisplayValue('');
});

it('what the demo says of its moths is written by a keeper from nothing', async () => {
  await open();
  await press('Add the gene');
  screen.getByText('Give the gene a name, such as pale.');
  await type('Name of the gene', 'pale');
  await press('Add the gene');
  screen.getByText('Say what is seen of each; each is another state.');
  await gene('pale', 'pale morph', ['It lies on', 'the sex chromosome']);
  await type('Of 100 alleles of founders, the other', '0');
  await press('Add the gene');
  screen.getByText('Write how many of 100, more than 0 and fewer than 100.');
  await type('Of 100 alleles of founders, the other', '18');
  await press('Add the gene');
  await gene('smoke', 'smoke morph', ['The other shows', 'with one copy already']);
  await type('Of 100 alleles of founders, the other', '6');
  await press('Add the gene');
  await choose('It holds for', 'Noctilume lampas');
  await choose('Of smoke, these do not hatch', 'S/S');
  for (const [sign, word] of [
    ['+ of pale', 'wild'],
    ['p of pale', 'pale'],
    ['+ of smoke', 'wild'],
    ['S of smoke', 'smoke'],
  ])
    await keep(`What ${sign} is called`, word);
  await keep('Another strain', 'Quell');
  await keep('Another strain', 'North');
  await keep('pale among founders of Quell', '+ 60, p 40');
  await keep('smoke among founders of Quell', '+ 99, S 1');
  await keep('pale among founders of North', '+ 95, p 5');
  await keep('smoke among founders of North', '+ 80, S 20');
  await choose('Keep apart', 'Quell');
  await choose('Keep apart', 'North');
  await press('Keep these two apart');
  screen.getByText('Say why; it is said to whoever would pair them.');
  await type('Why they are kept apart', moths.heredity!.neverMix![0].why);
  await press('Keep these two apart');
  await keep('From laying to hatching', '11');
  await keep('From hatching until it breeds', '41');
  await keep('From one weighing to the next', '90');
  await keep('From hatching until it is told: sex', '38');
  await keep('From hatching until it is told: Morph', '38');
  expect(now()).toEqual(moths.heredity);
  expect(screen.queryByText('It does not hold yet')).toBeNull();
});

describe('a section that is there', () => {
  beforeEach(() => open(Shape.parse(moths.heredity)));
  const rules = () => now().characters[0].rules.map(({ shows }) => shows);

  it('says its rules in words; they are put in order, taken out, and more put in before the last', async () => {
    screen.getByText('1. pale only p: pale morph');
    screen.getByText('2. smoke has S: smoke morph');
    screen.getByText('3. all that are left: wild type');
    await press('Earlier: smoke has S: smoke morph');
    expect(rules()).toEqual(['smoke', 'pale', 'wild']);
    await press('Remove the rule: smoke has S: smoke morph');
    expect(rules()).toEqual(['pale', 'wild']);
    await press('Another rule: Morph');
    await press('Add the rule');
    screen.getByText('Say what shows.');
    await choose('Where smoke', '+/S');
    await choose('Of', 'males');
    await choose('What shows', 'smoke morph');
    await type('In how many of 100', '80');
    await press('Add the rule');
    screen.getByText('Say what the others show.');
    await choose('The others show', 'wild type');
    await press('Add the rule');
    expect(now().characters[0].rules[1]).toEqual({
      where: { smoke: { is: '+/S' } },
      sex: 'male',
      shows: { smoke: 0.8, wild: 0.2 },
    });
    screen.getByText('2. male, smoke +/S: smoke morph 80 in 100, wild type 20 in 100');
  });

  it('has what does not hold said, and what is no number refused at its field', async () => {
    await press('Remove the rule: all that are left: wild type');
    screen.getByText('It does not hold yet');
    screen.getByText(/end with a rule for all that are left/);
    await keep('Of 100 alleles of founders, S', 'many');
    screen.getByText('Write a number from 0 to 100.');
    await keep('From laying to hatching', '1.5');
    screen.getByText('Write whole days, from 1 to 3650.');
    await keep('smoke among founders of Quell', '+ 50, S 1');
    screen.getByText(/They come to 51, not to 100/);
    expect([now().incubation, now().strains![0].founders!.smoke.S]).toEqual([11, 0.01]);
  });

  it('has alleles added, made common and taken out', async () => {
    await keep('Another allele of smoke', 'a b');
    screen.getByText('Use no space and no “/”.');
    await keep('Another allele of smoke', 'S');
    screen.getByText('There is an allele “S” already.');
    await keep('Another allele of smoke', 'T');
    const alleles = () => now().loci[1].alleles.map(({ id, frequency }) => [id, +frequency.toFixed(4)]);
    expect(alleles()).toEqual([
      ['+', 0.94],
      ['S', 0.06],
      ['T', 0],
    ]);
    await press('Remove the allele: T of smoke');
    expect(alleles()).toEqual([
      ['+', 0.94],
      ['S', 0.06],
    ]);
  });

  it('has genes beside one another, taken out one by one, and goes with the last', async () => {
    await choose('smoke lies on', 'the sex chromosome');
    await choose('smoke lies beside', 'pale');
    await keep('Of 100 young of a male, recombined', '12');
    expect(now().loci[1].after).toEqual({ locus: 'pale', recombination: { male: 0.12, female: 0.5 } });
    await press('Remove the gene: pale');
    expect(now().loci).toHaveLength(1);
    await press('Remove the gene: smoke');
    expect(now()).toBeUndefined();
  });

  it('has a strain taken out with what keeps it apart, and another not twice', async () => {
    await keep('Another strain', 'Quell');
    screen.getByText('There is a strain “Quell” already.');
    await press('Remove the strain Quell');
    expect(now().strains!.map(({ id }) => id)).toEqual(['North']);
    expect(now()).not.toHaveProperty('neverMix');
  });
});

it('of a guide in which nothing could be seen of it, says what to write first', async () => {
  working = workingOf({
    ...omit(JSON.parse(JSON.stringify(moths)) as Draft, 'heredity'),
    facets: {},
    characters: [],
    scores: [],
  });
  await showScreen(<Over />);
  screen.getByText(/Nothing can be seen yet/);
  expect(screen.queryByText('A first gene')).toBeNull();
});
