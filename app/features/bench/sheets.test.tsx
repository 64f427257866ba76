import type { Reading } from '@plesion/core/observation';
import { standingOf } from '@plesion/core/evidence';
import { compileGuide } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, render, screen, within } from '@testing-library/react-native';
import { Beam } from './Beam';
import { CharacterEditor } from './CharacterEditor';
import { CharacterList } from './CharacterList';
import { LeaderPlates } from './LeaderPlates';
import { LeadersSheet } from './LeadersSheet';
import { LedgerSheet } from './LedgerSheet';
import { leadingForm } from '../analysis/leadingForm';
import { MeasureGuide } from '../reading/MeasureGuide';
import { NextLookSheet } from './NextLookSheet';
import { RangeStrips } from '../reading/RangeStrips';

jest.mock('expo-router', () => ({ Link: ({ children }: { children: unknown }) => children }));

const compiled = compileGuide(ledgeCrabs);
const character = (id: string) => ledgeCrabs.characters.find((c) => c.id === id)!;
const readings: Reading[] = [
  { id: '1', character: 'front-edge', states: ['three-teeth'] },
  { id: '2', character: 'side-teeth', value: 5 },
  { id: '3', character: 'granules', status: 'not-visible', reason: 'covered' },
];
const answer = standingOf(compiled, {}, readings);

describe('the ledger', () => {
  const show = (given = readings, at = answer) => {
    const acts = { onOpen: jest.fn(), onUndo: jest.fn(), onClearAll: jest.fn() };
    render(<LedgerSheet guide={ledgeCrabs} readings={given} answer={at} canUndo {...acts} />);
    return acts;
  };

  it('lists every reading with its bits and the side they are for', () => {
    show();
    expect(screen.getByLabelText(/^Front edge between the eyes: three teeth, [\d.]+ bits for Petralda murica$/)).toBeTruthy();
    expect(screen.getByLabelText(/^Side teeth, one side: 5, [\d.]+ bits for Petralda cinerata$/)).toBeTruthy();
    expect(screen.getByLabelText('Grains on the back: not visible: covered')).toHaveTextContent(/no evidence/);
    expect(screen.getByText('3 read, 2 independent')).toBeTruthy();
  });

  it('tells for from against by side and sign, not by colour alone', () => {
    show();
    expect(screen.getByText(/^◂ [\d.]+$/)).toBeTruthy();
    expect(screen.getByText(/^[\d.]+ ▸$/)).toBeTruthy();
  });

  it('says when a reading counts for less and when it carries the name alone', () => {
    const twice: Reading[] = [readings[0], { ...readings[0], id: '9' }];
    show(twice, standingOf(compiled, {}, twice));
    expect(screen.getAllByText('counts 59 %: not independent of its neighbours')).toHaveLength(2);
    const one = readings.slice(0, 1);
    screen.unmount();
    show(one, standingOf(compiled, {}, one));
    expect(screen.getByText(/^without it: /)).toBeTruthy();
  });

  it('opens, undoes and clears', () => {
    const acts = show();
    fireEvent.press(screen.getByLabelText(/^Side teeth/));
    expect(acts.onOpen).toHaveBeenCalledWith('side-teeth');
    fireEvent.press(screen.getByLabelText('Undo'));
    fireEvent.press(screen.getByLabelText('Clear all'));
    expect([acts.onUndo, acts.onClearAll].map((act) => act.mock.calls.length)).toEqual([1, 1]);
  });

  it('with nothing read says how to begin', () => {
    show([], standingOf(compiled, {}, []));
    expect(screen.getByText(/^Nothing read yet/)).toBeTruthy();
  });
});

describe('the beam', () => {
  it('is read out as a whole and weight by weight, and opens the reading of a weight', () => {
    const onOpen = jest.fn();
    const { left, right } = answer.beam;
    render(<Beam guide={ledgeCrabs} answer={answer} say={(i) => `reading ${i}`} onOpen={onOpen} />);
    expect(
      screen.getByLabelText(
        new RegExp(`^Beam between ${left.label}, \\d+ in 100, and ${right.label}, \\d+ in 100: [\\d.]+ bits for ${left.label}$`),
      ),
    ).toBeTruthy();
    expect(screen.getByLabelText(/^Place, date and numbers: [\d.]+ bits for Petralda /)).toBeDisabled();
    fireEvent.press(screen.getByLabelText(/^reading 1: /));
    expect(onOpen).toHaveBeenCalledWith(1);
    expect(screen.queryByLabelText(/^reading 2: /)).toBeNull();
  });

  it('stands between the values of a facet when asked', () => {
    const bySex = standingOf(compiled, {}, [{ character: 'abdomen', states: ['narrow'] }], { kind: 'facet', facet: 'sex' });
    render(<Beam guide={ledgeCrabs} answer={bySex} say={String} onOpen={jest.fn()} />);
    expect(screen.getByText('male')).toBeTruthy();
    expect(screen.getByText('female')).toBeTruthy();
  });
});

