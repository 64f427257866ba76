import { guideFromKeys } from '@plesion/core/authoring';
import { compileGuide, type Guide } from '@plesion/core/guide';
import { bogUmbels, dallowLichens, ledgeCrabs, tentCones, terns } from '@plesion/demo';
import { fireEvent, render, screen, within } from '@testing-library/react-native';
import { BookSearch } from './BookSearch';
import { CoverPage } from './CoverPage';
import { DisputesOf } from './DisputesOf';
import { FormPage } from './FormPage';
import { CharacterPage } from './CharacterPage';
import { CharactersPage } from './CharactersPage';
import { TaxaPage } from './TaxaPage';
import { Hazards, OtherNames } from './TaxonNotes';
import { WallScreen } from './WallScreen';
import { WordsPage } from './WordsPage';

const mockPush = jest.fn();
let mockGuide: Guide = terns;
jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));
jest.mock('expo-router', () => ({
  useRouter: () => ({ push: mockPush }),
  Link: jest
    .requireActual<{ linkTo: (go: (href: unknown) => void) => unknown }>('../../test/link')
    .linkTo((href) => mockPush(href)),
}));
jest.mock('../records/useGuide', () => ({ useGuide: () => ({ data: { id: 'g', guide: mockGuide, version: 1 } }) }));
jest.mock('../sharing/SharingCard', () => ({ SharingCard: () => null }));
jest.mock('../sharing/WithdrawnNotice', () => ({ WithdrawnNotice: () => null }));
jest.mock('../booklet/BookletCard', () => ({ BookletCard: () => null }));
jest.mock('../keys/KeysSheet', () => ({ KeysSheet: () => null }));
jest.mock('./JudgingSheet', () => ({ JudgingSheet: () => null }));
jest.mock('./Gallery', () => ({ Gallery: () => null }));

beforeEach(() => {
  mockGuide = terns;
  mockPush.mockClear();
});

const taxon = (id: string) => tentCones.taxa.find((t) => t.id === id)!;

