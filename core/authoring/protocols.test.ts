import fc from 'fast-check';
import { demoGuides } from '../../demo';
import { checkProtocol } from '../guide/checkProtocol';
import { Protocol } from '../guide/protocolSchema';
import type { Character } from '../guide/schema';
import { filledOf, fits, isSpare, quantitiesFor, rangeFrom, ROLES, sayRange, takenAs, withPlaces, withRanges } from '.';

const KINDS = ['measurement', 'ratio', 'nominal', 'ordered', 'angle', 'count'] as const;
const character = (kind: Character['kind'], more: Partial<Character> = {}): Character => ({
  ...{ id: 'bill', label: 'Bill', kind, group: 'shape', views: ['head'], handling: 'look', distance: 'near' },
  ...{ needsLight: false, seconds: 5 },
  ...(kind === 'nominal' || kind === 'ordered' ? { states: ['short', 'long'].map((id) => ({ id, label: id })) } : {}),
  ...more,
});
/** What is wrong with how a character is taken. */
const wrong = (own: Character): string[] => {
  const codes: string[] = [];
  checkProtocol(own, 'at', (_field, code) => codes.push(code));
  return codes;
};
const every = KINDS.flatMap((kind) => quantitiesFor(kind).map((quantity) => [kind, quantity] as const));

describe('a character taken on a photograph', () => {
  it.each(every)('a %s as %s can be followed from the first press', (kind, quantity) => {
    const protocol = takenAs(character(kind), quantity, 'whole');
    expect(Protocol.safeParse(protocol).success).toBe(true);
    expect(wrong(character(kind, { protocol }))).toEqual([]);
    expect([protocol.view, protocol.quantity.kind]).toEqual(['head', quantity]);
    // Nothing is claimed of a state that nobody said.
    expect(protocol.states).toEqual(
      kind === 'nominal' || kind === 'ordered' ? [{ state: 'short' }, { state: 'long' }] : undefined,
    );
  });

  it('can be followed whatever it was taken as before; no place that was named is lost', () => {
    fc.assert(
      fc.property(fc.constantFrom(...KINDS), fc.array(fc.nat(20), { minLength: 1, maxLength: 6 }), (kind, turns) => {
        let own = character(kind);
        for (const turn of turns) {
          const all = quantitiesFor(kind);
          const before = own.protocol?.landmarks ?? [];
          own = { ...own, protocol: takenAs(own, all[turn % all.length], 'whole') };
          expect(wrong(own)).toEqual([]);
          expect(Protocol.safeParse(own.protocol).success).toBe(true);
          expect(own.protocol!.landmarks.slice(0, before.length)).toEqual(before);
        }
      }),
    );
  });

  const written = demoGuides.flatMap((guide) =>
    guide.characters.flatMap(({ id, protocol }) => (protocol ? [[`${guide.id}: ${id}`, protocol] as const] : [])),
  );
  it.each(written)('%s is the same when each of its parts is chosen again', (_, protocol) => {
    for (const { key, of } of ROLES[protocol.quantity.kind]) {
      const places = filledOf(protocol.quantity)[key];
      for (const id of places) {
        expect(
          fits(
            of,
            protocol.landmarks.find((one) => one.id === id)!,
          ),
        ).toBe(true);
        expect(isSpare(protocol, id)).toBe(false);
      }
      const again = withPlaces(protocol, key, places);
      expect(again.ok && filledOf(again.value.quantity)[key].toSorted()).toEqual(places.toSorted());
    }
  });
  it('the demo has such', () => expect(written.length).toBeGreaterThan(5));

  const four = takenAs(character('ratio'), 'ratio', 'whole');
  const [a, b, c, d] = four.landmarks.map(({ id }) => id);
  it('goes through its places in the order in which they are set', () => {
    const next = withPlaces(four, 'numerator', [d, a, c]);
    expect(next.ok && next.value.quantity).toMatchObject({ numerator: { points: [a, c, d] }, denominator: { points: [c, d] } });
  });

  it.each([
    ['numerator', [] as string[], 'places-missing'],
    ['denominator', [b], 'two-places'],
  ])('%s of %j is refused as %s', (key, ids, code) => {
    expect(withPlaces(four, key, ids)).toMatchObject({ ok: false, problems: [{ code }] });
  });

  it('an axis of a count has two ends, and a side only as long as it has', () => {
    const counted = takenAs(character('count'), 'count', 'whole');
    const ends = ['front', 'back', 'middle'].map((id) => ({ id, label: id, kind: 'point' as const }));
    const own = { ...counted, landmarks: [...counted.landmarks, ...ends] };
    expect(withPlaces(own, 'axis', ['front', 'back', 'middle'])).toMatchObject({ ok: false });
    const with2 = withPlaces(own, 'axis', ['front', 'back']);
    if (!with2.ok || with2.value.quantity.kind !== 'count') throw new Error('not taken');
    const left = { ...with2.value, quantity: { ...with2.value.quantity, side: 'left' as const } };
    const other = withPlaces(left, 'axis', ['back', 'middle']);
    expect(other.ok && other.value.quantity).toMatchObject({ axis: ['back', 'middle'], side: 'left' });
    const none = withPlaces(left, 'axis', []);
    expect(none.ok && none.value.quantity).toEqual({ id: 'bill', kind: 'count', markers: counted.landmarks[0].id });
  });
});

