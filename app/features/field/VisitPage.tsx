import type { Capture, CaptureWrite, Visit, VisitWrite } from '@plesion/contract';
import { CATCH_WORDS, catchRate, METHOD_WORDS, readBack } from '@plesion/core/fieldwork';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sayDate } from '../../lib/dates';
import type { Draft, DraftState } from '../../lib/draft';
import { useDraftOf } from '../../lib/useDraftOf';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Reckoned } from '../../ui/Reckoned';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { fieldApi, visitDrafts } from '../records/fieldDrafts';
import { RecordTrouble } from '../records/SavingTrouble';
import { useGuide } from '../records/useGuide';
import { useSession } from '../session/useSession';
import { numberOf } from '../../lib/numberOf';
import { type Field, useField } from './useField';
import { inWords, kindName } from './words';

/** A visit: what it caught, its effort and weather, and its end. */
export function VisitPage({ id }: { id: string }) {
  const { field, error: lost, refetch: again } = useField();
  const { draft, state, error, refetch } = useDraftOf(visitDrafts, useSession().station.id, id, 'visit', (signal) =>
    fieldApi('visit', { params: { id } }, signal),
  );
  const caught = useQuery({
    queryKey: ['captures', 'visit', id],
    queryFn: ({ signal }) => fieldApi('captures', { query: { visitId: id, limit: 500 } }, signal),
    enabled: Boolean(state && state.content.version > 0),
  });
  return (
    <AsyncScreen
      what="The visit"
      value={draft && state && field ? { draft, state, field } : undefined}
      error={error ?? lost}
      retry={() => (refetch(), again())}
    >
      {(open) => <OpenVisit id={id} {...open} captures={caught.data?.captures ?? []} />}
    </AsyncScreen>
  );
}

interface OpenVisitProps {
  id: string;
  draft: Draft<VisitWrite, Visit>;
  state: DraftState<VisitWrite, Visit>;
  field: Field;
  captures: Capture[];
}

