import type { Reading } from '@plesion/core/observation';
import type { Bench } from '../analysis/useBench';
import { keysOf } from './benchKeys';

jest.mock('../../lib/useAddress', () => jest.requireActual<object>('../../test/address'));

const nothing = () => undefined;
/** A bench on which a count is read, and what is put on it. */
function counting(counts = { from: 0, to: 24 }) {
  const put: Reading[] = [];
  const bench = { chosen: { id: 'rays', kind: 'count', counts }, put: (reading: Reading) => put.push(reading), draft: {} };
  const keys = keysOf(bench as unknown as Bench, nothing, nothing, nothing);
  return { keys, values: () => put.map(({ value }) => value) };
}

describe('digits on a count', () => {
  it('are the count', () => {
    const { keys, values } = counting();
    keys.digit(4, 10_000);
    keys.digit(0, 20_000);
    expect(values()).toEqual([4, 0]);
  });

  it('of two figures are typed one after the other', () => {
    const { keys, values } = counting();
    keys.digit(1, 30_000);
    keys.digit(2, 30_400);
    expect(values()).toEqual([1, 12]);
    // Too late to belong to it, and too much for what there is.
    keys.digit(2, 40_000);
    keys.digit(9, 40_200);
    expect(values()).toEqual([1, 12, 2, 9]);
  });

  it('that there is no such count of put nothing, and may begin one', () => {
    const { keys, values } = counting({ from: 10, to: 15 });
    keys.digit(1, 50_000);
    expect(values()).toEqual([]);
    keys.digit(3, 50_300);
    expect(values()).toEqual([13]);
  });
});

it('digits choose the state with that number', () => {
  const put: Reading[] = [];
  const states = [{ id: 'pale' }, { id: 'dark' }];
  const bench = { chosen: { id: 'back', kind: 'states', states }, put: (reading: Reading) => put.push(reading), draft: {} };
  const keys = keysOf(bench as unknown as Bench, nothing, nothing, nothing);
  for (const digit of [2, 3, 0]) keys.digit(digit, 60_000);
  expect(put).toMatchObject([{ character: 'back', states: ['dark'] }]);
});