describe('states that change under what is worked out', () => {
  const told = character('ordered', { protocol: takenAs(character('ordered'), 'ratio', 'whole') });
  const known = {
    ...told,
    protocol: {
      ...told.protocol!,
      states: [
        { state: 'short', to: 0.3 },
        { state: 'long', from: 0.3 },
      ],
    },
  };
  it.each([
    [
      ['short', 'middling', 'long'],
      [{ state: 'short', to: 0.3 }, { state: 'middling' }, { state: 'long', from: 0.3 }],
    ],
    [
      ['long', 'longer'],
      [{ state: 'long', from: 0.3 }, { state: 'longer' }],
    ],
    [['long'], undefined],
  ])('to %j keep what is known of those that stay', (ids, states) => {
    const next = withRanges({ ...known, states: ids.map((id) => ({ id, label: id })) });
    expect(next.protocol.states).toEqual(states);
    if (states) expect(wrong(next)).toEqual([]);
  });
  it('are nothing to one that is not measured', () => {
    const plain = character('ordered');
    expect(withRanges(plain)).toBe(plain);
  });
});

describe('what is worked out, in a state', () => {
  it.each([
    ['0.3 to 0.5', { from: 0.3, to: 0.5 }],
    ['0,3–0,5', { from: 0.3, to: 0.5 }],
    ['0.3-0.5', { from: 0.3, to: 0.5 }],
    ['-2 - -1', { from: -2, to: -1 }],
    ['to 0.3', { to: 0.3 }],
    ['from 0.5 to', { from: 0.5 }],
    ['−2 to −1', { from: -2, to: -1 }],
    ['', {}],
  ])('%j is read', (text, limits) => expect(rangeFrom(text)).toEqual({ ok: true, value: limits }));
  it.each([
    ['to', 'no-range'],
    ['short', 'no-range'],
    ['0.3', 'no-range'],
    ['-0.3', 'no-range'],
    ['1 to 2 to 3', 'no-range'],
    ['2 to 2', 'empty-range'],
    ['3 to 2', 'empty-range'],
  ])('%j is refused as %s', (text, code) => expect(rangeFrom(text)).toMatchObject({ ok: false, problems: [{ code }] }));
  it('is read again as it was said', () => {
    const limit = fc.option(
      fc.double({ min: -1000, max: 1000, noNaN: true }).map((n) => Math.round(n * 100) / 100 + 0),
      { nil: undefined },
    );
    fc.assert(
      fc.property(limit, limit, (from, to) => {
        fc.pre(from === undefined || to === undefined || from < to);
        const range = { ...(from === undefined ? {} : { from }), ...(to === undefined ? {} : { to }) };
        expect(rangeFrom(sayRange(range))).toEqual({ ok: true, value: range });
      }),
    );
  });
});
