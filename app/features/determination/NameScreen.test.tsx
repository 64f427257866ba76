import type { SpecimenWrite } from '@plesion/contract';
import type { Reading } from '@plesion/core/observation';
import { standingOf } from '@plesion/core/evidence';
import { compileGuide } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { forgetForms } from '../../lib/keptForm';
import { NameScreen } from './NameScreen';

const mockReplace = jest.fn();
const mockBench = { current: {} as object };
const mockDraft = { current: {} as object };
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('expo-router', () => ({ useRouter: () => ({ replace: mockReplace }) }));
jest.mock('../analysis/useBench', () => ({ useBench: () => mockBench.current }));
jest.mock('../records/useDraft', () => ({ useDraft: () => mockDraft.current }));
jest.mock('../verification/WarnedBefore', () => ({ WarnedBefore: () => null }));
jest.mock('../session/useSession', () => ({ useSession: () => ({ account: { name: 'ann' } }) }));

const empty: SpecimenWrite = {
  version: 1,
  guideId: 'g',
  label: '',
  situation: {},
  readings: [],
  determinations: [],
  hidden: false,
};
const compiled = compileGuide(ledgeCrabs);
const s = (character: string, state: string): Reading => ({ character, states: [state] });
const murica = [
  s('front-edge', 'three-teeth'),
  s('granules', 'dense'),
  s('claw-gape', 'gaping'),
  s('claw-tips', 'half-dark'),
  s('abdomen', 'narrow'),
  { character: 'carapace-width', value: 33 },
];

/** The screen over a draft that only remembers what it was told. */
function show(readings: Reading[]) {
  let content = { ...empty, readings };
  const flush = jest.fn().mockResolvedValue({ at: 'saved' });
  const draft = { change: (next: (now: SpecimenWrite) => SpecimenWrite) => (content = next(content)), flush };
  mockBench.current = {
    bench: { stored: { guide: ledgeCrabs, version: 3 }, answer: standingOf(compiled, {}, readings), draft, state: { content } },
    retry: jest.fn(),
  };
  render(<NameScreen id="specimen" />);
  return { names: () => content.determinations, flush };
}
const write = () => act(async () => fireEvent.press(screen.getByLabelText('Into the daybook')));
const press = (label: string | RegExp, at = 0) => fireEvent.press(screen.getAllByLabelText(label)[at]);

beforeEach(() => mockReplace.mockClear());

describe('writing a name down', () => {
  it('takes the recommendation as it is, with what it rests on', async () => {
    const { names, flush } = show(murica);
    await write();
    expect(names()).toEqual([
      expect.objectContaining({
        qualifier: 'none',
        taxon: 'murica',
        facets: { stage: 'adult', sex: 'male' },
        by: 'ann',
        overruled: false,
        guideVersion: 3,
        recommended: expect.stringMatching(/^Species yes/),
      }),
    ]);
    expect(screen.getByTestId('rule')).toHaveTextContent(
      /^This guide names at 95 in 100, on three independent characters, if it holds without any one reading/,
    );
    expect(screen.getByTestId('misreading')).toHaveTextContent(/Petralda murica (?:would stand|stands) at/);
    expect(screen.getByText('if it is one of this guide’s kinds')).toBeTruthy();
    expect(names()[0].p).toBeGreaterThan(0.95);
    expect(flush).toHaveBeenCalled();
    expect(mockReplace).toHaveBeenCalledWith('/specimens/specimen');
  });

  it('says why a name may not go further', () => {
    show([s('front-edge', 'three-teeth')]);
    expect(screen.getByText('Not yet a name')).toBeTruthy();
    expect(screen.getByText(/^Species no: needs /)).toBeTruthy();
  });

  it('otherwise than recommended asks for the reason', async () => {
    const { names } = show(murica);
    press('Name it otherwise');
    press('cf. (compare)');
    await write();
    expect(screen.getByText('Say why you name it otherwise than recommended.')).toBeTruthy();
    expect(names()).toEqual([]);
    fireEvent.changeText(screen.getByLabelText('Why otherwise than recommended'), ' a claw is lost ');
    await write();
    expect(names()).toMatchObject([{ qualifier: 'cf.', taxon: 'murica', overruled: true, reason: 'a claw is lost' }]);
  });

  it('with less than recommended needs no reason', async () => {
    const { names } = show(murica);
    press('Name it otherwise');
    press('male');
    expect(screen.queryByLabelText('Why otherwise than recommended')).toBeNull();
    await write();
    expect(names()).toMatchObject([{ taxon: 'murica', facets: { stage: 'adult' }, overruled: false }]);
  });

  it('as one of two needs two different names, and adds their probabilities', async () => {
    const { names } = show([s('front-edge', 'three-teeth')]);
    press('Name it otherwise');
    press('one of two');
    await write();
    expect(screen.getByText('Choose a name first.')).toBeTruthy();
    press(/^Petralda murica, /, 0);
    await write();
    expect(screen.getByText('Choose two different names for “one of two”.')).toBeTruthy();
    press(/^Petralda cinerata, /, 1);
    fireEvent.changeText(screen.getByLabelText('Why otherwise than recommended'), 'only these live here');
    await write();
    const taxa = standingOf(compiled, {}, [s('front-edge', 'three-teeth')]).taxa;
    const p = (id: string) => taxa.find((taxon) => taxon.taxon === id)!.p;
    expect(names()[0]).toMatchObject({ qualifier: 'or', taxon: 'murica', other: 'cinerata' });
    expect(names()[0].p).toBeCloseTo(p('murica') + p('cinerata'));
  });

  it('as not in this guide gives no taxon', async () => {
    const { names } = show(murica);
    press('Name it otherwise');
    press('not in this guide');
    fireEvent.changeText(screen.getByLabelText('Why otherwise than recommended'), 'a stray from elsewhere');
    await write();
    expect(names()[0]).toMatchObject({ qualifier: 'outside', facets: {}, overruled: true });
    expect(names()[0].taxon).toBeUndefined();
  });

  it('goes back to the recommendation in one press', async () => {
    const { names } = show(murica);
    press('Name it otherwise');
    press('unknown');
    press('As recommended');
    await write();
    expect(names()).toMatchObject([{ qualifier: 'none', taxon: 'murica', overruled: false }]);
  });

  it('always says that a name is not a promise', () => {
    show(murica);
    expect(screen.getByText('A name is not a promise')).toBeTruthy();
  });
});

