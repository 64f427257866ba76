import { clipOf, drawsBeat } from '@plesion/core/camera';
import type { Character, Guide } from '@plesion/core/guide';
import { useMemo, useState } from 'react';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import type { Bench } from '../analysis/useBench';
import { PlateView } from '../plates/PlateView';
import { compiledOf } from '../records/compiled';
import { planOf } from '../records/plans';
import { ClipDesk } from './ClipDesk';
import { useDrawnPlayer } from './player';

/** Can something that beats be drawn of this guide? */
export const drawsBeatOf = (guide: Guide): boolean => {
  const plan = planOf(guide);
  return plan !== undefined && drawsBeat(plan);
};

interface PracticeClipProps {
  bench: Bench;
  character: Character;
  beats: readonly number[];
  onBeat: (second: number) => void;
  /** Another individual is shown: what was marked was of the one before. */
  onOther: () => void;
}

const SECONDS = 8;
const WIDTH = 340;

/** A made-up individual that beats, drawn from its plates, to try the marking on; how fast is told when one asks. */
export function PracticeClip({ bench, character, beats, onBeat, onOther }: PracticeClipProps) {
  const { guide } = bench.stored;
  const [seed, setSeed] = useState(1);
  const [told, setTold] = useState(false);
  const compiled = compiledOf(guide);
  const form = bench.answer?.forms[0].form ?? compiled.forms[0].id;
  const clip = useMemo(
    () => clipOf(compiled, planOf(guide)!, form, character.id, `${form} ${seed}`),
    [compiled, guide, form, character.id, seed],
  );
  const player = useDrawnPlayer(SECONDS);
  if (!clip) return <Text quiet>How fast this form beats is not known to the guide.</Text>;
  const plate = clip.at(player.at);
  const { width, height } = plate.box;
  return (
    <Stack>
      <Box
        align="center"
        justify="center"
        ruled="round"
        ruledIn="hairline"
        leastTall={240}
        round="l"
        tone="paper"
        role="img"
        aria-label="The practice clip: one in flight, coming towards you"
      >
        <PlateView plate={plate} width={WIDTH} height={(WIDTH * height) / width} />
      </Box>
      <ClipDesk player={player} beats={beats} onBeat={onBeat} />
      <Row align="center">
        <Button
          small
          label="Another one"
          onPress={() => {
            player.pause();
            player.seek(0);
            setTold(false);
            setSeed(seed + 1);
            onOther();
          }}
        />
        {told ? (
          <Text figures testID="truth">{`It beats ${clip.truth.rate.toFixed(2)} times a second.`}</Text>
        ) : (
          <Button small kind="quiet" label="How fast was it?" disabled={beats.length < 4} onPress={() => setTold(true)} />
        )}
      </Row>
    </Stack>
  );
}
