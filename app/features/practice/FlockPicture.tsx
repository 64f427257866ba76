import type { Plate } from '@plesion/core/plates';
import type { Flock } from '@plesion/core/practice';
import { useId } from 'react';
import { View } from 'react-native';
import Svg, { Defs, G, Use } from 'react-native-svg';
import { byLamp, Inks } from '../plates/PlateView';

interface FlockPictureProps {
  flock: Flock;
  /** Of each individual. */
  plates: readonly Plate[];
  width: number;
  label: string;
}

/** Drawn in units of which its width has so many. */
const WIDE = 400;

/** Many at once. Each individual is drawn once, however many are like it: hundreds are as quick as a few. */
export function FlockPicture({ flock: { members, size, across }, plates, width, label }: FlockPictureProps) {
  const own = useId();
  const high = WIDE / across;
  return (
    <View style={byLamp}>
      <Svg width={width} height={width / across} viewBox={`0 0 ${WIDE} ${high}`} role="img" aria-label={label}>
        <Defs>
          {plates.map((plate, of) => (
            <G key={of} id={`${own}${of}`}>
              <Inks plate={plate} />
            </G>
          ))}
        </Defs>
        {members.map(({ of, x, y, turned }, i) => (
          <Use key={i} href={`#${own}${of}`} transform={place(plates[of], x * WIDE, y * high, turned, size * WIDE)} />
        ))}
      </Svg>
    </View>
  );
}

/** The middle of a plate at a place, turned, its longer side as long as `side`. */
function place({ box }: Plate, x: number, y: number, turned: number, side: number): string {
  const scale = side / (100 * Math.max(box.width, box.height));
  const [cx, cy] = [100 * (box.x + box.width / 2), 100 * (box.y + box.height / 2)];
  return `translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${turned}) scale(${scale.toPrecision(4)}) translate(${-cx.toFixed(0)} ${-cy.toFixed(0)})`;
}
