import { landmarksIn } from '../guide/landmarks';
import { plainForm } from '../guide/plainForms';
import type { Line, Protocol, Quantity } from '../guide/protocolSchema';
import type { Character } from '../guide/schema';
import { idsFor } from '../guide/working';
import { done, failed, type Outcome } from '../problem';

/** A place that is set on the photo. */
export type Place = Protocol['landmarks'][number];

/** A part of a quantity that is told by places. */
export interface Role {
  key: string;
  /** `line`: two points, several in turn, or a curve. */
  of: Place['kind'] | 'line';
  /** What its places are called until somebody calls them otherwise. */
  places: readonly string[];
  /** It may be left open. */
  may?: true;
}

const role = (key: string, of: Role['of'], ...places: string[]): Role => ({ key, of, places });
const outline = [role('outline', 'outline', 'all around it')];
const path = (words: string) => [role('path', 'path', words)];

/** Of what each quantity is worked out. */
export const ROLES: Record<Quantity['kind'], readonly Role[]> = {
  length: [role('line', 'line', 'one end', 'the other end')],
  ratio: [
    role('numerator', 'line', 'one end', 'the other end'),
    role('denominator', 'line', 'one end of what it is held against', 'the other end of that'),
  ],
  reach: [
    role('tip', 'point', 'the tip that reaches'),
    role('past', 'point', 'the tip that it passes'),
    role('from', 'point', 'where the axis begins'),
    role('to', 'point', 'where the axis ends'),
    { ...role('denominator', 'line'), may: true },
  ],
  angle: [
    role('one', 'point', 'the end of one arm'),
    role('corner', 'point', 'the corner'),
    role('other', 'point', 'the end of the other arm'),
  ],
  area: outline,
  elongation: outline,
  roundness: outline,
  form: [role('outline', 'outline', 'all around it, begun at its foot')],
  dip: path('from rim to rim'),
  raggedness: path('along the edge'),
  count: [role('markers', 'markers', 'each of them'), { ...role('axis', 'line'), may: true }],
};

/** The places of a quantity by its roles. */
export type Filled = Record<string, string[]>;

export function filledOf(quantity: Quantity): Filled {
  switch (quantity.kind) {
    case 'length':
      return { line: quantity.line.points };
    case 'ratio':
      return { numerator: quantity.numerator.points, denominator: quantity.denominator.points };
    case 'reach': {
      const { tip, past, from, to, denominator } = quantity;
      return { tip: [tip], past: [past], from: [from], to: [to], denominator: denominator?.points ?? [] };
    }
    case 'angle': {
      const [one, corner, other] = quantity.points;
      return { one: [one], corner: [corner], other: [other] };
    }
    case 'count':
      return { markers: [quantity.markers], axis: quantity.axis ?? [] };
    case 'dip':
    case 'raggedness':
      return { path: [quantity.path] };
    default:
      return { outline: [quantity.outline] };
  }
}

/** A line through other places keeps what it is called. */
const line = (points: string[], had?: Line): Line => ({ ...had, points });

/** A quantity of places by its roles; what it says beside its places is kept from what it was. */
function quantityOf(kind: Quantity['kind'], id: string, filled: Filled, was?: Quantity): Quantity {
  const first = (key: string) => filled[key][0];
  switch (kind) {
    case 'length':
      return { id, kind, line: line(filled.line, was?.kind === kind ? was.line : undefined) };
    case 'ratio': {
      const had = was?.kind === kind ? was : undefined;
      const [numerator, denominator] = [line(filled.numerator, had?.numerator), line(filled.denominator, had?.denominator)];
      return { id, kind, numerator, denominator };
    }
    case 'reach': {
      const had = was?.kind === kind ? was.denominator : undefined;
      const held = filled.denominator?.length ? { denominator: line(filled.denominator, had) } : {};
      return { id, kind, tip: first('tip'), past: first('past'), from: first('from'), to: first('to'), ...held };
    }
    case 'angle':
      return { id, kind, points: [first('one'), first('corner'), first('other')] };
    case 'count': {
      const [from, to] = filled.axis ?? [];
      const side = was?.kind === kind && was.side ? { side: was.side } : {};
      return { id, kind, markers: first('markers'), ...(to === undefined ? {} : { axis: [from, to], ...side }) };
    }
    case 'form': {
      return {
        id,
        kind,
        outline: first('outline'),
        between: was?.kind === kind ? was.between : [plainForm('an oval'), plainForm('a lance')],
      };
    }
    case 'dip':
    case 'raggedness':
      return { id, kind, path: first('path') };
    default:
      return { id, kind, outline: first('outline') };
  }
}

/** May a place be one of those of a role? */
export const fits = (of: Role['of'], { kind }: Place): boolean =>
  of === kind || (of === 'line' && (kind === 'point' || kind === 'path'));

