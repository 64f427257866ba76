import { Platform, StyleSheet, type ViewStyle } from 'react-native';
import { colour, radius, TOUCH } from '../theme';
import { type Gap, GAPS } from './gaps';

const ALIGNED = { start: 'flex-start', center: 'center', end: 'flex-end', baseline: 'baseline', stretch: 'stretch' } as const;
const JUSTIFIED = { center: 'center', end: 'flex-end', between: 'space-between', evenly: 'space-evenly' } as const;
const RULED = { above: 'borderTopWidth', below: 'borderBottomWidth', left: 'borderLeftWidth', round: 'borderWidth' } as const;

type Tone = keyof typeof colour;

/** How much room a part takes in what holds it. */
export interface Taking {
  /** All that is left beside others; a number is what it would have at least before it goes on to a line of its own. */
  fill?: boolean | number;
  /** How many times the room of others that have a share. */
  share?: number;
  /** Gets narrower before it runs over the edge. */
  shrink?: boolean;
  /** Where it stands across what holds it, where that differs from the others. */
  self?: keyof typeof ALIGNED;
  /** Widths, in pixels. */
  least?: number | 'touch';
  most?: number | 'all';
  wide?: number | 'all';
  /** Heights, in pixels: its own, or at least. */
  tall?: number;
  leastTall?: number;
}

/** How a part stands in what holds it and what it holds stands in it, in steps and colours of the theme. */
export interface Placing extends Taking {
  /** Room between the parts. */
  gap?: Gap;
  /** Room between lines, where it differs. */
  lineGap?: Gap;
  /** Where parts stand that are smaller than the row is high, or the stack wide; as large as it is, where absent. */
  align?: keyof typeof ALIGNED;
  /** Where the parts stand that do not fill it; at its beginning, where absent. */
  justify?: keyof typeof JUSTIFIED;
  /** Parts side by side, and not one below the other. */
  across?: boolean;
  /** Does what is side by side stay on one line, however narrow? Usually what does not fit goes on below; with letters much larger it does so here too, but for `always`. */
  oneLine?: boolean | 'always';
  /** At least as high as a finger needs. */
  touch?: boolean;
  /** Room within its edges: on all sides, left and right, above and below. */
  pad?: Gap;
  padX?: Gap;
  padY?: Gap;
  padTop?: Gap;
  padBottom?: Gap;
  padLeft?: Gap;
  /** A line; a fine one of mist, where nothing else is said. */
  ruled?: keyof typeof RULED;
  ruledIn?: Tone;
  thick?: boolean;
  dashed?: boolean;
  /** The colour of its ground. */
  tone?: Tone;
  round?: keyof typeof radius;
  /** Cuts off what runs over its edges. */
  clip?: boolean;
}

/** With letters much larger, parts that share a row have room for a word each, and go on below where there is none (`theme/appearance.ts`). */
const WEB = Platform.OS === 'web';
const SHARING = (WEB ? { minWidth: 'min(100%, var(--word))' } : {}) as ViewStyle;
const ONE_LINE = (WEB ? 'var(--lines)' : 'nowrap') as 'nowrap';

/** So many pixels where letters are of the usual size, and more where they are larger. */
const asLetters = (px: number) => (WEB ? `calc(${px}px * var(--letters))` : px) as number;

/** What of a style each of them makes. */
const STYLES: { readonly [Name in keyof Placing]-?: (said: NonNullable<Placing[Name]>, all: Placing) => ViewStyle } = {
  fill: (said) =>
    typeof said === 'number' ? { flexGrow: 1, flexShrink: 1, flexBasis: asLetters(said) } : { flex: 1, ...SHARING },
  share: (said) => ({ flex: said, ...SHARING }),
  shrink: () => ({ flexShrink: 1 }),
  self: (said) => ({ alignSelf: ALIGNED[said] }),
  least: (said) => ({ minWidth: said === 'touch' ? TOUCH : said }),
  most: (said) => ({ maxWidth: said === 'all' ? '100%' : said }),
  wide: (said) => ({ width: said === 'all' ? '100%' : said }),
  tall: (said) => ({ height: said }),
  leastTall: (said) => ({ minHeight: said }),
  gap: (said) => ({ gap: GAPS[said] }),
  lineGap: (said) => ({ rowGap: GAPS[said] }),
  align: (said) => ({ alignItems: ALIGNED[said] }),
  justify: (said) => ({ justifyContent: JUSTIFIED[said] }),
  across: (_, { oneLine }) => ({ flexDirection: 'row', flexWrap: oneLine === 'always' ? 'nowrap' : oneLine ? ONE_LINE : 'wrap' }),
  oneLine: () => ({}),
  touch: () => ({ minHeight: TOUCH }),
  pad: (said) => ({ padding: GAPS[said] }),
  padX: (said) => ({ paddingHorizontal: GAPS[said] }),
  padY: (said) => ({ paddingVertical: GAPS[said] }),
  padTop: (said) => ({ paddingTop: GAPS[said] }),
  padBottom: (said) => ({ paddingBottom: GAPS[said] }),
  padLeft: (said) => ({ paddingLeft: GAPS[said] }),
  ruled: (said, { ruledIn = 'mist', thick }) => ({ [RULED[said]]: thick ? 2 : 1, borderColor: colour[ruledIn] }),
  ruledIn: () => ({}),
  thick: () => ({}),
  dashed: () => ({ borderStyle: 'dashed' }),
  tone: (said) => ({ backgroundColor: colour[said] }),
  round: (said) => ({ borderRadius: radius[said] }),
  clip: () => ({ overflow: 'hidden' }),
};

type Name = keyof Placing;
const NAMES: ReadonlySet<string> = new Set(Object.keys(STYLES));

/** Styles by what was asked for, each made once: lists have hundreds of rows. */
const made = new Map<string, ViewStyle>();

/**
 * The style of how something is placed, and what else was said of it.
 * Every text and row of a page comes through here: it makes nothing that it need not.
 */
export function placed<Props extends Placing>(props: Props): [style: ViewStyle, rest: Omit<Props, Name>] {
  const rest: Record<string, unknown> = {};
  let asked = '';
  for (const name in props) {
    const said: unknown = props[name];
    if (!NAMES.has(name)) rest[name] = said;
    else if (said !== undefined && said !== false) asked += `${name} ${said as string | number | true} `;
  }
  let style = made.get(asked);
  if (!style) {
    style = StyleSheet.create({ placed: styleOf(props) }).placed;
    made.set(asked, style);
  }
  // What has a name of a placing was left out just now.
  return [style, rest as Omit<Props, Name>];
}

function styleOf(placing: Placing): ViewStyle {
  const style: ViewStyle = {};
  for (const name of Object.keys(STYLES) as Name[]) {
    const said = placing[name];
    const make = STYLES[name] as (said: unknown, all: Placing) => ViewStyle;
    if (said !== undefined && said !== false) Object.assign(style, make(said, placing));
  }
  return style;
}
