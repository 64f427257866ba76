import type { Measurement } from '@plesion/contract';
import type { Character, Protocol } from '@plesion/core/guide';
import {
  agreementByPeople,
  differenceOf,
  type Measured,
  reliabilityByPerson,
  repeatedOf,
  type RepeatedSets,
} from '@plesion/core/measure';
import { sayMeasured } from '@plesion/core/observation';
import { Suspense, useMemo } from 'react';
import { View } from 'react-native';
import { space } from '../../theme';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useMeasurementsOf } from '../records/useMeasurements';
import { RepeatsChart } from './lazyChart';

interface HowWellProps {
  character: Character & { protocol: Protocol };
  photo: string;
  /** What it comes to at this moment. */
  value?: Measured;
  /** Who measures. */
  by: string;
}

/** How well a character is measured: each person's error, how people agree, and what others found on this very photo. */
export function HowWell({ character, photo, value, by }: HowWellProps) {
  const { data, error, refetch } = useMeasurementsOf(character.id);
  // Once for what was fetched, and not with every point that is dragged.
  const { groups, people, agreements } = useMemo(() => {
    const all = repeatedOf((data?.measurements ?? []).map(repeatedSets));
    return { groups: all, people: reliabilityByPerson(all), agreements: agreementByPeople(all) };
  }, [data]);
  if (error) return <Failed error={error} retry={() => void refetch()} />;
  if (!data) return <Loading what="What was measured" />;
  const unit = groups[0]?.unit ?? '';
  const others = value ? othersOn(data.measurements, photo, by, value) : [];
  const most = people.reduce(
    (best, one) => (one.reliability.things > (best?.reliability.things ?? 0) ? one : best),
    people.at(0),
  );
  return (
    <View style={{ gap: space.s }}>
      {others.map((said) => (
        <Text key={said} size="small">
          {said}
        </Text>
      ))}
      {people.map(({ by: who, reliability: { things, n, tem, relative, icc } }) => (
        <Text key={who} size="small">
          {`${who}: technical error ${rounded(tem)} ${unit} (${(relative * 100).toFixed(1)} in 100)${
            icc
              ? `; repeatability ${icc.value.toFixed(2)} (${icc.interval.map((end) => Math.max(-1, end).toFixed(2)).join(' to ')})`
              : ''
          }; ${n} measurements of ${things} things.`}
        </Text>
      ))}
      {agreements.map(({ people: [a, b], agreement: { n, bias, limits } }) => (
        <Text key={`${a} ${b}`} size="small">
          {`${a} less ${b}: ${rounded(bias)} ${unit} on the average; 95 in 100 differences lie from ${rounded(limits[0])} to ${rounded(limits[1])} (${n} things).`}
        </Text>
      ))}
      {people.length === 0 && (
        <Text size="small" quiet>
          Measure two things twice or more, blind: then your technical error and repeatability stand here.
        </Text>
      )}
      {most && (
        <Suspense fallback={<Loading what="The chart" />}>
          <RepeatsChart groups={groups.filter((one) => one.by === most.by)} tem={most.reliability.tem} unit={unit} />
        </Suspense>
      )}
    </View>
  );
}

const rounded = (value: number): string => String(Number(value.toPrecision(2)));

const repeatedSets = ({ specimenId, photo, by, sets, protocol, scale }: Measurement): RepeatedSets => ({
  thing: `${specimenId} ${photo ?? ''}`,
  by,
  sets,
  quantity: protocol.quantity,
  scale,
});

/** What other people found on the same photo, beside one's own value. */
function othersOn(all: readonly Measurement[], photo: string, by: string, own: Measured): string[] {
  const last = new Map(all.filter((one) => one.photo === photo && one.by !== by).map((one) => [one.by, one]));
  return [...last.values()].map(({ by: who, value }) => {
    const said = `${who} found ${sayMeasured(undefined, value)} on this photo`;
    // The own value may be in the guide's unit, theirs in that of the core.
    if (value.unit !== own.unit) return `${said}.`;
    const { difference, beyondError } = differenceOf(own, value);
    const sign = difference < 0 ? '−' : '+';
    return `${said}: yours differs by ${sign}${rounded(Math.abs(difference))}, ${beyondError ? 'more than' : 'no more than'} measuring error.`;
  });
}