describe('how it stands', () => {
  it('shows the level in question and the facets, and asks for another level', () => {
    const onLevel = jest.fn();
    render(<LeadersSheet guide={ledgeCrabs} answer={answer} onLevel={onLevel} />);
    expect(screen.getByLabelText(/^Petralda murica, \d+ in 100$/)).toBeTruthy();
    expect(screen.queryByLabelText(/velloma ostrena/)).toBeNull();
    fireEvent.press(screen.getByLabelText('subspecies'));
    expect(onLevel).toHaveBeenLastCalledWith({ kind: 'rank', rank: 'subspecies' });
    fireEvent.press(screen.getByLabelText('sex'));
    expect(onLevel).toHaveBeenLastCalledWith({ kind: 'facet', facet: 'sex' });
  });

  it('lets species without subspecies stand beside the subspecies of others', () => {
    const level = { kind: 'rank', rank: 'subspecies' } as const;
    render(
      <LeadersSheet guide={ledgeCrabs} answer={standingOf(compiled, {}, readings, level)} level={level} onLevel={jest.fn()} />,
    );
    for (const name of ['Petralda murica', 'Petralda cinerata', 'Petralda velloma velloma', 'Petralda velloma ostrena']) {
      expect(screen.getByLabelText(new RegExp(`^${name}, `))).toBeTruthy();
    }
    expect(screen.queryByLabelText(/^Petralda velloma, /)).toBeNull();
  });

  it('says when only the map leads', () => {
    const mapLed = standingOf(compiled, {}, [{ character: 'front-edge', states: ['one-arch'] }]);
    render(
      <LeadersSheet
        guide={ledgeCrabs}
        answer={{ ...mapLed, mapOnly: { without: 'velloma', label: 'Petralda velloma' } }}
        onLevel={jest.fn()}
      />,
    );
    expect(screen.getByText(/by the characters alone it would be Petralda velloma/)).toBeTruthy();
  });
});

describe('the next look', () => {
  it('is offered with its worth and cost, with others beside it', () => {
    const onChoose = jest.fn();
    render(<NextLookSheet guide={ledgeCrabs} answer={answer} onChoose={onChoose} />);
    const [first, second] = answer.nextLooks;
    expect(screen.getByText(`Look next: ${character(first.character).label.toLowerCase()}`)).toBeTruthy();
    expect(screen.getByText(/Worth [\d.]+ bits on average, about \d+ s/)).toBeTruthy();
    fireEvent.press(screen.getByText(character(second.character).label));
    expect(onChoose).toHaveBeenCalledWith(second.character);
  });

  it('names what would help but cannot be read now, with the reason', () => {
    const few = standingOf(compiled, { handling: 'look', views: ['dorsal', 'alive'] }, []);
    render(<NextLookSheet guide={ledgeCrabs} answer={few} onChoose={jest.fn()} />);
    expect(
      screen.getAllByText(/would help, but needs (a view you do not have|more handling than is allowed)\.$/).length,
    ).toBeGreaterThan(0);
  });

  it('says so when nothing would change much', () => {
    render(<NextLookSheet guide={ledgeCrabs} answer={{ ...answer, nextLooks: [] }} onChoose={jest.fn()} />);
    expect(screen.getByText('Nothing left to look at')).toBeTruthy();
  });
});

describe('all characters', () => {
  it('stand in working order with what was read of them', () => {
    const onChoose = jest.fn();
    render(<CharacterList guide={ledgeCrabs} readings={readings} chosen="side-teeth" onChoose={onChoose} />);
    const first = within(screen.getByLabelText('First: age, sex, season'));
    expect(first.getByRole('button', { name: /Abdomen under the body/ })).toBeTruthy();
    expect(screen.getByText('three teeth')).toBeTruthy();
    const shape = within(screen.getByLabelText('Shape and proportion'));
    fireEvent.press(shape.getByText('Front edge between the eyes'));
    expect(onChoose).toHaveBeenCalledWith('front-edge');
  });
});

