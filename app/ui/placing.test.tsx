import { render, screen } from '@testing-library/react-native';
import { StyleSheet, type ViewStyle } from 'react-native';
import { colour, radius, TOUCH } from '../theme';
import { Box } from './Box';
import { placed, type Placing } from './placing';
import { PressBox } from './PressBox';
import { Text } from './Text';

const styleOf = (placing: Placing) => StyleSheet.flatten(placed(placing)[0]);
const shownStyle = (id: string) => StyleSheet.flatten(screen.getByTestId(id).props.style as ViewStyle);

describe('a place', () => {
  it.each<[Placing, ViewStyle]>([
    [{}, {}],
    [{ fill: true }, { flex: 1 }],
    [{ fill: 180 }, { flexGrow: 1, flexShrink: 1, flexBasis: 180 }],
    [{ fill: 0 }, { flexGrow: 1, flexShrink: 1, flexBasis: 0 }],
    [{ fill: false, shrink: undefined, across: false }, {}],
    [
      { least: 'touch', most: 'all', wide: 84 },
      { minWidth: TOUCH, maxWidth: '100%', width: 84 },
    ],
    [{ least: 0 }, { minWidth: 0 }],
    [
      { self: 'start', align: 'stretch', justify: 'evenly' },
      { alignSelf: 'flex-start', alignItems: 'stretch', justifyContent: 'space-evenly' },
    ],
    [{ across: true }, { flexDirection: 'row', flexWrap: 'wrap' }],
    [
      { oneLine: true, across: true },
      { flexDirection: 'row', flexWrap: 'nowrap' },
    ],
    [
      { gap: 'none', lineGap: 'm' },
      { gap: 0, rowGap: 12 },
    ],
    [
      { pad: 'm', padX: 'l', padY: 'xs', padTop: 'hair', padBottom: 'xxl' },
      { padding: 12, paddingHorizontal: 16, paddingVertical: 4, paddingTop: 2, paddingBottom: 32 },
    ],
    [{ ruled: 'above' }, { borderTopWidth: 1, borderColor: colour.mist }],
    [
      { ruledIn: 'edge', ruled: 'below' },
      { borderBottomWidth: 1, borderColor: colour.edge },
    ],
    [
      { ruled: 'round', ruledIn: 'kelp', round: 'm', tone: 'paper', clip: true, touch: true },
      {
        borderWidth: 1,
        borderColor: colour.kelp,
        borderRadius: radius.m,
        backgroundColor: colour.paper,
        overflow: 'hidden',
        minHeight: TOUCH,
      },
    ],
  ])('%j is styled so', (placing, style) => {
    expect(styleOf(placing)).toEqual(style);
  });

  it('leaves what is not about it, and is made once for all that ask for the same', () => {
    const [style, rest] = placed({ fill: true, gap: 's' as const, role: 'group', onLayout: undefined });
    expect(rest).toEqual({ role: 'group', onLayout: undefined });
    expect(placed({ fill: true, gap: 's' })[0]).toBe(style);
    expect(placed({ fill: true, gap: 'm' })[0]).not.toBe(style);
  });
});

describe('what has a place', () => {
  it('adds a style of its own, which goes before', () => {
    render(<Box testID="box" pad="m" tone="paper" style={{ padding: 3, opacity: 0.5 }} />);
    expect(shownStyle('box')).toEqual({ padding: 3, opacity: 0.5, backgroundColor: colour.paper });
  });

  it('is pressed, with and without a look of its own for that', () => {
    render(
      <>
        <PressBox testID="plain" touch />
        <PressBox testID="told" touch style={({ pressed }) => ({ opacity: pressed ? 0.5 : 1 })} />
      </>,
    );
    expect(shownStyle('plain')).toMatchObject({ minHeight: TOUCH });
    expect(shownStyle('told')).toMatchObject({ minHeight: TOUCH, opacity: 1 });
  });

  it('is a text as well: its room, and where its lines stand', () => {
    render(
      <Text testID="text" fill={120} set="right" style={{ color: colour.for }}>
        12 mm
      </Text>,
    );
    expect(shownStyle('text')).toMatchObject({ flexBasis: 120, flexGrow: 1, textAlign: 'right', color: colour.for });
    expect(screen.getByTestId('text').props).not.toHaveProperty('fill');
  });
});
