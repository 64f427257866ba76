import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Line } from 'react-native-svg';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Slider } from '../../ui/Slider';
import { Stack } from '../../ui/Stack';
import { PICTURE } from './beats';
import { type Player, SPEEDS } from './player';

interface ClipDeskProps {
  player: Player;
  beats: readonly number[];
  onBeat: (second: number) => void;
}

/** What plays a clip and marks beats on its time line: as it runs, or picture by picture. */
export function ClipDesk({ player, beats, onBeat }: ClipDeskProps) {
  const { at, seconds, playing, speed } = player;
  const [width, setWidth] = useState(300);
  return (
    <Stack>
      <View onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width)} role="img" aria-label={sayBeats(beats)}>
        <Svg width={width} height={28}>
          <Line x1={0} x2={width} y1={14} y2={14} stroke={colour.unknown} strokeWidth={1.5} />
          {beats.map((beat) => (
            <Line
              key={beat}
              x1={(beat / seconds) * width}
              x2={(beat / seconds) * width}
              y1={4}
              y2={24}
              stroke={colour.kelp}
              strokeWidth={2.5}
            />
          ))}
          <Line x1={(at / seconds) * width} x2={(at / seconds) * width} y1={0} y2={28} stroke={colour.hazard} strokeWidth={1.5} />
        </Svg>
      </View>
      <Slider
        label="Moment"
        from={0}
        to={seconds}
        step={0.01}
        value={at}
        onChange={player.seek}
        say={(second) => `${second.toFixed(2)} s of ${seconds.toFixed(1)}`}
      />
      <Row align="center">
        <Button label={playing ? 'Pause' : 'Play'} onPress={playing ? player.pause : player.play} />
        <Button small label="‹" hint="One picture back" disabled={playing} onPress={() => player.seek(at - PICTURE)} />
        <Button small label="›" hint="One picture on" disabled={playing} onPress={() => player.seek(at + PICTURE)} />
        <Button kind="main" label="Beat here" onPress={() => onBeat(player.now())} />
      </Row>
      <ChoiceGroup
        label="Speed"
        options={SPEEDS.map((one) => ({ id: String(one), label: one === 1 ? 'as it was' : `${one} of it` }))}
        chosen={[String(speed)]}
        onChange={([next]) => player.setSpeed(Number(next))}
      />
    </Stack>
  );
}

const sayBeats = (beats: readonly number[]): string =>
  beats.length
    ? `Time line, ${beats.length} beats: ${beats.map((beat) => beat.toFixed(2)).join(', ')} s`
    : 'Time line, no beats yet';
