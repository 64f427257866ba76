import type { Character, Guide } from '@plesion/core/guide';
import { useEffect, useMemo, useState } from 'react';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { compiledOf } from '../records/compiled';
import { calliperOn } from './calliper';

/** Individuals that a calliper was put to: each time another one. */
let made = 0;

/** Milliseconds between two values that it sends. */
const TICK = 120;

interface CalliperPanelProps {
  guide: Guide;
  form: string;
  character: Character;
  onTake: (value: number) => void;
}

/**
 * A practice calliper that sends values as a digital one does: the button, or the space bar on it, takes
 * what it shows. A real one that types like a keyboard goes straight into the field.
 */
export function CalliperPanel({ guide, form, character, onTake }: CalliperPanelProps) {
  const [seed, setSeed] = useState(0);
  const [tick, setTick] = useState(0);
  const calliper = useMemo(
    () => (seed > 0 ? calliperOn(compiledOf(guide), form, character.id, character.unit ?? 'mm', `${form} ${seed}`) : undefined),
    [guide, form, character, seed],
  );
  useEffect(() => {
    if (!calliper) return;
    const timer = setInterval(() => setTick((now) => now + 1), TICK);
    return () => clearInterval(timer);
  }, [calliper]);
  const shown = calliper?.at(tick);
  if (!calliper || shown === undefined)
    return (
      <Button
        small
        kind="quiet"
        label="Practice calliper"
        hint="Practice calliper: put a calliper to a made-up individual"
        onPress={() => {
          setTick(0);
          setSeed(++made);
        }}
      />
    );
  const digits = character.unit === 'cm' ? 3 : 2;
  return (
    <Row gap="m" align="center" pad="m" round="m" tone="mist" role="group" aria-label="Practice calliper">
      <Text size="lead" strong figures testID="calliper">{`${shown.toFixed(digits)} ${character.unit ?? ''}`}</Text>
      <Text size="small" quiet>
        {tick < calliper.closes ? 'closing' : 'closed'}
      </Text>
      <Button
        small
        kind="main"
        label="Use it"
        hint="Use it: what the calliper shows"
        onPress={() => onTake(Number(shown.toFixed(digits)))}
      />
      <Button small kind="quiet" label="Close it" onPress={() => setSeed(0)} />
    </Row>
  );
}
