import { compareForms } from '@plesion/core/compare';
import { compileGuide } from '@plesion/core/guide';
import { ledgeCrabs, tentCones } from '@plesion/demo';
import { fireEvent, render, screen } from '@testing-library/react-native';
import { ComparedCharacterRow } from './ComparedCharacterRow';
import { ComparedCharacters } from './ComparedCharacters';
import { ComparedPlates } from './ComparedPlates';
import { CompareScreen } from './CompareScreen';
import { FormPick, sayForm } from './FormPick';
import { Lookalikes, OwnSeries } from './Lookalikes';
import { SendPage } from './SendPage';

const mockPush = jest.fn();
const mockSetParams = jest.fn();
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: object }) => children,
  useRouter: () => ({ push: mockPush, setParams: mockSetParams }),
}));
jest.mock('../records/useGuide', () => ({
  useGuide: () => ({ data: { guide: jest.requireActual('@plesion/demo').tentCones } }),
}));
jest.mock('../records/useDraft', () => ({ useDraft: () => ({ state: { content: { situation: { views: ['back'] } } } }) }));

const compiled = compileGuide(tentCones);
const pair = ['vexillax/adult', 'lenior/adult'];
const comparison = compareForms(compiled, pair);
const names = ['T. vexillax', 'T. lenior'];
const character = (id: string) => comparison.characters.find(({ character }) => character === id)!;

describe('a compared character', () => {
  it('of states shows how often each form has them, in numbers too', () => {
    render(<ComparedCharacterRow character={character('tent-size')} names={names} />);
    expect(screen.getByText('helps little · 30 in 100 alike')).toBeTruthy();
    expect(screen.getByLabelText(/: 85 in 100 of T\. vexillax, \d+ of T\. lenior$/)).toBeTruthy();
  });

  it('of states says of which form it is not known which it has', () => {
    const own = character('tent-size');
    const forms = own.forms.map((form, i) => (i === 1 && form?.kind === 'states' ? { ...form, uncertain: true } : form));
    render(<ComparedCharacterRow character={{ ...own, forms }} names={names} />);
    expect(screen.getByText('Of T. lenior it is not known which of them.')).toBeTruthy();
  });

  it('of values draws a curve a form and says its range, inferred ones as such', () => {
    render(<ComparedCharacterRow character={character('aperture-ratio')} names={names} />);
    expect(screen.getByText(/^T\. vexillax: [\d.]+–[\d.]+ \(inferred\)$/)).toBeTruthy();
    expect(screen.getByText(/^T\. lenior: 0\.12–0\.16$/)).toBeTruthy();
    expect(screen.getByText('in hand only')).toBeTruthy();
  });

  it('that is a trap says so', () => {
    render(<ComparedCharacterRow character={character('base-stain')} names={names} />);
    expect(screen.getByText('trap: famous, and alike here')).toBeTruthy();
    expect(screen.getByText(/^does not separate · \d+ in 100 alike$/)).toBeTruthy();
  });

  it('that cannot be seen now says why', () => {
    const hidden = compareForms(compiled, pair, { views: ['back'] }).characters.find(
      ({ character }) => character === 'aperture-ratio',
    )!;
    render(<ComparedCharacterRow character={hidden} names={names} />);
    expect(screen.getByText('needs a view from the opening')).toBeTruthy();
  });
});

