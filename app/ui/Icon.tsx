import Svg, { Path } from 'react-native-svg';

/** Our own few signs, drawn on a 24 unit square. */
const SIGNS = {
  daybook: 'M5 4h11a3 3 0 0 1 3 3v13H8a3 3 0 0 1-3-3zM5 17a3 3 0 0 1 3-3h11M9 8h6M9 11h4',
  bench: 'M3 8h18M12 4v4M6.5 8v5M17.5 8v8M4 13h5v4H4zM17.5 16a2.5 2.5 0 1 0 0.01 0',
  guides: 'M4 5c3-1.5 6-1 8 1v14c-2-2-5-2.500-8-1zM20 5c-3-1.500-6-1-8 1v14c2-2 5-2.500 8-1z',
  field: 'M4 4v16M20 4v16M4 6.500h16M4 11h16M4 15.500h16M8 6.500v9M12 6.500v9M16 6.500v9',
  practice:
    'M3 12c3-4.500 6-6.500 9-6.500s6 2 9 6.500c-3 4.500-6 6.500-9 6.500S6 16.500 3 12zM12 9a3 3 0 1 0 0.01 0M12 2v1.500M4.500 4.500l1 1M19.500 4.500l-1 1',
  plus: 'M12 5v14M5 12h14',
  undo: 'M8 5 4 9l4 4M4 9h10a5 5 0 0 1 0 10h-4',
  download: 'M12 4v11M7.500 11l4.500 4.500L16.500 11M5 20h14',
  upload: 'M12 16V5M7.500 9 12 4.500 16.500 9M5 20h14',
  unseen: 'M3 12c3-4.500 6-6.500 9-6.500s6 2 9 6.500c-3 4.500-6 6.500-9 6.500S6 16.500 3 12zM4 20 20 4',
  up: 'M19 19h-8a4 4 0 0 1-4-4V6M3 10l4-4 4 4',
  close: 'M6 6l12 12M18 6 6 18',
  lamp: 'M9 4h6l3 7H6zM12 11v7M8 20h8M4.500 14.500l1.500-1M19.500 14.500l-1.500-1',
} as const;

export type GlyphName = keyof typeof SIGNS;

export function Icon({ name, size = 22, color }: { name: GlyphName; size?: number; color: string }) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={SIGNS[name]} fill="none" stroke={color} strokeWidth={1.8} strokeLinecap="round" strokeLinejoin="round" />
    </Svg>
  );
}
