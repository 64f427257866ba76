import type { Character, Guide } from '@plesion/core/guide';
import Svg, { Path, Text as SvgText } from 'react-native-svg';
import { View } from 'react-native';
import { colour, font } from '../../theme/index';
import { measuresOn, overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';

const COLOURS = [colour.hazard, colour.kelp];

/** A long animal or shell leaves room for the entry below it. */
const TALLEST = 320;

/** About how wide a letter of a name is, at its size of 13. */
const LETTER = 7.4;

/** The plate with the lines along which a character is measured. */
export function MeasureGuide({
  guide,
  form,
  character,
  width: room,
}: {
  guide: Guide;
  form: string;
  character: Character;
  width: number;
}) {
  const drawn = measuresOn(guide, form, character);
  if (!drawn) return null;
  const { plate, measures } = drawn;
  const { to, path, ...drawnAt } = overPlate(plate, room, TALLEST);
  const [width, height] = [Math.round(drawnAt.width), Math.round(drawnAt.height)];
  return (
    <View
      style={{ width, height, alignSelf: 'center' }}
      role="img"
      aria-label={`Where to measure: ${measures.map((m) => m.name).join(' and ')}`}
    >
      <PlateView plate={plate} width={width} height={height} />
      <Svg width={width} height={height} style={{ position: 'absolute' }} aria-hidden>
        {measures.map((measure, i) => {
          const [x, y] = to(measure.line[measure.line.length - 1]);
          // A name that would run off ends at the edge instead.
          const fits = x + 6 + LETTER * measure.name.length < width;
          return [
            <Path
              key={`${measure.name}-under`}
              d={path(measure.line)}
              stroke={colour.sheet}
              strokeWidth={6}
              fill="none"
              opacity={0.8}
            />,
            <Path
              key={measure.name}
              d={path(measure.line)}
              stroke={COLOURS[i]}
              strokeWidth={2.5}
              fill="none"
              strokeLinecap="round"
            />,
            // A pale rim round the word keeps it legible on the drawing.
            ...[colour.sheet, COLOURS[i]].map((ink, layer) => (
              <SvgText
                key={`${measure.name}-name-${layer}`}
                x={fits ? x + 6 : width - 2}
                textAnchor={fits ? 'start' : 'end'}
                y={Math.max(12, y - 5)}
                fontSize={13}
                fontFamily={font.bold}
                fill={ink}
                stroke={layer === 0 ? ink : 'none'}
                strokeWidth={4}
              >
                {measure.name}
              </SvgText>
            )),
          ];
        })}
      </Svg>
    </View>
  );
}
