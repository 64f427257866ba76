import type { Match } from '@plesion/core/measure';
import { createElement, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Box } from '../../ui/Box';
import { Slider } from '../../ui/Slider';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import type { Size, View as Placed } from '../measure/view';
import { ZoomButtons } from '../../ui/ZoomButtons';
import { Layer } from './Layer';
import { NO_MATCH, type Way } from './layers';
import type { Picture } from './pictures';
import { useLook } from './useLook';

/** A picture, and what it is called. */
export interface Side {
  picture: Picture;
  label: string;
}

interface BesideViewProps {
  left: Side;
  right: Side;
  /** How the right one lies on the left one. */
  match: Match;
  way: Way;
  /** Are the two next to each other, rather than one above the other? */
  wide: boolean;
}

/** Two pictures looked at together: whatever is moved or enlarged, they keep to each other. */
export function BesideView({ left, right, match, way, wide }: BesideViewProps) {
  const [chosen, setView] = useState<Placed>();
  const [share, setShare] = useState(50);
  const panes = way === 'beside' ? [[left], [right]] : [[left, right]];
  return (
    <Stack>
      <Stack style={wide && styles.row}>
        {panes.map((sides) => (
          <Pane
            key={sides.map(({ label }) => label).join(' ')}
            sides={sides}
            right={right}
            size={left.picture}
            match={match}
            chosen={chosen}
            onView={setView}
            height={wide ? 460 : 300}
            laid={way === 'beside' ? undefined : { way, share: share / 100 }}
          />
        ))}
      </Stack>
      {way !== 'beside' && (
        <Slider
          label={way === 'swipe' ? `How far ${right.label} is wiped over` : `How much of ${right.label} shines through`}
          value={share}
          onChange={setShare}
        />
      )}
    </Stack>
  );
}

interface PaneProps {
  sides: readonly Side[];
  right: Side;
  /** Of the left picture, which tells where all lies. */
  size: Size;
  match: Match;
  chosen: Placed | undefined;
  onView: (view: Placed | undefined) => void;
  height: number;
  laid?: { way: Way; share: number };
}

function Pane({ sides, right, size, match, chosen, onView, height, laid }: PaneProps) {
  const surface = useRef<HTMLElement>(null);
  const [room, setRoom] = useState<Size>();
  const { view, nearer, all } = useLook(surface, size, room, chosen, onView);
  const cut = laid && room && laid.way === 'swipe' ? { clipPath: `inset(0 0 0 ${(1 - laid.share) * 100}%)` } : {};
  const thin = laid?.way === 'through' ? { opacity: laid.share } : {};
  return (
    <Box fill={0} style={{ height }}>
      <Box
        ref={surface as never}
        role="application"
        tabIndex={0}
        aria-label={`${sides.map(({ label }) => label).join(' and ')}. Arrows move, + and − bring nearer and farther, 0 shows all.`}
        onLayout={({ nativeEvent: { layout } }) => setRoom({ width: layout.width, height: layout.height })}
        fill
        ruled="round"
        ruledIn="hairline"
        clip
        round="m"
        tone="paper"
        style={NO_SCROLL}
      >
        {view &&
          sides.map((side) => (
            <View key={side.label} style={[StyleSheet.absoluteFill, side === right ? { ...cut, ...thin } : {}]}>
              <Layer picture={side.picture} view={view} match={side === right ? match : NO_MATCH} />
            </View>
          ))}
        {laid?.way === 'swipe' &&
          createElement('div', {
            'aria-hidden': true,
            style: { ...LINE, left: `calc(${(1 - laid.share) * 100}% - 1px)`, background: colour.kelp },
          })}
      </Box>
      <View style={styles.label}>
        <Text size="small" strong>
          {sides.map(({ label }) => label).join(' / ')}
        </Text>
      </View>
      <ZoomButtons what="picture" nearer={nearer} all={all} />
    </Box>
  );
}

const NO_SCROLL = { touchAction: 'none', cursor: 'grab', userSelect: 'none' } as object;
const LINE = { position: 'absolute', top: 0, bottom: 0, width: 2 } as const;

const styles = StyleSheet.create({
  row: { flexDirection: 'row' },
  label: {
    position: 'absolute',
    left: space.s,
    top: space.s,
    maxWidth: '80%',
    paddingHorizontal: space.s,
    paddingVertical: 2,
    borderRadius: radius.s,
    backgroundColor: colour.sheet,
  },
});
