import type { Measurement } from '@plesion/contract';
import { matched } from '@plesion/core/measure';
import { ledgeCrabs } from '@plesion/demo';
import { render, screen } from '@testing-library/react-native';
import { Differences } from './Differences';
import { cssMatrix, laidOn, NO_MATCH } from './layers';
import { measuredPair, measurementOn, platePair, waysToMatch } from './pictures';
import { formsOf } from '@plesion/core/guide';

jest.mock('expo-router', () => ({ useRouter: () => ({ push: jest.fn() }) }));

const [PHOTO, OTHER] = ['a', 'b'].map((letter) => letter.repeat(64));
const character = ledgeCrabs.characters.find(({ id }) => id === 'width-ratio')!;
const by = waysToMatch(ledgeCrabs).find(({ id }) => id === 'width-ratio')!;
const form = formsOf(ledgeCrabs)[0].id;

const measurement = (more: Partial<Measurement>): Measurement => ({
  id: '0192f3a0-0000-7009-8000-000000000001',
  version: 1,
  specimenId: '0192f3a0-0000-7009-8000-000000000002',
  photo: PHOTO,
  character: 'width-ratio',
  protocol: character.protocol!,
  sets: [{ [by.places[0].id]: [10, 20], [by.places[1].id]: [110, 20] }],
  hidden: false,
  by: 'ann',
  pointing: { sd: 2 },
  value: { value: 1.4, sd: 0.01, unit: '', interval: [1.38, 1.42], n: 1 },
  createdAt: '2026-05-12T10:00:00Z',
  updatedAt: '2026-05-12T10:00:00Z',
  ...more,
});

describe('two pictures', () => {
  it('lie on each other by two places, else as large and in the middle', () => {
    const [own, other] = [
      { width: 400, height: 300 },
      { width: 800, height: 300 },
    ];
    const by2 = laidOn(own, other, [[10, 10], [20, 10]], [[0, 0], [0, 5]], false); // prettier-ignore
    expect(matched(by2, [0, 0])).toEqual([expect.closeTo(10), expect.closeTo(10)]);
    expect(matched(by2, [0, 5])).toEqual([expect.closeTo(20), expect.closeTo(10)]);
    for (const mirrored of [false, true]) {
      const fitted = laidOn(own, other, undefined, undefined, mirrored);
      expect(matched(fitted, [400, 150])).toEqual([expect.closeTo(200), expect.closeTo(150)]);
      expect(matched(fitted, [0, 150])[0]).toBeCloseTo(mirrored ? 400 : 0);
    }
  });

  it('are placed by CSS just as the match says', () => {
    const match = { a: 0.5, b: 0.25, dx: 7, dy: -3, mirrored: true };
    const view = { scale: 2, x: 11, y: 13 };
    const [a, b, c, d, e, f] = /matrix\((.*)\)/.exec(cssMatrix(view, match))![1].split(', ').map(Number);
    for (const [x, y] of [
      [0, 0],
      [10, 0],
      [3, 8],
    ] as const) {
      // prettier-ignore
      const [mx, my] = matched(match, [x, y]);
      expect(a * x + c * y + e).toBeCloseTo(mx * 2 + 11, 5);
      expect(b * x + d * y + f).toBeCloseTo(my * 2 + 13, 5);
    }
    expect(cssMatrix({ scale: 1, x: 0, y: 0 }, NO_MATCH)).toBe('matrix(1, 0, 0, 1, 0, 0)');
  });

  it('take the places from what was measured, and from the plate as it is drawn', () => {
    const pair = measuredPair(by, measurement({}));
    expect(pair).toEqual([
      [10, 20],
      [110, 20],
    ]);
    expect(measuredPair(by, undefined)).toBeUndefined();
    const [p, q] = platePair(ledgeCrabs, form, 'dorsal', by)!;
    expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeGreaterThan(50);
    expect(platePair(ledgeCrabs, form, 'front', by)).toBeUndefined();
    const gone = measurement({ hidden: true });
    expect(measurementOn([gone], 'width-ratio', PHOTO)).toBeUndefined();
    expect(measurementOn([measurement({}), measurement({ id: 'later' })], 'width-ratio', PHOTO)?.id).toBe('later');
  });
});

describe('what was measured on both', () => {
  const show = (a: Measurement[], b: Measurement[]) =>
    render(
      <Differences
        guide={ledgeCrabs}
        left={{ kind: 'photo', specimen: 'one', photo: PHOTO, measurements: a }}
        right={{ kind: 'photo', specimen: 'two', photo: OTHER, measurements: b }}
      />,
    );
  const other = (value: number, unit = '') =>
    measurement({ photo: OTHER, value: { value, sd: 0.01, unit, interval: [value - 0.02, value + 0.02], n: 1 } });

  it('differs by more than measuring error, or by no more than it makes', () => {
    show([measurement({})], [other(1.3)]);
    expect(screen.getByText(/^Difference \+0\.100/)).toBeTruthy();
    expect(screen.getByText('More than measuring error.')).toBeTruthy();
    screen.unmount();
    show([measurement({})], [other(1.41)]);
    expect(screen.getByText(/^Difference −0\.010/)).toBeTruthy();
    expect(screen.getByText('No more than measuring error makes.')).toBeTruthy();
  });

  it('is not compared in two units, and where one is missing it is offered to be measured', () => {
    show([measurement({})], [other(1.3, 'px')]);
    expect(screen.getByText(/set a scale on both/)).toBeTruthy();
    expect(screen.queryByText(/^Difference/)).toBeNull();
    screen.unmount();
    show([measurement({})], []);
    expect(screen.getByLabelText(/on the right/)).toBeTruthy();
    expect(screen.queryByLabelText(/on the left/)).toBeNull();
    screen.unmount();
    show([], []);
    expect(screen.getByText(/Nothing is measured on either yet/)).toBeTruthy();
  });

  it('stands beside the plate’s own value, which has no error', () => {
    render(
      <Differences
        guide={ledgeCrabs}
        left={{ kind: 'photo', specimen: 'one', photo: PHOTO, measurements: [measurement({})] }}
        right={{ kind: 'plate', form }}
      />,
    );
    expect(screen.getByText(/^1\.4 ± 0\.01 beside \d\.\d+ \(as drawn\)$/)).toBeTruthy();
  });
});
