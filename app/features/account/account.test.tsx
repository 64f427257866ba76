import { nameOfDevice } from '@plesion/contract/device';
import { RequestProblem } from '@plesion/contract';
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { z } from 'zod';
import { forgetForms, keptForm } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { PasskeyDoor } from '../passkeys/PasskeyDoor';
import { AccountScreen } from './AccountScreen';

let mockStation: FakeStation;
let mockDemo = false;
let mockOthers: { id: string; name: string; role: string }[] = [];
const mockEntered = jest.fn();
const mockReplace = jest.fn();
const mockMake = jest.fn<Promise<object>, [object]>();
const mockShow = jest.fn<Promise<object>, [object]>();
jest.mock('../../lib/api', () => ({ api: (name: string, given: object) => mockStation.api(name, given) }));
jest.mock('../session/useSession', () => ({
  useSession: () => ({
    station: { name: 'Quell', demo: mockDemo },
    account: { name: 'ann', role: 'keeper' },
    others: mockOthers,
  }),
  useSignOut: () => ({ mutate: jest.fn(), isPending: false }),
  useEntered: () => mockEntered,
}));
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('@simplewebauthn/browser', () => ({
  startRegistration: (given: object) => mockMake(given),
  startAuthentication: (given: object) => mockShow(given),
}));

jest.mock('expo-router', () => ({
  Link: ({ children }: { children: object }) => children,
  useRouter: () => ({ replace: mockReplace }),
}));

const HERE = {
  id: 'a'.repeat(32),
  current: true,
  device: 'X11; Linux x86_64',
  since: '2026-05-12T10:00:00Z',
  until: '2026-06-12T10:00:00Z',
};
const THERE = { ...HERE, id: 'b'.repeat(32), current: false, device: 'Linux; Android 15' };
const STATION = {
  name: 'Quell',
  since: HERE.since,
  use: Object.fromEntries(['specimens', 'guides', 'keys', 'photos'].map((kind) => [kind, { used: 1, most: 9 }])),
  fresh: false,
};
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);
const pressButton = (label: string) => act(async () => fireEvent.press(screen.getByLabelText(label)));

beforeEach(() => {
  forgetForms();
  jest.clearAllMocks();
  mockDemo = false;
  mockOthers = [];
  Object.assign(globalThis, { PublicKeyCredential: class {} });
  mockStation = fakeStation();
  let sessions = [HERE, THERE];
  let tokens: object[] = [];
  mockStation.answer('sessions', () => ({ sessions }));
  mockStation.answer('station', () => STATION);
  mockStation.answer('endSession', ({ params }) => {
    sessions = sessions.filter(({ id }) => id !== params!.id);
    return {};
  });
  mockStation.answer('tokens', () => ({ tokens }));
  mockStation.answer('makeToken', ({ body }) => {
    const token = { ...(body as object), id: '0192f3a0-0000-7006-8000-000000000001', createdAt: HERE.since };
    tokens = [token];
    return { ...token, token: 'plesion_secret' };
  });
  mockStation.answer('endToken', () => {
    tokens = [];
    return {};
  });
  let passkeys: object[] = [];
  mockStation.answer('passkeys', () => ({ passkeys }));
  mockStation.answer('beginPasskey', () => ({ challenge: 'asked' }));
  mockStation.answer('makePasskey', ({ body }) => {
    const passkey = { id: 'k1', name: (body as { name: string }).name, createdAt: HERE.since };
    passkeys = [passkey];
    return passkey;
  });
  mockStation.answer('endPasskey', () => {
    passkeys = [];
    return {};
  });
});

describe('an account', () => {
  it('shows where it is signed in, and signs out there', async () => {
    await showScreen(<AccountScreen />);
    await shown('Computer, here');
    expect(screen.getByText('Phone or tablet')).toBeTruthy();
    await pressButton('Sign out: Phone or tablet');
    expect(sent('endSession')).toEqual([{ params: { id: THERE.id } }]);
    await waitFor(() => expect(screen.queryByText('Phone or tablet')).toBeNull());
  });

  it('changes its password, and says at the field what is wrong', async () => {
    mockStation.answer('changePassword', ({ body }) => {
      if ((body as { current: string }).current === 'right one') return {};
      throw new RequestProblem(400, {
        code: 'wrong-password',
        message: 'This is not the password as it is now.',
        field: 'current',
      });
    });
    await showScreen(<AccountScreen />);
    await press('Change it');
    await shown('give the password as it is now');
    expect(sent('changePassword')).toEqual([]);
    await type('As it is now', 'wrong one');
    await type('As it is to be', 'quite another');
    await press('Change it');
    await shown('This is not the password as it is now.');
    await type('As it is now', 'right one');
    await press('Change it');
    await shown('The password is changed.');
    expect(screen.getByLabelText('As it is to be')).toHaveProp('value', '');
  });

  it('keeps what a token is to be called over a reload, until it is made', async () => {
    await showScreen(<AccountScreen />);
    await shown('Computer, here');
    await type('What it is for', 'weather hut');
    await press('read and write');
    screen.unmount();
    await showScreen(<AccountScreen />);
    await shown('Computer, here');
    await press('Make a token');
    expect(sent('makeToken')).toEqual([{ body: { name: 'weather hut', scope: 'write' } }]);
    await shown('plesion_secret');
    expect(keptForm('token', z.object({ name: z.string() })).read()).toBeUndefined();
  });

  it('makes a token, tells it once, and ends it', async () => {
    await showScreen(<AccountScreen />);
    await shown('Computer, here');
    await type('What it is for', 'weather hut');
    await press('read and write');
    await press('Make a token');
    await shown('plesion_secret');
    expect(sent('makeToken')).toEqual([{ body: { name: 'weather hut', scope: 'write' } }]);
    await shown('may read and write · not used yet');
    await pressButton('End it: the token “weather hut”');
    await waitFor(() => expect(screen.queryByText('may read and write · not used yet')).toBeNull());
    expect(screen.queryByText('plesion_secret')).toBeNull();
  });

  it('of the demo is nobody’s own', async () => {
    mockDemo = true;
    await showScreen(<AccountScreen />);
    await shown('Everybody’s account');
    expect(screen.queryByText('Make a token')).toBeNull();
    expect(sent('sessions')).toEqual([]);
  });
});

