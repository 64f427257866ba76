import { type Leader, type Plate, scaleBar } from '@plesion/core/plates';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Circle, G, Line, Text as SvgText } from 'react-native-svg';
import { colour, font } from '../../theme';
import { Box } from '../../ui/Box';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { PlateView } from './PlateView';

interface PlateSheetProps {
  plate: Plate;
  width: number;
  label: string;
  caption: string;
  /** Characters to point at, numbered as they stand. */
  leaders?: readonly Leader[];
  /** Below the caption: what the numbers mean, or what can be done. */
  children?: ReactNode;
}

/** Of a marked plate, what is left for the numbers on either side. */
const MARGIN = 0.09;

/** A plate on its own paper, with a caption and a scale bar; with characters, numbers that point at them. */
export function PlateSheet({ plate, width, label, caption, leaders = [], children }: PlateSheetProps) {
  const shown = leaders.length ? widened(plate) : plate;
  const bar = scaleBar(plate);
  return (
    <Stack most="all" pad="s" ruled="round" ruledIn="hairline" round="l" tone="paper">
      <PlateView plate={shown} width={width} height={(width * shown.box.height) / shown.box.width} label={label}>
        {leaders.map((leader, i) => (
          <Pointer key={leader.part} leader={leader} number={i + 1} plate={shown} width={width} />
        ))}
      </PlateView>
      <Row gap="m" align="end" justify="between" padX="s">
        <Text size="small" quiet style={styles.caption}>
          {caption}
        </Text>
        {bar && (
          <Box align="end">
            <View style={[styles.bar, { width: (bar.mm * width) / shown.box.width }]} />
            <Text size="small" quiet>
              {bar.label}
            </Text>
          </Box>
        )}
      </Row>
      {children}
    </Stack>
  );
}

function widened(plate: Plate): Plate {
  const { x, y, width, height } = plate.box;
  return { ...plate, box: { x: x - width * MARGIN, y, width: width * (1 + 2 * MARGIN), height } };
}

/** A number at the edge of the plate, a line, and a dot on the part. */
function Pointer({
  leader: { side, from, to },
  number,
  plate,
  width,
}: {
  leader: Leader;
  number: number;
  plate: Plate;
  width: number;
}) {
  const unit = (plate.box.width * 100) / width;
  const radiusOf = 9 * unit;
  const [x1, y1] = [
    (side === 'left' ? plate.box.x : plate.box.x + plate.box.width) * 100 + (side === 'left' ? 12 : -12) * unit,
    from[1] * 100,
  ];
  const [x2, y2] = [to[0] * 100, to[1] * 100];
  return (
    <G>
      <Line x1={x1} y1={y1} x2={x2} y2={y2} stroke="#FBFAF6" strokeWidth={3.4 * unit} opacity={0.8} />
      <Line x1={x1} y1={y1} x2={x2} y2={y2} stroke="#0E4F4A" strokeWidth={1.2 * unit} />
      <Circle cx={x2} cy={y2} r={2.6 * unit} fill="#0E4F4A" />
      <Circle cx={x1} cy={y1} r={radiusOf} fill="#FFFFFF" stroke="#0E4F4A" strokeWidth={1.4 * unit} />
      <SvgText x={x1} y={y1 + 4 * unit} fontSize={11.5 * unit} fontFamily={font.strong} fill="#0E4F4A" textAnchor="middle">
        {number}
      </SvgText>
    </G>
  );
}

const styles = StyleSheet.create({
  caption: { flexGrow: 1, flexShrink: 1 },
  bar: { height: 6, borderLeftWidth: 1.5, borderRightWidth: 1.5, borderBottomWidth: 1.5, borderColor: colour.ink },
});
