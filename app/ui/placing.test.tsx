import { render, screen } from '@testing-library/react-native';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { colour, radius, TOUCH } from '../theme';
import { Bar } from './Bar';
import { Box } from './Box';
import { Column, Columns } from './Columns';
import { Option, Options } from './Options';
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

let mockWide = false;
jest.mock('../theme', () => ({ ...jest.requireActual<object>('../theme'), useWide: () => mockWide }));

describe('a part of a page', () => {
  it('is a column where there is room, and goes below where there is none', () => {
    const page = () => (
      <Columns testID="columns">
        <Column testID="column" times={3} />
      </Columns>
    );
    mockWide = true;
    render(page());
    expect(shownStyle('columns')).toMatchObject({ flexDirection: 'row', flexWrap: 'nowrap', alignItems: 'flex-start' });
    expect(shownStyle('column')).toMatchObject({ flex: 3 });
    mockWide = false;
    screen.rerender(page());
    expect(shownStyle('columns')).not.toHaveProperty('flexDirection');
    expect(shownStyle('column')).not.toHaveProperty('flex');
  });

  it.each([
    [0, '0%'],
    [0.0004, '1%'],
    [0.5, '50%'],
    [1, '100%'],
  ])('is a bar for %d that shows %s of it', (part, width) => {
    render(<Bar part={part} />);
    const filled = screen.UNSAFE_getAllByType(View).at(-1)!;
    expect(StyleSheet.flatten(filled.props.style as ViewStyle)).toMatchObject({ width });
  });

  it('tells by its edge and its ground that it is chosen, and nothing moves', () => {
    render(
      <Options label="Edge">
        {['round', 'toothed'].map((edge) => (
          <Option key={edge} framed pad="s" on={edge === 'round'} label={edge} onPress={() => undefined}>
            <Text>{edge}</Text>
          </Option>
        ))}
      </Options>,
    );
    const [on, off] = ['round', 'toothed'].map((name) =>
      StyleSheet.flatten(screen.getByLabelText(name).props.style as ViewStyle),
    );
    expect(on.borderColor).toBe(colour.kelp);
    expect(off.borderColor).toBe(colour.hairline);
    expect([on.borderWidth, on.padding]).toEqual([off.borderWidth, off.padding]);
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
