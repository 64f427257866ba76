import type { ReactNode } from 'react';
import Svg from 'react-native-svg';
import type { Size } from './ground';

/** A drawing that lies on the ground and lets touches through. */
export const Overlay = ({ size, children }: { size: Size; children: ReactNode }) => (
  <Svg width={size.width} height={size.height} aria-hidden style={{ position: 'absolute', left: 0, top: 0 }} pointerEvents="none">
    {children}
  </Svg>
);