describe('finding by any name', () => {
  const show = () =>
    render(
      <BookSearch
        guides={[
          { id: 'c', guide: tentCones },
          { id: 'l', guide: ledgeCrabs },
          { id: 't', guide: terns },
        ]}
      />,
    );
  const find = (text: string) => fireEvent.changeText(screen.getByLabelText('Find by any name'), text);

  it('leads a misleading name to the right page and says so', () => {
    show();
    find('rose-tip');
    expect(screen.getByText(/“rose-tip cone” is a misleading name of it. The lancer is rose-tipped just as often./)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Turbiconus lenior, found as rose-tip cone'));
    expect(mockPush).toHaveBeenCalledWith({ pathname: '/guides/[id]/form', params: { id: 'c', form: 'lenior/adult' } });
  });

  it('searches every guide, and leads a species with subspecies to the first of them', () => {
    show();
    find('saddled');
    fireEvent.press(screen.getByLabelText('Petralda velloma, found as saddled ledge crab'));
    expect(mockPush).toHaveBeenLastCalledWith(
      expect.objectContaining({
        params: expect.objectContaining({ id: 'l', form: expect.stringMatching(/^velloma-velloma\//) }),
      }),
    );
  });

  it('finds characters by their states and words by other words for them', () => {
    show();
    find('carpal');
    fireEvent.press(screen.getByLabelText('wrist, found as carpal'));
    expect(mockPush).toHaveBeenLastCalledWith({ pathname: '/guides/[id]/words', params: { id: 't', term: 'wrist' } });
    find('dagger');
    fireEvent.press(screen.getByLabelText('Outline of the bill, found as straight, dagger-like'));
    expect(mockPush).toHaveBeenLastCalledWith({
      pathname: '/guides/[id]/character',
      params: { id: 't', character: 'bill-shape' },
    });
  });

  it('says when nothing has that name', () => {
    show();
    find('walrus');
    expect(screen.getByText('Nothing here has that name. Try fewer letters.')).toBeTruthy();
  });
});

describe('the notes on a taxon', () => {
  it('tell its other names for what they are', () => {
    render(<OtherNames taxon={taxon('vexillax')} />);
    expect(screen.getByText(/“Turbiconus textor”.* is a former name of it/)).toBeTruthy();
    expect(screen.getByText(/“red lancer”.* is a nickname of it/)).toBeTruthy();
  });

  it('keep hazard and law in sight', () => {
    render(<Hazards taxon={taxon('vexillax')} />);
    expect(screen.getByText('Dangerous')).toBeTruthy();
    expect(screen.getByText(/sting can stop the breath.*permit/)).toBeTruthy();
    screen.unmount();
    render(<Hazards taxon={taxon('coronax')} />);
    expect(screen.getByText('Take care')).toBeTruthy();
    screen.unmount();
    render(<Hazards taxon={taxon('gemellus')} />);
    expect(screen.toJSON()).toBeNull();
  });

  it('show both sources where they contradict each other, and nothing elsewhere', () => {
    const compiled = compileGuide(tentCones);
    const form = (id: string) => compiled.forms.findIndex((one) => one.id === id);
    render(<DisputesOf compiled={compiled} form={form('lenior/adult')} />);
    expect(screen.getByText('Orvane’s shell book: bulging always')).toBeTruthy();
    expect(screen.getByText('Mereth’s reef survey: straight often, bulging sometimes')).toBeTruthy();
    screen.unmount();
    render(<DisputesOf compiled={compiled} form={form('coronax/adult')} />);
    expect(screen.toJSON()).toBeNull();
  });
});

describe('the cover', () => {
  it('says what the guide is about, keeps its caution in sight and leads into it', () => {
    render(<CoverPage id="g" />);
    expect(screen.getByText(terns.title)).toBeTruthy();
    expect(screen.getByText(/Stay out of colonies/)).toBeTruthy();
    expect(screen.getByText('24 forms drawn; touch a part to narrow them')).toBeTruthy();
    expect(screen.getByText('14 terms, drawn')).toBeTruthy();
  });
});

describe('the page of a form', () => {
  it('is drawn in every view, with its characters pointed at and said', () => {
    render(<FormPage id="g" formId="crinita-palliax/adult.breeding" />);
    for (const view of ['at rest, from the side', 'in flight, from below', 'in flight, from in front'])
      expect(screen.getByLabelText(`Plate, ${view}`)).toBeTruthy();
    const character = screen.getByLabelText(/^\d: .*Nape: with a shaggy mane/);
    fireEvent.press(character);
    expect(mockPush).toHaveBeenCalledWith({ pathname: '/guides/[id]/character', params: { id: 'g', character: 'nape' } });
  });

  it('reads as sentences, with where and when', () => {
    render(<FormPage id="g" formId="nivalis/adult.breeding" />);
    expect(screen.getByText(/white forehead\./)).toBeTruthy();
    expect(screen.getByLabelText(/Met most in .*Jun/)).toBeTruthy();
    expect(screen.getByText('Shell banks')).toBeTruthy();
  });

  it('shows it as it is met: closed wings bring another view, and nothing is pointed at', () => {
    render(<FormPage id="g" formId="sodalis/adult.breeding" />);
    fireEvent.press(screen.getByLabelText('closed wing'));
    expect(screen.getByLabelText('Plate, in flight, from below, wings closed')).toBeTruthy();
    expect(screen.queryByLabelText(/^1: /)).toBeNull();
  });

  it('draws individuals by chance, others when asked, and one out of the ordinary', () => {
    render(<FormPage id="g" formId="sodalis/adult.breeding" />);
    expect(screen.getByLabelText('no. 1')).toBeTruthy();
    expect(screen.getByText(/^out of the ordinary: /)).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Draw other individuals'));
    expect(screen.queryByLabelText('no. 1')).toBeNull();
    expect(screen.getByLabelText('no. 5')).toBeTruthy();
  });

  it('keeps the hazard of a dangerous plant in sight', () => {
    mockGuide = bogUmbels;
    render(<FormPage id="g" formId="virosa/flowering" />);
    expect(screen.getByText('Dangerous')).toBeTruthy();
    expect(screen.getByText(/can kill within hours/)).toBeTruthy();
  });

  it('of a guide made of a key says from which texts its scores came, and of another’s nothing', () => {
    const made = guideFromKeys('lichens', [dallowLichens], { alone: [], join: [], same: [], labels: {} });
    if (!made.ok) throw new Error(made.problems[0].message);
    mockGuide = made.value.guide;
    render(<FormPage id="g" formId={compileGuide(mockGuide).forms.find(({ taxon: own }) => own === 'Saxora-porosa')!.id} />);
    expect(screen.getByText('From which texts')).toBeTruthy();
    fireEvent.press(screen.getByText('What each score came from'));
    expect(screen.getByText('3a: Lobes with white pores')).toBeTruthy();
    expect(screen.queryByText('3b: Lobes without pores')).toBeNull();
  });

  it('says when there is no such form', () => {
    render(<FormPage id="g" formId="walrus" />);
    expect(screen.getByText('There is no form “walrus” in this guide.')).toBeTruthy();
  });
});

describe('the page of a character', () => {
  it('shows its states with who has them, how far to trust it, and leads on to them', () => {
    render(<CharacterPage id="g" characterId="nape" />);
    expect(screen.getByLabelText('with a shaggy mane')).toBeTruthy();
    expect(screen.getByText('A careful eye reads it right 93 times in 100.')).toBeTruthy();
    const holder = screen.getAllByTestId('holder crinita-palliax').find((row) => within(row).queryByText('60–85'));
    fireEvent.press(holder!);
    expect(mockPush).toHaveBeenCalledWith({
      pathname: '/guides/[id]/form',
      params: { id: 'g', form: 'crinita-palliax/juvenile' },
    });
  });

  it('shows what each form measures where it is measured', () => {
    render(<CharacterPage id="g" characterId="wing-chord" />);
    expect(screen.getByText('One careful measurement errs by about 2 mm.')).toBeTruthy();
    expect(screen.getAllByText('168–188')[0]).toBeTruthy();
  });

  it('warns of a famous one, and says when there is none', () => {
    render(<CharacterPage id="g" characterId="bill-tip" />);
    expect(screen.getByText('Many trust it. See below how many share it.')).toBeTruthy();
    screen.unmount();
    render(<CharacterPage id="g" characterId="antlers" />);
    expect(screen.getByText('There is no character “antlers” in this guide.')).toBeTruthy();
  });
});

describe('characters, taxa and words', () => {
  it('lists every character in the order of work', () => {
    render(<CharactersPage id="g" />);
    for (const { label } of terns.characters) expect(screen.getByText(label)).toBeTruthy();
    fireEvent.press(screen.getByText(terns.characters[0].label));
    expect(mockPush).toHaveBeenLastCalledWith({
      pathname: '/guides/[id]/character',
      params: { id: 'g', character: terns.characters[0].id },
    });
  });

  it('lists taxa below their parents, with every form to open', () => {
    render(<TaxaPage id="g" />);
    expect(screen.getByText(/black-tip tern/)).toBeTruthy();
    expect(screen.getByLabelText('Halistris sodalis adult, winter dress')).toBeTruthy();
  });

  it('puts the word that was asked for first, and finds others', () => {
    const terms = () =>
      screen.root
        .findAll((node) => node.props.role === 'note' && typeof node.type === 'string')
        .map(({ props }) => props['aria-label'] as string);
    render(<WordsPage id="g" term="wedge" />);
    expect(terms()[0]).toBe('wedge');
    fireEvent.changeText(screen.getByLabelText('Find a word'), 'skin');
    expect(terms()).toEqual(['brood patch']);
    fireEvent.changeText(screen.getByLabelText('Find a word'), 'zzz');
    expect(screen.getByText('No word here holds that. Try fewer letters.')).toBeTruthy();
  });
});

describe('the plate wall', () => {
  it('narrows by the look of a part, says how many are left, and gives them back', () => {
    render(<WallScreen id="g" />);
    expect(screen.getByText('24 forms')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('crest'));
    const nape = screen.getByLabelText('Nape');
    fireEvent.press(within(nape).getByLabelText('with a shaggy mane, 8 forms'));
    expect(screen.getByText('8 of 24 forms left')).toBeTruthy();
    fireEvent.press(screen.getByLabelText('Remove Nape: with a shaggy mane'));
    expect(screen.getByText('24 forms')).toBeTruthy();
  });

  it('finds the part under a finger', () => {
    render(<WallScreen id="g" />);
    fireEvent.press(screen.getByLabelText('Touch a part of the drawing'), { nativeEvent: { locationX: 12, locationY: 36 } });
    expect(screen.getByLabelText('Outline of the bill')).toBeTruthy();
  });

  it('says so where nothing is drawn', () => {
    mockGuide = { ...terns, plan: undefined };
    render(<WallScreen id="g" />);
    expect(
      screen.getByText(
        'Nothing of this guide is drawn yet: its characters have no tiles, and it has no body plan. Both are given where the guide is edited.',
      ),
    ).toBeTruthy();
  });
});
