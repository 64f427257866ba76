import type { Standing } from '@plesion/core/evidence';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { taxonIndex } from '@plesion/core/guide';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { colour, font } from '../../theme';
import { Box } from '../../ui/Box';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { sayBeam, saySide } from './beamWords';
import { layOutBeam, type Placed } from './beamLayout';
import { leadingForm } from '../analysis/leadingForm';

interface BeamProps {
  guide: Guide;
  answer: Standing;
  /** Words for a reading, by its place. */
  say: (reading: number) => string;
  onOpen: (reading: number) => void;
}

const TOP = 46;
const STRING = 20;
const ROW = 27;

/**
 * The beam: readings hang on an axis of bits between the two leading candidates,
 * amber squares for the left, violet discs for the right; the pointer is their sum.
 */
export function Beam({ guide, answer, say, onOpen }: BeamProps) {
  const [width, setWidth] = useState(320);
  const { beam, ledger } = answer;
  const hung = [{ reading: -1, bits: beam.start }, ...ledger.filter((entry) => entry.weight > 0)];
  const axis = width - 40;
  const layout = layOutBeam(hung, beam.sum, beam.enough, axis);
  const rows = layout.weights.reduce((most, weight) => Math.max(most, weight.row + 1), 1);
  const height = TOP + STRING + rows * ROW + 6;
  const x = (at: number) => width / 2 + (at * axis) / 2;
  return (
    <Box onLayout={(event) => setWidth(event.nativeEvent.layout.width)} wide="all">
      <Row justify="between" oneLine>
        <SideHead guide={guide} answer={answer} side="left" />
        <SideHead guide={guide} answer={answer} side="right" />
      </Row>
      <View style={{ height }} accessibilityLabel={sayBeam(answer)} role="group">
        <Svg width={width} height={height} aria-hidden>
          {layout.notches.map((at) => (
            <Notch key={at} x={x(at)} labelled={Math.abs(x(at) - x(layout.pointer)) > 44} />
          ))}
          <Line x1={x(-1)} x2={x(1)} y1={TOP} y2={TOP} stroke={colour.ink} strokeWidth={3} strokeLinecap="round" />
          <Path d={`M${x(0) - 9} ${TOP + 17}L${x(0)} ${TOP + 2}L${x(0) + 9} ${TOP + 17}z`} fill={colour.ink} />
          <Pointer x={x(layout.pointer)} room={width} bits={beam.sum} beyond={layout.beyond} />
          {layout.weights.map((weight) => (
            <Thread key={weight.reading} weight={weight} x={x(weight.at)} />
          ))}
          {layout.weights.map((weight) => (
            <Weight key={weight.reading} weight={weight} x={x(weight.at)} />
          ))}
        </Svg>
        {layout.weights.map((weight) => (
          <Pressable
            key={weight.reading}
            role="button"
            accessibilityLabel={
              weight.reading < 0
                ? saySide(answer, weight.bits, 'Place, date and numbers')
                : saySide(answer, weight.bits, say(weight.reading))
            }
            disabled={weight.reading < 0}
            onPress={() => onOpen(weight.reading)}
            style={[styles.touch, { left: x(weight.at) - 22, top: TOP + STRING + weight.row * ROW - 6 }]}
          />
        ))}
      </View>
    </Box>
  );
}

function SideHead({ guide, answer, side }: { guide: Guide; answer: Standing; side: 'left' | 'right' }) {
  const shown = answer.beam[side];
  const isTaxon = taxonIndex(guide).has(shown.group);
  const color = side === 'left' ? colour.for : colour.against;
  const form = leadingForm(guide, answer, side);
  const plate = form && formPlate(guide, form, mainView(guide), 'thumb');
  return (
    <Stack gap="hair" shrink style={side === 'right' && styles.right}>
      {plate && <PlateView plate={plate} width={64} height={50} />}
      <View style={side === 'right' ? styles.right : undefined}>
        {isTaxon ? (
          <TaxonName guide={guide} taxon={shown.group} short size={18} color={color} />
        ) : (
          <Text strong color={color}>
            {shown.label}
          </Text>
        )}
        <Text size="small" quiet>
          {inHundred(shown.p)}
        </Text>
      </View>
    </Stack>
  );
}

function Notch({ x, labelled }: { x: number; labelled: boolean }) {
  return (
    <G>
      <Line x1={x} x2={x} y1={TOP - 9} y2={TOP + 9} stroke={colour.kelp} strokeWidth={3} />
      {labelled && (
        <SvgText x={x} y={TOP - 14} fontSize={11} fontFamily={font.text} fill={colour.kelp} textAnchor="middle">
          enough
        </SvgText>
      )}
    </G>
  );
}

function Pointer({ x, room, bits, beyond }: { x: number; room: number; bits: number; beyond: boolean }) {
  const tip = beyond
    ? `M${x} ${TOP - 5}l${bits > 0 ? -11 : 11} -8l${bits > 0 ? 11 : -11} -8z`
    : `M${x - 9} ${TOP - 20}h18l-9 15z`;
  return (
    <G>
      <Path d={tip} fill={colour.ink} />
      <SvgText
        x={Math.max(32, Math.min(room - 32, x))}
        y={TOP - 27}
        fontSize={13}
        fontFamily={font.strong}
        fill={colour.ink}
        textAnchor="middle"
      >
        {`${Math.abs(bits).toFixed(1)} bits`}
      </SvgText>
    </G>
  );
}

function Thread({ weight: { bits, row }, x }: { weight: Placed; x: number }) {
  return (
    <Line
      x1={x}
      x2={x}
      y1={TOP}
      y2={TOP + STRING + row * ROW}
      stroke={bits > 0 ? colour.for : colour.against}
      strokeWidth={1.4}
    />
  );
}

function Weight({ weight, x }: { weight: Placed; x: number }) {
  const { size, bits, row, reading } = weight;
  const top = TOP + STRING + row * ROW;
  const middle = top + size / 2;
  const left = bits > 0;
  const line = left ? colour.for : colour.against;
  const fill = left ? colour.forWash : colour.againstWash;
  return (
    <G>
      {left ? (
        <Rect
          x={x - size / 2}
          y={top}
          width={size}
          height={size}
          rx={4}
          fill={fill}
          stroke={line}
          strokeWidth={2}
          strokeDasharray={reading < 0 ? '3 3' : undefined}
        />
      ) : (
        <Circle
          cx={x}
          cy={middle}
          r={size / 2}
          fill={fill}
          stroke={line}
          strokeWidth={2}
          strokeDasharray={reading < 0 ? '3 3' : undefined}
        />
      )}
      {size >= 19 && (
        <SvgText x={x} y={middle + 4} fontSize={11} fontFamily={font.strong} fill={colour.ink} textAnchor="middle">
          {Math.abs(bits).toFixed(1)}
        </SvgText>
      )}
    </G>
  );
}

const styles = StyleSheet.create({
  right: { alignItems: 'flex-end' },
  touch: { position: 'absolute', width: 44, height: 44 },
});
