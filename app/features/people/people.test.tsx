import { RequestProblem } from '@plesion/contract';
import type { Member } from '@plesion/contract/people';
import { screen, waitFor } from '@testing-library/react-native';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { choose, press, showScreen, shown, type } from '../../test/showScreen';
import { JoinScreen } from './JoinScreen';
import { PeopleScreen } from './PeopleScreen';

let mockStation: FakeStation;
let mockRole = 'keeper';
let mockDemo = false;
let mockSignedIn: object | null = null;
const mockEntered = jest.fn();
const mockReplace = jest.fn();
const mockSignOut = jest.fn();
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ station: { id: 's', name: 'Quell', demo: mockDemo }, account: { name: 'ann', role: mockRole } }),
  useSignOut: () => ({ mutate: mockSignOut }),
  useSessionQuery: () => ({ data: mockSignedIn }),
  useEntered: () => mockEntered,
}));
jest.mock('expo-router', () => ({
  Link: ({ children }: { children: object }) => children,
  useRouter: () => ({ replace: mockReplace }),
}));
jest.mock('../../ui/PageHeading', () => ({
  ...jest.requireActual<object>('../../ui/PageHeading'),
  focusHeading: () => undefined,
}));

const person = (name: string, more: Partial<Member>): Member => ({
  id: `0192f3a0-0000-7001-8000-0000000000${name.length}${more.you ? 1 : 2}`,
  ...{ name, initials: name.slice(0, 2).toUpperCase(), role: 'member', since: '2026-05-12T10:00:00Z', you: false },
  ...more,
});
let members: Member[];
let links: object[];
/** Choose one of what is offered under a label. */
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);

beforeEach(() => {
  jest.clearAllMocks();
  mockRole = 'keeper';
  mockDemo = false;
  mockSignedIn = null;
  members = [person('ann', { role: 'keeper', you: true }), person('tolmar', {})];
  links = [];
  mockStation = fakeStation();
  mockStation.answer('members', () => ({ members }));
  mockStation.answer('invitations', () => ({ invitations: links }));
  mockStation.answer('invite', ({ body }) => {
    const link = { id: '0192f3a0-0000-7006-8000-000000000001', role: 'learner', by: 'ann', until: '2026-12-12T10:00:00Z' };
    links = [{ ...link, ...('renews' in (body as object) ? { renews: 'tolmar' } : {}) }];
    return { ...links[0], token: 'secret' };
  });
  mockStation.answer('withdrawInvitation', () => {
    links = [];
    return {};
  });
  mockStation.answer('setMember', ({ body }) => {
    members = members.map((one) => (one.you ? one : { ...one, ...(body as object) }));
    return { members };
  });
  mockStation.answer('removeMember', ({ params }) => {
    members = members.filter(({ id }) => id !== params!.id);
    return {};
  });
});

describe('the people of a station', () => {
  it('are made something else by a keeper, and removed only after a second press', async () => {
    await showScreen(<PeopleScreen />);
    await shown('tolmar');
    screen.getByText('2 people');
    await choose('tolmar is', 'learner');
    expect(sent('setMember')).toMatchObject([{ params: { id: members[1].id }, body: { role: 'learner' } }]);
    await shown(/^learner since/);
    await press('Remove tolmar …');
    expect(sent('removeMember')).toEqual([]);
    screen.getByText('tolmar will be signed out everywhere.');
    await press('Remove tolmar from the station');
    await waitFor(() => expect(screen.queryByText('tolmar')).toBeNull());
    expect(mockSignOut).not.toHaveBeenCalled();
  });

  it('come in by a link, which is shown once and can be withdrawn', async () => {
    await showScreen(<PeopleScreen />);
    await shown('Make a link');
    await choose('They come as', 'learner');
    await press('Make a link');
    expect((await screen.findByTestId('link')).props.children).toMatch(/\/join\/secret$/);
    expect(sent('invite')).toMatchObject([{ body: { role: 'learner' } }]);
    await shown('To come as learner');
    await press('Withdraw the link for a learner');
    await waitFor(() => expect(screen.queryByText('To come as learner')).toBeNull());
    expect(screen.queryByTestId('link')).toBeNull();
    await press('A link for a new password for tolmar');
    await shown('For tolmar: copy it now, it is not shown again');
  });

  it('that are no keepers see who is there, and may leave', async () => {
    mockRole = 'learner';
    members = [person('tolmar', { role: 'keeper' }), person('ann', { role: 'learner', you: true })];
    await showScreen(<PeopleScreen />);
    await shown('ann, you');
    expect(screen.queryByText('Make a link')).toBeNull();
    expect(screen.queryByText('Remove …')).toBeNull();
    await press('Leave the station …');
    await press('Leave the station');
    await waitFor(() => expect(mockSignOut).toHaveBeenCalled());
  });

  it('is told why it cannot be', async () => {
    mockStation.answer('setMember', () => {
      throw new RequestProblem(409, { code: 'last-keeper', message: 'A station has one keeper at the least.' });
    });
    await showScreen(<PeopleScreen />);
    await shown('ann, you');
    await choose('ann is', 'member');
    await shown('A station has one keeper at the least.');
  });
});

