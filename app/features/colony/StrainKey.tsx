import { useId } from 'react';
import Svg, { Defs, Path, Pattern, Rect } from 'react-native-svg';
import { colour } from '../../theme';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

/** Strains differ by their hatching as well as by their colour; more than these begin anew. */
const LOOKS = [
  { ground: colour.kelp, lines: '' },
  { ground: colour.forWash, lines: 'M0 2H6' },
  { ground: colour.against, lines: '' },
  { ground: colour.sheet, lines: 'M0 0L6 6' },
  { ground: colour.for, lines: '' },
  { ground: colour.hairline, lines: 'M0 2H6M0 5H6' },
] as const;

const lookOf = (i: number) => LOOKS[i % LOOKS.length];

export const strainFill = (i: number, within = ''): string => `url(#strain${i % LOOKS.length}${within})`;

/** The hatching of a strain, to be named among the definitions of a drawing. */
export function StrainPattern({ i, within = '' }: { i: number; within?: string }) {
  const { ground, lines } = lookOf(i);
  return (
    <Pattern id={`strain${i % LOOKS.length}${within}`} width={6} height={6} patternUnits="userSpaceOnUse">
      <Rect width={6} height={6} fill={ground} />
      {lines !== '' && <Path d={lines} stroke={colour.ink} strokeWidth={1.4} />}
    </Pattern>
  );
}

/** Which band is which strain. */
export function StrainKey({ strains }: { strains: readonly string[] }) {
  const own = useId();
  return (
    <Row gap="m">
      {strains.map((strain, i) => (
        <Row key={strain} gap="xs" align="center" oneLine>
          <Svg width={14} height={22} aria-hidden>
            <Defs>
              <StrainPattern i={i} within={own} />
            </Defs>
            <Rect x={1} y={1} width={12} height={20} fill={strainFill(i, own)} stroke={colour.ink} strokeWidth={0.8} />
          </Svg>
          <Text size="small">{strain}</Text>
        </Row>
      ))}
    </Row>
  );
}
