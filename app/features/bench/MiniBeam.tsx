import type { Standing } from '@plesion/core/evidence';
import { ofHundred } from '@plesion/core/evidence';
import { shortName } from '@plesion/core/guide';
import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, font, space } from '../../theme';
import { Box } from '../../ui/Box';
import { Text } from '../../ui/Text';
import { layOutBeam } from './beamLayout';

/**
 * The beam in one line, in sight while characters are read: who leads, by how much, and how far it is to
 * enough. For the eye only: the beam itself says all of it, and the call announces what changes.
 */
export const MiniBeam = memo(function MiniBeam({ answer }: { answer: Standing }) {
  const { beam } = answer;
  const { pointer, notches } = layOutBeam([{ reading: -1, bits: beam.start }], beam.sum, beam.enough, 200);
  const place = (at: number) => `${50 + at * 50}%` as const;
  return (
    <View aria-hidden style={styles.line}>
      <Text size="small" color={colour.for} numberOfLines={1} style={styles.name}>
        {`${shortName(beam.left.label)} ${ofHundred(beam.left.p)}`}
      </Text>
      <Box justify="center" fill tall={18}>
        <View style={styles.axis} />
        {notches.map((at) => (
          <View key={at} style={[styles.notch, { left: place(at) }]} />
        ))}
        <View style={[styles.pointer, { left: place(pointer) }]} />
      </Box>
      <Text size="small" color={colour.against} numberOfLines={1} style={[styles.name, styles.right]}>
        {`${ofHundred(beam.right.p)} ${shortName(beam.right.label)}`}
      </Text>
    </View>
  );
});

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.s, marginBottom: space.s },
  name: { fontFamily: font.name, flexBasis: 124, flexShrink: 1 },
  right: { textAlign: 'right' },
  axis: { height: 3, borderRadius: 2, backgroundColor: colour.ink },
  notch: { position: 'absolute', width: 2, height: 14, top: 2, marginLeft: -1, backgroundColor: colour.kelp },
  pointer: {
    position: 'absolute',
    top: 0,
    marginLeft: -6,
    width: 0,
    height: 0,
    borderLeftWidth: 6,
    borderRightWidth: 6,
    borderTopWidth: 10,
    borderLeftColor: 'transparent',
    borderRightColor: 'transparent',
    borderTopColor: colour.ink,
  },
});