describe('naming by hand, without a guide', () => {
  beforeEach(forgetForms);

  function show(suggested?: string) {
    let content: SpecimenWrite = { ...empty, guideId: undefined };
    const draft = {
      change: (next: (now: SpecimenWrite) => SpecimenWrite) => (content = next(content)),
      flush: jest.fn().mockResolvedValue({ at: 'saved' }),
    };
    mockDraft.current = { draft, state: { content } };
    render(<NameScreen id="s" suggested={suggested} />);
    return { names: () => content.determinations };
  }
  const press = async (label: string) => act(async () => fireEvent.press(screen.getByText(label)));

  it('asks for the name before anything is written down', async () => {
    const { names } = show();
    await press('Into the daybook');
    expect(screen.getByText('Write the name, or say that it is unknown.')).toBeTruthy();
    expect(names()).toEqual([]);
  });

  it('takes the name the key came to, as it is written, with what it rests on', async () => {
    const { names } = show('Velda alba (Tessel, 1901)');
    fireEvent.changeText(screen.getByLabelText('What it rests on'), 'keyed twice');
    await press('Into the daybook');
    expect(names()).toMatchObject([
      { qualifier: 'none', written: { name: 'Velda alba (Tessel, 1901)' }, by: 'ann', reason: 'keyed twice', overruled: false },
    ]);
    expect(names()[0]).not.toHaveProperty('taxon');
    expect(mockReplace).toHaveBeenCalledWith('/specimens/s');
  });

  it('half typed is there again after a reload, and gone once it was given', async () => {
    const { names } = show();
    fireEvent.changeText(screen.getByLabelText('Name'), 'Velda tar');
    screen.unmount();
    const again = show('what the key came to');
    expect(screen.getByLabelText('Name').props.value).toBe('Velda tar');
    await press('Into the daybook');
    expect([names(), again.names()]).toMatchObject([[], [{ written: { name: 'Velda tar' } }]]);
    screen.unmount();
    show();
    expect(screen.getByLabelText('Name').props.value).toBe('');
  });

  it('as one of two wants two different names', async () => {
    const { names } = show();
    await press('one of two');
    fireEvent.changeText(screen.getByLabelText('One'), 'Velda alba');
    fireEvent.changeText(screen.getByLabelText('The other'), 'Velda alba');
    await press('Into the daybook');
    expect(names()).toEqual([]);
    fireEvent.changeText(screen.getByLabelText('The other'), 'Velda nigra');
    await press('Into the daybook');
    expect(names()).toMatchObject([{ qualifier: 'or', written: { name: 'Velda alba', other: 'Velda nigra' } }]);
  });

  it('may be unknown, and is never said to be outside a guide that is not there', async () => {
    const { names } = show();
    expect(screen.queryByText('not in this guide')).toBeNull();
    await press('unknown');
    await press('Into the daybook');
    expect(names()).toMatchObject([{ qualifier: 'unknown' }]);
  });

  it('says that nothing was weighed, and promises nothing', () => {
    show();
    expect(screen.getByText(/Nothing was weighed/)).toBeTruthy();
    expect(screen.getByText(/safe to touch, keep or eat/)).toBeTruthy();
  });
});