describe('who opens a link', () => {
  const open = () => showScreen(<JoinScreen token="secret" />);

  it('while signed in joins with the account they have; by another name where theirs is taken there', async () => {
    mockSignedIn = { account: { name: 'wren' }, station: { name: 'Tolmar Head', demo: false } };
    mockStation.answer('invitedTo', () => ({ station: 'Quell', role: 'member', by: 'ann' }));
    mockStation.answer('join', ({ body }) => {
      if (body!.name) return { account: { id: '1', name: body!.name } };
      throw new RequestProblem(400, { code: 'name-taken', message: 'This name cannot be used here.', field: 'name' });
    });
    await open();
    await shown('Join as wren');
    await press('Join as wren');
    await shown('This name cannot be used here.');
    await type('Your name in Quell', 'wren of Tolmar');
    await press('Join as wren');
    await waitFor(() => expect(mockEntered).toHaveBeenCalled());
    expect(sent('join')).toMatchObject([{ body: { as: 'signed-in' } }, { body: { as: 'signed-in', name: 'wren of Tolmar' } }]);
    expect(mockReplace).toHaveBeenCalledWith('/');
  });

  it('in the demo, or for a new password, signs in anew', async () => {
    mockSignedIn = { account: { name: 'demo' }, station: { name: 'Quell Harbour', demo: true } };
    mockStation.answer('invitedTo', () => ({ station: 'Quell', role: 'member', by: 'ann' }));
    await open();
    await shown(/With this link you sign in anew/);
    expect(screen.queryByText('Join as demo')).toBeNull();
  });

  it('is told what it is to, and comes in by a name and a password', async () => {
    mockStation.answer('invitedTo', () => ({ station: 'Quell', role: 'learner', by: 'ann' }));
    mockStation.answer('join', () => ({ account: { id: '1', name: 'rhea' } }));
    await open();
    await shown('Join Quell');
    screen.getByText('ann invites you as learner: a learner may read everything and practise.');
    await press('Join');
    await shown(/use at least 2 letters/);
    await type('Your name', 'rhea');
    await type('A password', 'long enough');
    await press('Join');
    await waitFor(() => expect(sent('join')).toMatchObject([{ body: { name: 'rhea', password: 'long enough' } }]));
    expect(mockEntered).toHaveBeenCalled();
    expect(mockReplace).toHaveBeenCalledWith('/');
  });

  it('that renews a password is asked for that alone; one that lapsed says so', async () => {
    mockStation.answer('invitedTo', () => ({ station: 'Quell', role: 'member', by: 'ann', renews: 'tolmar' }));
    mockStation.answer('join', () => ({ account: { id: '1', name: 'tolmar' } }));
    await open();
    await shown('A new password');
    expect(screen.queryByLabelText('Your name')).toBeNull();
    await type('Your new password', 'long enough');
    await press('Set it and sign in');
    await waitFor(() => expect(sent('join')).toMatchObject([{ body: { password: 'long enough' } }]));
    mockStation.answer('invitedTo', () => {
      throw new RequestProblem(404, { code: 'lapsed', message: 'This link is good no more.' });
    });
    await showScreen(<JoinScreen token="other" />);
    await shown('This link is good no more.');
  });
});