describe('all characters', () => {
  it('keep what does not separate in a line until it is asked for', () => {
    const twins = compareForms(compiled, ['gemellus/adult', 'sororius/adult']);
    render(<ComparedCharacters guide={tentCones} comparison={twins} names={['a', 'b']} />);
    expect(screen.getByTestId('compared-outline-ratio')).toBeTruthy();
    expect(screen.queryByTestId('compared-shoulder')).toBeNull();
    expect(screen.getByText(/Shoulder \(100 in 100 alike\)/)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Show the characters that do not separate'));
    expect(screen.getByTestId('compared-shoulder')).toBeTruthy();
  });
});

describe('the plates', () => {
  it('are drawn in one view and at one scale', () => {
    render(<ComparedPlates guide={tentCones} forms={comparison.forms} names={['Turbiconus vexillax', 'the other']} />);
    expect(screen.getByLabelText('Turbiconus vexillax')).toBeTruthy();
    expect(screen.getByText(/^\d+ (mm|cm), for all$/)).toBeTruthy();
    fireEvent.press(screen.getByRole('tab', { name: 'from the opening' }));
    expect(screen.getByRole('tab', { name: 'from the opening' })).toBeSelected();
  });
});

describe('choosing forms', () => {
  it('offers the nearest first and narrows by name', () => {
    const onChange = jest.fn();
    render(<FormPick guide={tentCones} compiled={compiled} chosen={['gemellus/adult']} onChange={onChange} />);
    const offered = screen.getAllByRole('button').map((button) => button.props.accessibilityLabel ?? '');
    expect(offered.length).toBeGreaterThan(5);
    fireEvent.changeText(screen.getByLabelText('Nearest first, or by name'), 'soror full');
    fireEvent.press(screen.getByText('T. sororius, full-grown'));
    expect(onChange).toHaveBeenCalledWith(['gemellus/adult', 'sororius/adult']);
  });

  it('takes one out, and offers no fifth', () => {
    const onChange = jest.fn();
    const four = ['gemellus/adult', 'sororius/adult', 'lenior/adult', 'vexillax/adult'];
    render(<FormPick guide={tentCones} compiled={compiled} chosen={four} onChange={onChange} />);
    expect(screen.queryByText('Add another')).toBeNull();
    fireEvent.press(screen.getByLabelText('Take T. lenior, full-grown out'));
    expect(onChange).toHaveBeenCalledWith(four.filter((id) => id !== 'lenior/adult'));
  });

  it('says a form as people do, a cross with its shares', () => {
    expect(sayForm(ledgeCrabs, compileGuide(ledgeCrabs), 'murica/adult.male.plain')).toBe('P. murica, adult male, plain');
    expect(sayForm(tentCones, compiled, 'guttarius-x-annulax/adult~25')).toBe('T. guttarius × T. annulax, full-grown, 25 : 75');
    expect(sayForm(tentCones, compiled, 'walrus')).toBe('walrus');
  });
});

describe('the screen', () => {
  it('compares, in plain words, with the dangers of each', () => {
    render(<CompareScreen id="g" formIds={pair} />);
    expect(screen.getByTestId('paragraph')).toHaveTextContent(
      /^No single character separates them cleanly; begin with the edge of the spire/,
    );
    expect(screen.getByText('Turbiconus vexillax: take care')).toBeTruthy();
    expect(screen.getByLabelText('Download the page as PDF')).toBeTruthy();
    screen.getByText('Practise these two');
  });

  it('in the situation of a specimen sets aside what cannot be seen there', () => {
    render(<CompareScreen id="g" formIds={pair} specimenId="s" />);
    expect(screen.getAllByText('needs a view from the opening').length).toBeGreaterThan(0);
  });

  it('asks for forms where there are too few, and forgets those it does not know', () => {
    render(<CompareScreen id="g" formIds={['vexillax/adult', 'walrus']} />);
    expect(screen.getByText('Choose two to four forms')).toBeTruthy();
    expect(screen.queryByTestId('paragraph')).toBeNull();
    fireEvent.press(screen.getByText('T. lenior, full-grown'));
    expect(mockSetParams).toHaveBeenCalledWith({ forms: 'vexillax/adult,lenior/adult' });
  });
});

describe('on the page of a form', () => {
  it('its look-alikes lead to the comparison', () => {
    render(<Lookalikes id="g" guide={tentCones} compiled={compiled} formId="gemellus/adult" />);
    fireEvent.press(screen.getByLabelText('Compare with T. sororius, full-grown'));
    expect(mockPush).toHaveBeenCalledWith({
      pathname: '/guides/[id]/compare',
      params: { id: 'g', forms: 'gemellus/adult,sororius/adult' },
    });
    expect(screen.getAllByText(/same name$/).length).toBe(1);
  });

  it('its own series runs from usual to extreme', () => {
    render(<OwnSeries guide={tentCones} compiled={compiled} formId="lenior/adult" />);
    for (const label of ['usual', 'often', 'now and then', 'extreme']) expect(screen.getByText(label)).toBeTruthy();
    screen.unmount();
    render(<OwnSeries guide={{ ...tentCones, plan: undefined }} compiled={compiled} formId="lenior/adult" />);
    expect(screen.toJSON()).toBeNull();
  });
});

describe('a page to send', () => {
  it('is asked for as PDF or PNG', () => {
    const url = jest.fn((as: string) => `#${as}`);
    render(<SendPage url={url} />);
    expect(screen.getByLabelText('Download the page as PNG')).toBeTruthy();
    expect(url).not.toHaveBeenCalled();
  });
});
