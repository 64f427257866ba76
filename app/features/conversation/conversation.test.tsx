import { RequestProblem } from '@plesion/contract';
import type { RemarkWrite, Thread } from '@plesion/contract/conversations';
import { act, fireEvent, screen, waitFor } from '@testing-library/react-native';
import { Image } from 'react-native';
import { forgetForms } from '../../lib/keptForm';
import { fakeStation, type FakeStation } from '../../test/fakeStation';
import { press, showScreen, shown, type } from '../../test/showScreen';
import { ConversationSheet } from './ConversationSheet';
import { ThreadsWaiting } from './ThreadsWaiting';

let mockStation: FakeStation;
let mockRole = 'member';
jest.mock('@plesion/contract', () => ({
  ...jest.requireActual<object>('@plesion/contract'),
  createClient: () => (name: string, given: object) => mockStation.api(name, given),
}));
jest.mock('../session/useSession', () => ({
  useSession: () => ({ account: { name: 'mira', role: mockRole }, station: { id: 's' } }),
}));
jest.mock('../photos/usePhotoUri', () => ({ usePhotoUri: (hash: string) => `photo:${hash}` }));
jest.mock('expo-router', () => ({ Link: ({ children }: { children: object }) => children }));

const ID = '0192f3a0-0000-7001-8000-0000000000d1';
const AT = '2026-05-12T10:00:00Z';
const PHOTO = 'a'.repeat(64);
let threads: Thread[];
const sent = (name: string) => mockStation.asked.filter((one) => one.name === name).map(({ given }) => given);
const said = () => sent('remark').map((given) => (given as { body: RemarkWrite }).body);

beforeEach(() => {
  forgetForms();
  jest.spyOn(Image, 'getSize').mockImplementation((_: unknown, found?: (width: number, height: number) => void) => {
    found?.(300, 200);
    return Promise.resolve({ width: 300, height: 200 });
  });
  mockRole = 'member';
  mockStation = fakeStation();
  threads = [];
  mockStation.answer('conversation', () => ({ threads }));
  mockStation.answer('remark', ({ body }) => {
    const { id, text, replyTo, place } = body as RemarkWrite;
    const remark = { id, by: 'mira', at: AT, text };
    if (replyTo) threads = threads.map((one) => (one.id === replyTo ? { ...one, remarks: [...one.remarks, remark] } : one));
    else threads = [...threads, { id, ...(place ? { place } : {}), remarks: [remark] }];
    return threads[0];
  });
  mockStation.answer('resolveThread', ({ params, body }) => {
    const { resolved } = body as { resolved: boolean };
    threads = threads.map((one) =>
      one.id === params!.id ? { ...one, resolved: resolved ? { by: 'mira', at: AT } : undefined } : one,
    );
    return threads[0];
  });
  mockStation.answer('withdrawRemark', () => {
    threads = threads.map((one) => ({ ...one, remarks: one.remarks.map(({ id, by, at }) => ({ id, by, at })) }));
    return threads[0];
  });
});
const open = () => showScreen(<ConversationSheet specimenId={ID} photos={[PHOTO]} />);
const thread = (more: Partial<Thread> = {}): Thread => ({
  id: ID,
  place: { photo: PHOTO, drawn: 'pin', points: [{ x: 0.2, y: 0.4 }] },
  remarks: [{ id: ID, by: 'tolmar', at: AT, text: 'Is it dark?' }],
  ...more,
});
/** A key on the photo. */
const key = (label: RegExp, name: string, shiftKey = false) =>
  act(async () =>
    fireEvent(screen.getByLabelText(label), 'keyDownCapture', {
      ...{ key: name, shiftKey, preventDefault: () => undefined, stopPropagation: () => undefined },
    }),
  );

it('begins with a place on the photo, aimed at with the keys alone, or with it as a whole', async () => {
  await open();
  await shown(/^Nothing was said yet/);
  await press('Say something');
  await shown('it as a whole');
  await press('a place on the photo');
  await press('a ring');
  await type('What you say', 'This edge.');
  await shown(/^Press the middle of the ring, or speak of it as a whole/);
  await press('Draw on the photo');
  await key(/^Press the middle of the ring; or move/, 'ArrowRight', true);
  await key(/^Press the middle of the ring; or move/, 'Enter');
  await key(/^Press where the ring goes through/, 'ArrowDown', true);
  await key(/^Press where the ring goes through/, 'Enter');
  await shown('It is drawn.');
  await press('Say it');
  await waitFor(() => expect(said()).toHaveLength(1));
  const points = [
    { x: 0.55, y: 0.5 },
    { x: 0.5, y: 0.55 },
  ];
  expect(said()[0]).toMatchObject({ specimenId: ID, text: 'This edge.', place: { photo: PHOTO, drawn: 'ring', points } });
  await shown('1 on the photo');
  await type('What you say', 'And the whole of it.');
  await press('Say it');
  await waitFor(() => expect(said()).toHaveLength(2));
  expect(said()[1].place).toBeUndefined();
  await shown('Of it as a whole');
});

it('shows each thread with its number on the photo, replies, is resolved and opened again', async () => {
  threads = [thread()];
  await open();
  await shown('Is it dark?');
  expect(screen.getByLabelText('1: Is it dark?')).toBeTruthy();
  await press('Reply to 1 on the photo');
  await type('Your reply', 'It is.');
  await press('Send the reply');
  await shown('It is.');
  expect(said()).toMatchObject([{ replyTo: ID, text: 'It is.' }]);
  await press('Resolved: 1 on the photo');
  await shown('Resolved (1)');
  expect(screen.queryByText('Is it dark?')).toBeNull();
  await press('Resolved (1)');
  await shown(/^Resolved by mira/);
  await press('Not resolved: 1 on the photo');
  await waitFor(() => expect(screen.queryByText('Resolved (1)')).toBeNull());
  expect(sent('resolveThread')).toMatchObject([{ body: { resolved: true } }, { body: { resolved: false } }]);
});

it('takes back only what one said oneself; a learner speaks, and resolves nothing', async () => {
  mockRole = 'learner';
  threads = [thread({ remarks: [...thread().remarks, { id: 'r', by: 'mira', at: AT, text: 'I think so.' }] })];
  await open();
  await shown('I think so.');
  expect(screen.queryByLabelText(/^Resolved/)).toBeNull();
  expect(screen.queryByLabelText('Withdraw: Is it dark?')).toBeNull();
  await press('Withdraw: I think so.');
  await waitFor(() => expect(screen.getAllByText('Withdrawn.').length).toBeGreaterThan(0));
  expect(sent('withdrawRemark')).toEqual([{ params: { id: 'r' } }]);
});

it('keeps a reply that could not be sent, and says why', async () => {
  threads = [thread()];
  mockStation.answer('remark', () => {
    throw new RequestProblem(503, { code: 'unreachable', message: 'The server cannot be reached.' });
  });
  await open();
  await shown('Is it dark?');
  await press('Reply to 1 on the photo');
  await type('Your reply', 'Wait for me.');
  await press('Send the reply');
  await shown('The server cannot be reached.');
  await press('Later: what you wrote stays on this device');
  await press('Reply to 1 on the photo');
  expect(screen.getByLabelText('Your reply').props.value).toBe('Wait for me.');
});

it('lists the threads in which somebody else spoke last', async () => {
  mockStation.answer('conversationsWaiting', () => ({
    waiting: [{ id: ID, specimenId: ID, label: 'L4-02', by: 'tolmar', at: AT, text: 'Is it dark?' }],
  }));
  await showScreen(<ThreadsWaiting />);
  await shown('L4-02: Is it dark?');
});
