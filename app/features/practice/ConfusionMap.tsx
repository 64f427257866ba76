import type { PracticeStanding } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { sayGroup } from '@plesion/core/practice';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Line } from 'react-native-svg';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Text } from '../../ui/Text';
import { mainView, overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { groupPlate } from './groupPlate';

interface ConfusionMapProps {
  guide: Guide;
  confused: PracticeStanding['guides'][number]['confused'];
}

const PLATE = 66;
const WIDEST = 480;
const NAME = 96;

/** Groups in a ring, joined by what was taken for what: the oftener, the broader. The same numbers stand in the table below. */
export function ConfusionMap({ guide, confused }: ConfusionMapProps) {
  const [room, setRoom] = useState(320);
  const groups = [...new Set(confused.flatMap(({ truth, said }) => [truth, said]))].sort();
  const size = Math.min(room, WIDEST);
  const middle = size / 2;
  const radius = middle - NAME / 2;
  const most = Math.max(...confused.map(({ n }) => n));
  const at = (group: string) => {
    const turn = (2 * Math.PI * groups.indexOf(group)) / groups.length - Math.PI / 2;
    return { x: middle + radius * Math.cos(turn), y: middle + radius * Math.sin(turn) };
  };
  const view = mainView(guide);
  return (
    <Box onLayout={({ nativeEvent }) => setRoom(nativeEvent.layout.width)} align="center">
      <View style={{ width: size, height: size }}>
        <Svg width={size} height={size} aria-hidden>
          {confused.map(({ truth, said, n }) => (
            <Line
              key={`${truth} ${said}`}
              {...{ x1: at(truth).x, y1: at(truth).y, x2: at(said).x, y2: at(said).y }}
              stroke={colour.hazard}
              strokeOpacity={0.55}
              strokeWidth={1.5 + (8 * n) / most}
              strokeLinecap="round"
            />
          ))}
        </Svg>
        {groups.map((group) => {
          const plate = groupPlate(guide, group, view, 'thumb');
          const { x, y } = at(group);
          return (
            <View key={group} style={[styles.group, { left: x - NAME / 2, top: y - NAME / 2 }]}>
              <Box pad="xs" round="m" tone="sheet">
                {plate && <PlateView plate={plate} {...overPlate(plate, PLATE, PLATE * 0.7)} />}
              </Box>
              <Text size="small" strong style={styles.name}>
                {sayGroup(guide, { id: group, label: group })}
              </Text>
            </View>
          );
        })}
      </View>
    </Box>
  );
}

const styles = StyleSheet.create({
  group: { position: 'absolute', width: NAME, height: NAME, alignItems: 'center', justifyContent: 'center' },
  name: { textAlign: 'center', backgroundColor: colour.sheet },
});