it.each([
  ['Mozilla/5.0 (iPhone; CPU iPhone OS 19_0 like Mac OS X)', 'Phone or tablet'],
  ['Mozilla/5.0 (Windows NT 10.0)', 'Computer'],
  ['curl/8', 'Another device'],
  ['', 'A device without a name'],
])('“%s” is %s', (agent, name) => expect(nameOfDevice(agent)).toBe(name));

describe('stations', () => {
  const there = { id: '0192f3a0-0000-7001-8000-0000000000aa', name: 'Tolmar Head', role: 'member' };

  it('that one belongs to are gone to in one press, from their first page', async () => {
    mockOthers = [there];
    const session = { station: there };
    mockStation.answer('changeStation', () => session);
    await showScreen(<AccountScreen />);
    await shown('Quell, here');
    await pressButton('Switch to it: Tolmar Head');
    expect(sent('changeStation')).toEqual([{ body: { stationId: there.id } }]);
    await waitFor(() => expect(mockEntered.mock.calls[0][0]).toEqual(session));
    expect(mockReplace).toHaveBeenCalledWith('/');
  });

  it('are made more of, and a name that cannot be is said where it stands', async () => {
    mockStation.answer('makeFurtherStation', () => {
      throw new RequestProblem(400, { code: 'names-unusable', message: 'These names cannot be used here.' });
    });
    await showScreen(<AccountScreen />);
    await press('Make one more station');
    await press('Make it');
    await shown(/use at least 2 letters/);
    await type('Name of the new station', 'Tolmar Head');
    await press('Make it');
    await shown('These names cannot be used here.');
    expect(mockEntered).not.toHaveBeenCalled();
  });
});

describe('passkeys', () => {
  it('are made by the device, named, and ended', async () => {
    mockMake.mockResolvedValue({ id: 'k1' });
    await showScreen(<AccountScreen />);
    await type('This device', 'the field tablet');
    await press('Make a passkey here');
    await shown('the field tablet');
    expect(mockMake).toHaveBeenCalledWith({ optionsJSON: { challenge: 'asked' } });
    expect(sent('makePasskey')).toEqual([{ body: { name: 'the field tablet', made: { id: 'k1' } } }]);
    await pressButton('End it: the passkey “the field tablet”');
    await waitFor(() => expect(screen.queryByText('the field tablet')).toBeNull());
  });

  it.each([
    ['NotAllowedError', /called off, or took too long/],
    ['InvalidStateError', /has a passkey for you already/],
    ['SecurityError', /At this address the browser makes no passkeys/],
  ])('that the device refuses (%s) are told of in words, and nothing is kept', async (name, words) => {
    mockMake.mockRejectedValue(Object.assign(new Error('for programmers'), { name }));
    await showScreen(<AccountScreen />);
    await press('Make a passkey here');
    await shown(words);
    expect(sent('makePasskey')).toEqual([]);
  });

  it('are not offered where the browser makes none', async () => {
    delete (globalThis as { PublicKeyCredential?: object }).PublicKeyCredential;
    await showScreen(<AccountScreen />);
    await shown('This browser makes no passkeys.');
    expect(screen.queryByText('Make a passkey here')).toBeNull();
  });

  it('open the door', async () => {
    const session = { account: { name: 'ann' } };
    mockStation.answer('askPasskey', () => ({ challenge: 'asked' }));
    mockStation.answer('enterByPasskey', () => session);
    mockShow.mockResolvedValue({ id: 'k1' });
    await showScreen(<PasskeyDoor />);
    await press('Sign in with a passkey');
    await waitFor(() => expect(mockEntered.mock.calls[0][0]).toEqual(session));
    expect(mockShow).toHaveBeenCalledWith({ optionsJSON: { challenge: 'asked' } });
    expect(sent('enterByPasskey')).toEqual([{ body: { id: 'k1' } }]);
  });
});
