import { type Scored, sayScored } from '@plesion/core/compare';
import { useState } from 'react';
import Svg, { Line, Path, Text as SvgText } from 'react-native-svg';
import { colour, font } from '../../theme';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { FORM_INKS } from './inks';

const HEIGHT = 78;
const STEPS = 72;

type Values = Extract<Scored, { kind: 'values' }>;

/** The spread of each form's values as a curve over one axis. */
export function ValueCurves({
  forms,
  names,
  unit,
}: {
  forms: readonly (Scored | null)[];
  names: readonly string[];
  unit?: string;
}) {
  const [width, setWidth] = useState(300);
  const known = forms.flatMap((form, i) => (form?.kind === 'values' ? [{ form, i }] : []));
  const shown = (log: boolean, x: number) => (log ? Math.exp(x) : x);
  const low = Math.min(...known.map(({ form }) => shown(form.log, form.mean - 3.2 * form.sd)));
  const high = Math.max(...known.map(({ form }) => shown(form.log, form.mean + 3.2 * form.sd)));
  const at = (x: number) => ((x - low) / (high - low)) * (width - 8) + 4;
  const curves = known.map(({ form, i }) => ({ i, form, points: curveOf(form, low, high) }));
  const most = Math.max(...curves.flatMap(({ points }) => points.map(([, y]) => y)));
  const digits = high - low > 5 ? 0 : 2;
  return (
    <Stack onLayout={(event) => setWidth(event.nativeEvent.layout.width)} gap="xs">
      <Svg
        width={width}
        height={HEIGHT}
        role="img"
        aria-label={curves.map(({ i, form }) => `${names[i]} ${sayScored(form, unit)}`).join(', ')}
      >
        {curves.map(({ i, points }) => {
          const line = points
            .map(([x, y], k) => `${k ? 'L' : 'M'}${at(x).toFixed(1)} ${(60 - (y / most) * 54).toFixed(1)}`)
            .join('');
          return [
            <Path
              key={`${i} area`}
              d={`${line}L${at(high).toFixed(1)} 60L${at(low).toFixed(1)} 60z`}
              fill={FORM_INKS[i].wash}
              opacity={0.55}
            />,
            <Path
              key={`${i} line`}
              d={line}
              fill="none"
              stroke={FORM_INKS[i].line}
              strokeWidth={2.2}
              strokeDasharray={FORM_INKS[i].dash}
            />,
          ];
        })}
        <Line x1={0} x2={width} y1={60} y2={60} stroke={colour.ink} strokeWidth={1.2} />
        {[low, (low + high) / 2, high].map((x, k) => (
          <SvgText
            key={x}
            x={at(x)}
            y={74}
            fontSize={11}
            fontFamily={font.text}
            fill={colour.quiet}
            textAnchor={(['start', 'middle', 'end'] as const)[k]}
          >
            {`${x.toFixed(digits)}${unit ? ` ${unit}` : ''}`}
          </SvgText>
        ))}
      </Svg>
      <Row gap="l" lineGap="none">
        {forms.map((form, i) => (
          <Text key={names[i]} size="small" color={FORM_INKS[i].line}>
            {`${names[i]}: ${form ? sayScored(form, unit) : 'not scored'}${form?.kind === 'values' && form.inferred ? ' (inferred)' : ''}`}
          </Text>
        ))}
      </Row>
    </Stack>
  );
}

/** Density over the shown scale; on a log scale it is divided by the value, so that areas stay equal. */
function curveOf({ mean, sd, log }: Values, low: number, high: number): [number, number][] {
  return Array.from({ length: STEPS + 1 }, (_, k) => {
    const x = low + ((high - low) * k) / STEPS;
    if (log && x <= 0) return [x, 0];
    const z = ((log ? Math.log(x) : x) - mean) / sd;
    return [x, Math.exp((-z * z) / 2) / (sd * (log ? x : 1))];
  });
}
