import type { Pointing } from '@plesion/contract';
import { type Character, type Protocol } from '@plesion/core/guide';
import { type PointSet, type Scale, tiltCost } from '@plesion/core/measure';
import { sayValue } from '@plesion/core/observation';
import { useDeferredValue, useMemo, useState } from 'react';
import { v7 as mintId } from 'uuid';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { readingOf as lastReadingOf } from '../analysis/readings';
import type { Bench } from '../analysis/useBench';
import { compiledOf } from '../records/compiled';
import { measurementDrafts } from '../records/useMeasurements';
import { useSession } from '../session/useSession';
import { useTakeToBench } from '../analysis/useTakeToBench';
import { useRepeatsOf } from '../analysis/useMoreRepeats';
import { outsideAll, sayOutside } from './outside';
import { middleOf, readingOf, type Taken } from './taken';

/** "1.24 ± 0.01" and, of a form, the states it allows. */
export function sayTaken(character: Character, { value, states }: Taken): string {
  if (!value) return '';
  if (value.unit.startsWith('px')) return `${value.value.toFixed(1)} ${value.unit}, without a scale`;
  const said = sayValue(character, value.value, value.sd);
  if (!states) return said;
  const labels = states.map((id) => character.states?.find((one) => one.id === id)?.label ?? id);
  return `${value.value.toFixed(3)} ± ${value.sd.toFixed(3)}: ${labels.join(' or ') || 'none of its states'}`;
}

/** A tilt that is easily overlooked, in degrees. */
const TILT = 10;

interface ResultProps {
  id: string;
  bench: Bench;
  character: Character & { protocol: Protocol };
  photo: string;
  size: { width: number; height: number };
  sets: readonly PointSet[];
  scale?: Scale;
  taken?: Taken;
  /** How well the person points. */
  pointing?: Pointing;
  onAgain: () => void;
  /** It was used: what was set need not be kept any more. */
  onTaken: () => void;
}

/** What it comes to, with its error; used, it becomes a reading and is kept with its points. */
export function Result({ id, bench, character, photo, size, sets, scale, taken, pointing, onAgain, onTaken }: ResultProps) {
  const take = useTakeToBench(id, bench);
  const station = useSession().station.id;
  const [measurement] = useState(() => mintId());
  const [reading] = useState(() => lastReadingOf(bench.state.content.readings, character.id)?.id ?? mintId());
  const place = photo === bench.state.content.photo ? undefined : photo;
  const made = taken && readingOf(character, reading, taken, measurement, middleOf(sets[sets.length - 1]), size, place);
  const use = () => {
    if (!made) return;
    measurementDrafts.startDraft(station, measurement, {
      version: 0,
      specimenId: id,
      photo,
      size,
      character: character.id,
      protocol: character.protocol,
      sets: [...sets],
      ...(scale ? { scale } : {}),
      hidden: false,
    });
    onTaken();
    take(made);
  };
  // Every axis is gone through: that waits until a point that is dragged rests.
  const rested = useDeferredValue(sets);
  const tilt = useMemo(
    () => (scale?.kind === 'grid' ? undefined : tiltCost({ sets: rested, quantity: character.protocol.quantity, scale }, TILT)),
    [rested, scale, character],
  );
  const worth = useRepeatsOf(bench, character.label, made, taken?.value?.n ?? 1);
  const out = taken?.value && !taken.states ? outsideAll(compiledOf(bench.stored.guide), character.id, taken.value) : undefined;
  const repeats = character.protocol.repeats ?? 1;
  return (
    <Row align="center" pad="m" ruled="round" ruledIn="hairline" round="m" tone="sheet">
      <Box fill={130}>
        <Text size="small" quiet>
          {taken?.value ? `measured ${taken.value.n === 1 ? 'once' : `${taken.value.n} times`}` : 'not yet'}
        </Text>
        <Text size="lead" strong figures testID="measured">
          {taken ? sayTaken(character, taken) || '–' : '–'}
        </Text>
        {taken?.value && (
          <Text size="small" quiet>
            {pointing?.df === undefined
              ? 'With the usual pointing error of 2 px; measured again blind, it becomes your own.'
              : `With your own pointing error of ${pointing.sd.toFixed(1)} px.`}
          </Text>
        )}
        {taken?.value && tilt !== undefined && tilt > 0 && (
          <Text size="small" quiet>
            {`A tilt of ${TILT}° that nobody noticed could change it by ${Number((tilt * (taken.raw ? taken.value.value / taken.raw : 1)).toPrecision(2))}; a known rectangle puts it right.`}
          </Text>
        )}
        {worth && (
          <Text size="small" testID="more-repeats">
            {worth}
          </Text>
        )}
        {taken?.value && taken.value.n < repeats && (
          <Text size="small" quiet>{`The guide asks for ${repeats} measurements.`}</Text>
        )}
      </Box>
      <Button
        small
        label="Again, blind"
        hint="Again, blind: with the earlier points hidden"
        disabled={!taken?.value}
        onPress={onAgain}
      />
      <Button kind="main" label="Use it" disabled={!made} onPress={use} />
      {out && (
        <Notice kind="note" title="Beyond what is known">
          {sayOutside(out)}
        </Notice>
      )}
      {taken?.problems.map((problem) => (
        <Notice key={problem} kind="problem">
          {problem}
        </Notice>
      ))}
    </Row>
  );
}
