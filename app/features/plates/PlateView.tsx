import type { Plate } from '@plesion/core/plates';
import { memo } from 'react';
import Svg, { Path } from 'react-native-svg';

interface PlateViewProps {
  plate: Plate;
  width: number;
  height: number;
  /** What is drawn, for those who cannot see it; without it the drawing is decoration. */
  label?: string;
}

const units = (mm: number) => Math.round(mm * 100);

/** A plate on the screen. */
export const PlateView = memo(function PlateView({ plate, width, height, label }: PlateViewProps) {
  const { x, y, width: w, height: h } = plate.box;
  return (
    <Svg
      width={width}
      height={height}
      viewBox={[x, y, w, h].map(units).join(' ')}
      {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
    >
      {plate.inks.map((ink, i) => (
        <Path
          key={i}
          d={ink.d}
          fill={ink.fill ?? 'none'}
          fillRule="evenodd"
          stroke={ink.stroke}
          strokeWidth={ink.strokeWidth}
          strokeLinecap="round"
          strokeLinejoin="round"
          opacity={ink.opacity}
        />
      ))}
    </Svg>
  );
});