function OpenVisit({ id, draft, state, field, captures }: OpenVisitProps) {
  const router = useRouter();
  const { content } = state;
  const site = field.view.sites.find((one) => one.id === content.siteId);
  const waiting = field.waiting.filter(({ capture }) => capture.visitId === id && !capture.hidden);
  const here = new Set(waiting.map((one) => one.id));
  const all: { id: string; capture: CaptureWrite; by?: string }[] = [
    ...waiting,
    ...captures.filter((one) => !here.has(one.id)).map((capture) => ({ id: capture.id, capture, by: capture.recordedBy })),
  ].sort((a, b) => b.capture.at.localeCompare(a.capture.at));
  const change = (part: Partial<VisitWrite>) => draft.change((now) => ({ ...now, ...part }));
  return (
    <Screen
      widest={860}
      foot={
        content.endedAt ? undefined : (
          <Row justify="end">
            <Button label="End the visit" onPress={() => change({ endedAt: new Date().toISOString() })} />
            <Button kind="main" label="Catch" hint="Catch: record one" onPress={() => router.push(`/field/catch?visit=${id}`)} />
          </Row>
        )
      }
    >
      <PageHeading title={site?.name ?? 'Visit'}>{site?.name ?? 'Visit'}</PageHeading>
      <Text quiet>
        {[
          METHOD_WORDS[content.method],
          content.people.join(', '),
          `begun ${sayDate(content.startedAt, 'minute')}`,
          content.endedAt && `ended ${sayDate(content.endedAt, 'minute')}`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
      <RecordTrouble
        draft={draft}
        state={state}
        what="visit"
        sayThere={() => 'There it stands otherwise.'}
        offline="The visit is kept on this device and sent when the server can be reached."
      />
      {content.overrides.map(({ what, reason, by }) => (
        <Text key={what} size="small" color={colour.hazard}>
          {`${what === 'rested' ? 'The site was rested' : 'No licence was on file'}: “${reason}” (${by})`}
        </Text>
      ))}
      <Tallies all={all.map(({ capture }) => capture)} effort={content.effort} />
      <Card title="Caught" aside={inWords(all.length, 'catch', 'catches')}>
        {all.length === 0 && <Text quiet>Nothing yet.</Text>}
        {all.map(({ id: one, capture, by }) => (
          <CatchRow key={one} id={one} capture={capture} by={by} />
        ))}
      </Card>
      <Conditions content={content} change={change} />
      <Row justify="end">
        <Button small kind="quiet" label="Undo" disabled={!state.canUndo} onPress={draft.undo} />
        {content.endedAt && <Button small kind="quiet" label="Open it again" onPress={() => change({ endedAt: undefined })} />}
      </Row>
    </Screen>
  );
}

/** @param by who recorded it, where the server has told. */
export function CatchRow({ id, capture, by }: { id: string; capture: CaptureWrite; by?: string }) {
  const guide = useGuide(capture.guideId).data?.guide;
  return (
    <LinkBox href={`/field/captures/${id}`} gap="hair" justify="center" padY="xs" ruled="above">
      <Row gap="m" justify="between" oneLine>
        <Text strong figures>
          {capture.mark ? readBack(capture.mark) : CATCH_WORDS[capture.what]}
        </Text>
        <Text size="small" quiet figures>
          {sayDate(capture.at, 'clock')}
        </Text>
      </Row>
      <Text size="small">
        {[
          kindName(guide, capture),
          capture.age?.code,
          capture.sex && capture.sex !== 'unknown' && capture.sex,
          capture.mass && `${capture.mass} g`,
          capture.mark && CATCH_WORDS[capture.what],
          capture.overrides.length > 0 && `${capture.overrides.length} gone beyond`,
          by,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
    </LinkBox>
  );
}

/** Sums of a visit, and catch per effort with its interval. */
function Tallies({ all, effort }: { all: readonly CaptureWrite[]; effort: VisitWrite['effort'] }) {
  const count = (what: string) => all.filter((one) => one.what === what).length;
  const netHours = effort ? effort.units * effort.hours : undefined;
  const rate = netHours ? catchRate(all.length, netHours) : undefined;
  return (
    <View>
      <Text>{`${count('ringed')} newly ringed · ${count('again')} met again · ${count('other-kind')} other kinds · ${count('lost')} lost`}</Text>
      {rate?.ok && (
        <Reckoned says="Everything caught, of whatever kind, by nets or traps × hours; a count that happens by chance has the exact interval of a Poisson mean (Garwood 1936).">
          <Text size="small" quiet>
            {`${rate.value.rate.toFixed(2)} a net-hour over ${netHours} (95 %: ${rate.value.interval.map((one) => one.toFixed(2)).join('–')})`}
          </Text>
        </Reckoned>
      )}
    </View>
  );
}

function Conditions({ content, change }: { content: VisitWrite; change: (part: Partial<VisitWrite>) => void }) {
  const [units, setUnits] = useState(content.effort ? String(content.effort.units) : '');
  const [hours, setHours] = useState(content.effort ? String(content.effort.hours) : '');
  const [temperature, setTemperature] = useState(content.weather?.temperature?.toString() ?? '');
  const effort = (nextUnits: string, nextHours: string) => {
    setUnits(nextUnits);
    setHours(nextHours);
    const [u, h] = [numberOf(nextUnits), numberOf(nextHours)];
    if (u && h && u > 0 && h > 0) change({ effort: { units: u, hours: h } });
    else if (!nextUnits.trim() && !nextHours.trim()) change({ effort: undefined });
  };
  const bad = (text: string) => (text.trim() && !((numberOf(text) ?? 0) > 0) ? 'Write a number above 0.' : undefined);
  const warmth = numberOf(temperature);
  return (
    <Card title="Effort and weather">
      <Row gap="m">
        <TextField
          label="Nets or traps"
          value={units}
          onChangeText={(text) => effort(text, hours)}
          inputMode="decimal"
          problem={bad(units)}
        />
        <TextField
          label="Hours each"
          unit="h"
          value={hours}
          onChangeText={(text) => effort(units, text)}
          inputMode="decimal"
          problem={bad(hours)}
        />
      </Row>
      <ChoiceGroup
        label="Wind, Beaufort"
        clearable
        options={Array.from({ length: 9 }, (_, i) => ({ id: String(i), label: String(i) }))}
        chosen={content.weather?.wind === undefined ? [] : [String(content.weather.wind)]}
        onChange={([wind]) => change({ weather: { ...content.weather, wind: wind === undefined ? undefined : Number(wind) } })}
      />
      <ChoiceGroup
        label="Cloud, eighths"
        clearable
        options={Array.from({ length: 9 }, (_, i) => ({ id: String(i), label: String(i) }))}
        chosen={content.weather?.cloud === undefined ? [] : [String(content.weather.cloud)]}
        onChange={([cloud]) =>
          change({ weather: { ...content.weather, cloud: cloud === undefined ? undefined : Number(cloud) } })
        }
      />
      <TextField
        label="Temperature"
        unit="°C"
        value={temperature}
        inputMode="decimal"
        problem={
          temperature.trim() && (warmth === undefined || Math.abs(warmth) > 60) ? 'Write it in °C, from −60 to 60.' : undefined
        }
        onChangeText={(text) => {
          setTemperature(text);
          const value = numberOf(text);
          if (!text.trim() || (value !== undefined && Math.abs(value) <= 60))
            change({ weather: { ...content.weather, temperature: text.trim() ? value : undefined } });
        }}
      />
      <Disclosure title="Bait and note" open={Boolean(content.bait || content.note)}>
        <TextField
          label="Bait"
          value={content.bait ?? ''}
          onChangeText={(bait) => change({ bait: bait || undefined })}
          maxLength={2000}
        />
        <TextField
          label="Note"
          value={content.note ?? ''}
          onChangeText={(note) => change({ note: note || undefined })}
          multiline
          maxLength={2000}
        />
      </Disclosure>
    </Card>
  );
}