/**
 * Work a quantity out of other places in one of its roles.
 *
 * @returns the protocol; or `places-missing`, `two-places`, with what to choose.
 */
export function withPlaces(protocol: Protocol, key: string, ids: readonly string[]): Outcome<Protocol> {
  const { landmarks, quantity } = protocol;
  const asked = ROLES[quantity.kind].find((one) => one.key === key)!;
  // In the order in which they are set.
  const places = landmarks.filter(({ id }) => ids.includes(id));
  if (places.length === 0 && !asked.may) return failed({ code: 'places-missing', message: 'Choose where it is.', field: key });
  if (asked.of === 'line' && places.length === 1 && (places[0].kind !== 'path' || quantity.kind === 'count'))
    return failed({ code: 'two-places', message: 'Choose two places that it goes from and to.', field: key });
  if (quantity.kind === 'count' && key === 'axis' && (places.length > 2 || places.some(({ kind }) => kind !== 'point')))
    return failed({ code: 'two-places', message: 'An axis goes from one point to another: choose two.', field: key });
  const filled = { ...filledOf(quantity), [key]: places.map(({ id }) => id) };
  return done({ ...protocol, quantity: quantityOf(quantity.kind, quantity.id, filled, quantity) });
}

/** Take a character as a quantity: of the places it has already, as far as they do, and of new ones. */
export function takenAs(
  { id, states, protocol, views }: Omit<Character, 'views'> & { views: string[] },
  kind: Quantity['kind'],
  view: string,
): Protocol {
  const landmarks = [...(protocol?.landmarks ?? [])];
  const spent = new Set<string>();
  const place = (of: Place['kind'], words: string): string => {
    const had = landmarks.find((one) => one.kind === of && !spent.has(one.id));
    if (!had)
      landmarks.push({
        id: idsFor(
          [words],
          landmarks.map((one) => one.id),
        ).get(words)!,
        label: words,
        kind: of,
      });
    const own = had?.id ?? landmarks.at(-1)!.id;
    spent.add(own);
    return own;
  };
  const filled = Object.fromEntries(
    ROLES[kind].map(({ key, of, places }) => [key, places.map((words) => place(of === 'line' ? 'point' : of, words))]),
  );
  const quantity = quantityOf(kind, protocol?.quantity.id ?? id, filled);
  const taken: Protocol = { ...protocol, view: protocol?.view ?? views[0] ?? view, landmarks, quantity };
  return withRanges({ states, protocol: taken }).protocol;
}

/** A character told by states says of each what is worked out in it, as far as that is known, and of none that it has not. */
export function withRanges<T extends Pick<Character, 'protocol'> & { states?: { id: string }[] }>(character: T): T {
  const { protocol, states } = character;
  if (!protocol) return character;
  const next: Protocol = { ...protocol };
  if (states && states.length > 1)
    next.states = states.map(({ id }) => protocol.states?.find(({ state }) => state === id) ?? { state: id });
  else delete next.states;
  return { ...character, protocol: next };
}

/** Can a place be taken out? Not one that something is worked out of. */
export const isSpare = ({ landmarks, quantity }: Protocol, id: string): boolean =>
  landmarks.length > 1 && !landmarksIn(quantity).includes(id);

export { quantitiesFor } from '../guide/checkProtocol';

const NUMBER = String.raw`(-?\d+(?:\.\d+)?)`;
/** With a dash between them it takes both: one before a number alone is its sign. */
const RANGE = new RegExp(`^(?:from\\s+)?(?:${NUMBER}?\\s*(?:–|to)\\s*${NUMBER}?|${NUMBER}\\s*-\\s*${NUMBER})$`, 'i');

/**
 * What a quantity is in a state, in words: `0.3 to 0.5`, `to 0.3`, `0.5 to`; nothing where it is not known.
 *
 * @returns its limits; or `no-range`, `empty-range`.
 */
export function rangeFrom(text: string): Outcome<{ from?: number; to?: number }> {
  const written = text.trim().replaceAll('−', '-').replaceAll(',', '.');
  if (!written) return done({});
  const [, one, other, low, high] = RANGE.exec(written) ?? [];
  const [from, to] = [one ?? low, other ?? high];
  if (from === undefined && to === undefined)
    return failed({ code: 'no-range', message: 'Write it as 0.3 to 0.5, to 0.3, or 0.5 to.', field: 'states' });
  if (from !== undefined && to !== undefined && Number(from) >= Number(to))
    return failed({ code: 'empty-range', message: 'The second number has to be the larger.', field: 'states' });
  return done({ ...(from === undefined ? {} : { from: Number(from) }), ...(to === undefined ? {} : { to: Number(to) }) });
}

export const sayRange = ({ from, to }: { from?: number; to?: number }): string =>
  from === undefined && to === undefined ? '' : [from ?? '', 'to', to ?? ''].join(' ').trim();
