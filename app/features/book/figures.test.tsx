import { compareForms, namesOf } from '@plesion/core/compare';
import { compileGuide, type Figure } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { fireEvent, screen } from '@testing-library/react-native';
import { act } from 'react';
import { press, showScreen } from '../../test/showScreen';
import { ComparedFigures } from '../compare/ComparedFigures';
import { carryFigures } from '../records/carryFigures';
import { FiguresCard } from './FiguresCard';

const mockPush = jest.fn();
jest.mock('expo-router', () => ({
  Link: jest
    .requireActual<{ linkTo: (go: (href: unknown) => void) => unknown }>('../../test/link')
    .linkTo((href) => mockPush(href)),
}));
let mockWide = false;
jest.mock('../../theme', () => ({ ...jest.requireActual<object>('../../theme'), useWide: () => mockWide }));
jest.mock('../session/useSession', () => ({ useSession: () => ({ station: { id: 'station' } }) }));

const figure = (more: Partial<Figure>): Figure => ({
  ...{ id: 'one', photo: 'c'.repeat(64), width: 400, height: 300, taxon: 'murica', view: 'dorsal' },
  ...{ credit: 'O. Mereth', licence: 'CC-BY-4.0', ...more },
});
const [eggs] = ledgeCrabs.characters.filter(({ id }) => id === 'eggs');
const guide = {
  ...ledgeCrabs,
  figures: [
    figure({ caption: 'Under a ledge.', pins: [{ character: 'eggs', x: 0.5, y: 0.5 }] }),
    figure({ id: 'two', taxon: 'cinerata', credit: 'A. Orvane', licence: 'own' }),
    figure({ id: 'three', taxon: 'cinerata', view: 'ventral', credit: 'E. Vask' }),
  ],
};
const compiled = compileGuide(guide);
const of = (taxon: string) => compiled.forms.find((form) => form.taxon === taxon)!;

describe('photographs of a form', () => {
  it('say what they show, whose they are and on what terms; a pin leads to its character', async () => {
    await showScreen(<FiguresCard id="g" guide={guide} form={of('murica')} />);
    screen.getByLabelText(/^Photograph: Petralda murica, .*Under a ledge\.$/);
    screen.getByText('O. Mereth, CC BY 4.0');
    await press(`1: ${eggs.label}`);
    expect(mockPush).toHaveBeenCalledWith({ pathname: '/guides/[id]/character', params: { id: 'g', character: 'eggs' } });
  });

  it('have lines to what is pointed at where there is room beside them; a list where there are too many', async () => {
    mockWide = true;
    await showScreen(<FiguresCard id="g" guide={guide} form={of('murica')} />);
    expect(screen.queryByText('1')).toBeNull();
    await press(eggs.label);
    expect(mockPush).toHaveBeenLastCalledWith({ pathname: '/guides/[id]/character', params: { id: 'g', character: 'eggs' } });
    screen.getByText('O. Mereth, CC BY 4.0');
    screen.unmount();
    const pins = ledgeCrabs.characters.slice(0, 12).map(({ id }, i) => ({ character: id, x: 0.5, y: i / 12 }));
    await showScreen(<FiguresCard id="g" guide={{ ...guide, figures: [figure({ pins })] }} form={of('murica')} />);
    screen.getByLabelText(`12: ${ledgeCrabs.characters[11].label}`);
    mockWide = false;
  });

  it('say so where a picture is not to be had', async () => {
    await showScreen(<FiguresCard id="g" guide={guide} form={of('murica')} />);
    await act(async () => fireEvent(screen.getByLabelText(/^Photograph: /), 'error'));
    screen.getByText(/^This photograph is not here/);
  });

  it('are not there where the guide has none', async () => {
    await showScreen(<FiguresCard id="g" guide={ledgeCrabs} form={of('murica')} />);
    expect(screen.queryByText('Photographs')).toBeNull();
  });
});

it('forms are held beside each other in the view that shows most of them; one without says so', async () => {
  const { forms } = compareForms(compiled, [of('murica').id, of('cinerata').id], {});
  await showScreen(<ComparedFigures guide={guide} forms={forms} names={namesOf(compiled, forms)} />);
  // What is pointed at is said, where it is numbered.
  screen.getByText(`1 ${eggs.label}`);
  screen.getByText('O. Mereth, CC BY 4.0');
  screen.getByText('A. Orvane, all rights kept');
  await press(ledgeCrabs.views.find(({ id }) => id === 'ventral')!.label);
  screen.getByText('E. Vask, CC BY 4.0');
  screen.getByText(/^No photograph of .* from there\.$/);
});

describe('what is carried along of them', () => {
  const asked: string[] = [];
  const { navigator, fetch, requestIdleCallback } = globalThis;
  beforeEach(() => {
    asked.length = 0;
    Object.assign(globalThis, {
      requestIdleCallback: (act: () => void) => (act(), 1),
      fetch: (url: string) => (asked.push(url), Promise.resolve({})),
    });
  });
  afterEach(() => Object.assign(globalThis, { fetch, requestIdleCallback }));
  const worker = (controller: object | null) =>
    Object.defineProperty(globalThis, 'navigator', {
      value: { ...navigator, serviceWorker: { controller } },
      configurable: true,
    });
  afterAll(() => Object.defineProperty(globalThis, 'navigator', { value: navigator, configurable: true }));

  it('is each photograph once, small; and nothing where nothing keeps it', async () => {
    worker(null);
    carryFigures(guide);
    expect(asked).toEqual([]);
    worker({});
    carryFigures(guide);
    await act(async () => undefined);
    expect(asked).toEqual([`/api/photos/${'c'.repeat(64)}?size=small`]);
  });
});
