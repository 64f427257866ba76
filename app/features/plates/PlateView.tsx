import type { Plate } from '@plesion/core/plates';
import { memo, type ReactNode } from 'react';
import { Platform, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';

interface PlateViewProps {
  plate: Plate;
  width: number;
  height: number;
  /** What is drawn, for those who cannot see it; without it the drawing is decoration. */
  label?: string;
  /** Drawn over the plate, in its own units: hundredths of a millimetre. */
  children?: ReactNode;
}

const units = (mm: number) => Math.round(mm * 100);

/** Ink on paper by day; by lamp light the browser turns both, so that a plate does not dazzle. */
export const byLamp = Platform.OS === 'web' ? { filter: 'var(--plate)' } : {};

/** All that is drawn of a plate, in its own units. */
export const Inks = ({ plate: { inks } }: Pick<PlateViewProps, 'plate'>): ReactNode =>
  inks.map((ink, i) => (
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
  ));

/** A plate on the screen; what is out of focus is blurred. */
export const PlateView = memo(function PlateView({ plate, width, height, label, children }: PlateViewProps) {
  const { x, y, width: w, height: h } = plate.box;
  const drawing = (
    <View style={{ width, height, ...byLamp }}>
      <Svg
        width={width}
        height={height}
        viewBox={[x, y, w, h].map(units).join(' ')}
        {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
      >
        <Inks plate={plate} />
        {children}
      </Svg>
    </View>
  );
  return plate.blur ? <View style={{ filter: `blur(${((plate.blur * width) / w).toFixed(1)}px)` }}>{drawing}</View> : drawing;
});