describe('one character', () => {
  const edit = (id: string, reading?: Reading) => {
    const acts = { onPut: jest.fn(), onClear: jest.fn(), onLookAgain: jest.fn() };
    render(<CharacterEditor guide={ledgeCrabs} character={character(id)} answer={answer} reading={reading} {...acts} />);
    return acts;
  };

  it('is read by a tile under an id of its own', () => {
    const { onPut } = edit('front-edge');
    fireEvent.press(screen.getByLabelText('two lobes'));
    expect(onPut).toHaveBeenCalledWith({ id: expect.any(String), character: 'front-edge', states: ['two-lobes'] });
  });

  it('keeps its certainty when the state is changed', () => {
    const { onPut } = edit('front-edge', { id: '7', character: 'front-edge', states: ['one-arch'], certainty: 'guess' });
    fireEvent.press(screen.getByLabelText('two lobes'));
    expect(onPut).toHaveBeenLastCalledWith({ id: '7', character: 'front-edge', certainty: 'guess', states: ['two-lobes'] });
    fireEvent.press(screen.getByLabelText('likely'));
    expect(onPut).toHaveBeenLastCalledWith({ id: '7', character: 'front-edge', states: ['one-arch'], certainty: 'likely' });
  });

  it('that is not visible asks why', () => {
    const { onPut } = edit('front-edge', { id: '7', character: 'front-edge', status: 'not-visible' });
    fireEvent.press(screen.getByLabelText('broken off'));
    expect(onPut).toHaveBeenLastCalledWith({ id: '7', character: 'front-edge', status: 'not-visible', reason: 'broken off' });
    fireEvent.changeText(screen.getByLabelText('or in your words'), 'weed');
    expect(onPut).toHaveBeenLastCalledWith({ id: '7', character: 'front-edge', status: 'not-visible', reason: 'weed' });
    expect(screen.queryByText('How certain')).toBeNull();
  });

  it('may not apply, be looked at again, or be cleared', () => {
    const acts = edit('eggs', { id: '7', character: 'eggs', states: ['none'] });
    fireEvent.press(screen.getByLabelText('Does not apply'));
    expect(acts.onPut).toHaveBeenLastCalledWith({ id: '7', character: 'eggs', status: 'does-not-apply' });
    fireEvent.press(screen.getByLabelText(/^Look again/));
    expect(acts.onLookAgain).toHaveBeenCalled();
    fireEvent.press(screen.getByLabelText('Clear Eggs under the abdomen'));
    expect(acts.onClear).toHaveBeenCalledWith('7');
  });

  it('lets the eye keep two states', () => {
    const { onPut } = edit('front-edge', { id: '7', character: 'front-edge', states: ['one-arch'] });
    fireEvent.press(screen.getByLabelText('Cannot choose between two'));
    fireEvent.press(screen.getByLabelText('two lobes'));
    expect(onPut).toHaveBeenLastCalledWith({ id: '7', character: 'front-edge', states: ['one-arch', 'two-lobes'] });
  });

  it('that is measured offers not visible too', () => {
    const { onPut } = edit('width-ratio');
    fireEvent.press(screen.getByLabelText('Not visible'));
    expect(onPut).toHaveBeenCalledWith({ id: expect.any(String), character: 'width-ratio', status: 'not-visible' });
  });
});

describe('drawings of the bench', () => {
  it('strips say what the leading taxa measure', () => {
    render(<RangeStrips guide={ledgeCrabs} character={character('width-ratio')} answer={answer} value={1.2} />);
    expect(screen.getByLabelText(/Petralda murica 1\.10 to 1\.22/)).toBeTruthy();
    expect(screen.getByText('1.10–1.22')).toBeTruthy();
  });

  it('strips are not drawn for what is not measured', () => {
    render(<RangeStrips guide={ledgeCrabs} character={character('front-edge')} answer={answer} />);
    expect(screen.toJSON()).toBeNull();
  });

  it('the measuring plate names its lines', () => {
    render(<MeasureGuide guide={ledgeCrabs} form="murica/adult.male.plain" character={character('width-ratio')} width={300} />);
    expect(screen.getByLabelText('Where to measure: width and length')).toBeTruthy();
  });

  it('the two in front are drawn in the view of the character', () => {
    render(<LeaderPlates guide={ledgeCrabs} answer={answer} view="ventral" />);
    expect(screen.getByText('from below')).toBeTruthy();
    expect(screen.getByLabelText('Petralda murica, usual individual')).toBeTruthy();
    expect(screen.getByLabelText('Petralda cinerata, usual individual')).toBeTruthy();
  });

  it('a side of the beam shows its most probable form', () => {
    expect(leadingForm(ledgeCrabs, answer, 'left')).toMatch(new RegExp(`^${answer.beam.left.group}/`));
    const outside = { ...answer, beam: { ...answer.beam, right: { group: 'outside', label: 'Not in this guide', p: 0.1 } } };
    expect(leadingForm(ledgeCrabs, outside, 'right')).toBeUndefined();
  });
});
