import { RequestProblem } from '@plesion/contract';
import { act, fireEvent, render, screen, within } from '@testing-library/react-native';
import { Text } from 'react-native';
import { z } from 'zod';
import { fakeStation, type FakeStation, OFFLINE } from '../../test/fakeStation';
import { press, shown, type } from '../../test/showScreen';
import { queryClient } from '../../lib/api';
import { device } from '../../lib/device';
import { keptForm } from '../../lib/keptForm';
import { Root } from './Root';

let mockStation: FakeStation;
let mockPath = '/';
const mockRouter = { push: jest.fn(), replace: jest.fn() };
jest.mock('../../lib/api', () => {
  const { QueryClient } = jest.requireActual<{ QueryClient: new (options: object) => object }>('@tanstack/react-query');
  return {
    api: (name: string, given: object) => mockStation.api(name, given),
    queryClient: new QueryClient({ defaultOptions: { queries: { retry: false } } }),
  };
});
jest.mock(
  'react-native-safe-area-context',
  () => jest.requireActual<{ default: object }>('react-native-safe-area-context/jest/mock').default,
);
jest.mock('expo-router', () => ({
  usePathname: () => mockPath,
  useRouter: () => mockRouter,
  Link: ({ children }: { children: React.ReactNode }) => children,
}));
jest.mock('../records/sending', () => ({ openRecords: async () => undefined, keepSending: () => () => undefined }));

const SIGNED_OUT = new RequestProblem(401, { code: 'signed-out', message: 'Sign in first.' });
const knocked = (name: string) => mockStation.asked.find((one) => one.name === name)?.given.body;

const enter = () => act(async () => fireEvent.press(screen.getByRole('button', { name: 'Sign in' })));

async function open() {
  render(
    <Root>
      <Text>the daybook’s rows</Text>
    </Root>,
  );
  await act(async () => {});
}

beforeEach(() => {
  queryClient.clear();
  for (const key of device.keys()) device.remove(key);
  mockPath = '/';
  mockRouter.replace.mockClear();
  mockStation = fakeStation();
});

describe('the door', () => {
  let inside: object | undefined;
  const session = { account: { id: '1', name: 'ann' }, station: { id: '2', name: 'Quell', demo: false } };
  beforeEach(() => {
    inside = undefined;
    mockStation.answer('session', () => {
      if (!inside) throw SIGNED_OUT;
      return inside;
    });
    for (const way of ['signIn', 'makeStation']) mockStation.answer(way, () => (inside = session));
  });

  it('opens the demo in one press', async () => {
    await open();
    await shown('Look round the demo station');
    await press('Open the demo');
    await shown('the daybook’s rows');
    expect(knocked('signIn')).toEqual({ name: 'demo', password: 'demo' });
  });

  it('asks for what is missing at its field, and asks the station nothing', async () => {
    await open();
    await shown('Look round the demo station');
    await enter();
    await shown('give the account’s name');
    expect(screen.getByText('give the password')).toBeTruthy();
    expect(knocked('signIn')).toBeUndefined();
  });

  it('says at the field what the station refused, and keeps what was typed', async () => {
    mockStation.answer('makeStation', () => {
      throw new RequestProblem(409, { code: 'taken', message: 'There is an account “ann” already.', field: 'name' });
    });
    await open();
    await shown('Look round the demo station');
    await press('Make a station of your own');
    await type('Name of the station', 'Gannet Steps');
    await type('Your account', 'ann');
    await type('Password', 'long enough');
    await press('Make the station');
    await shown('There is an account “ann” already.');
    expect(screen.getByLabelText('Name of the station')).toHaveProp('value', 'Gannet Steps');
    expect(screen.queryByText('the daybook’s rows')).toBeNull();
  });

  it('lets nobody in whom the station does not know', async () => {
    mockStation.answer('signIn', () => {
      throw new RequestProblem(401, { code: 'wrong-credentials', message: 'No account has this name and password.' });
    });
    await open();
    await shown('Look round the demo station');
    await type('Account', 'ann');
    await type('Password', 'not it');
    await enter();
    await shown('No account has this name and password.');
  });
});

describe('inside', () => {
  it('has five places, and marks the one that is open', async () => {
    mockPath = '/specimens/x/bench';
    await open();
    await shown('the daybook’s rows');
    for (const place of ['Daybook', 'Bench', 'Guides', 'Field', 'Practice']) expect(screen.getByText(place)).toBeTruthy();
    const [here] = screen.UNSAFE_root.findAll(({ props }) => props['aria-current'] === 'page');
    expect(within(here).getByText(/./)).toHaveTextContent('Bench');
  });

  it('is open without a connection to whoever was inside before', async () => {
    await open();
    await shown('the daybook’s rows');
    screen.unmount();
    queryClient.clear();
    mockStation.fail(OFFLINE);
    await open();
    await shown('the daybook’s rows');
  });

  it.each(['{"account":{"id":7}}', '{"account":', 'null'])(
    'without a connection takes nobody for somebody on the word of the device alone: %s',
    async (text) => {
      device.write('plesion.session', text);
      mockStation.fail(OFFLINE);
      await open();
      await shown(/^The station’s server cannot be reached\./);
      expect(screen.queryByText('the daybook’s rows')).toBeNull();
      mockStation.fail();
      await act(async () => fireEvent.press(screen.getByText('Try again')));
      await shown('the daybook’s rows');
    },
  );
});

describe('a session that ends by itself', () => {
  const ids = { ann: '0192f3a0-0000-7001-8000-000000000001', bea: '0192f3a0-0000-7001-8000-000000000002' };
  const who = (name: keyof typeof ids) => ({
    account: { id: ids[name], name },
    station: { id: '0192f3a0-0000-7001-8000-000000000009', name: 'Quell', demo: false },
  });
  const typed = keptForm('specimen.new', z.object({ label: z.string() }));
  let inside: object | undefined;

  /** In the middle of a form, on its page. */
  async function lapse() {
    inside = who('ann');
    mockStation.answer('session', () => {
      if (!inside) throw SIGNED_OUT;
      return inside;
    });
    await open();
    await shown('the daybook’s rows');
    typed.keep({ label: 'Half a name' });
    at('/specimens/new', '?guide=7');
    inside = undefined;
    await act(async () => queryClient.invalidateQueries({ queryKey: ['session'] }));
    await shown('Look round the demo station');
    at('/');
  }
  const at = (pathname: string, search = '') => Object.assign(window, { location: { pathname, search } });
  const comes = async (name: keyof typeof ids) => {
    mockStation.answer('signIn', () => (inside = who(name)));
    await type('Account', name);
    await type('Password', 'long enough');
    await enter();
    await shown('the daybook’s rows');
  };

  it('leads back to the page it ended on, with what was typed', async () => {
    await lapse();
    await comes('ann');
    expect(mockRouter.replace.mock.calls).toEqual([['/specimens/new?guide=7']]);
    expect(typed.read()).toEqual({ label: 'Half a name' });
  });

  it('leaves nothing of it to anybody else', async () => {
    await lapse();
    await comes('bea');
    expect(mockRouter.replace).not.toHaveBeenCalled();
    expect(typed.read()).toBeUndefined();
  });
});
