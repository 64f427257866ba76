import type { Capture, MarkHistory } from '@plesion/contract';
import { ageNow, calendarDays, CATCH_WORDS, contradictions, legs, type Position, readBack, sexIn } from '@plesion/core/fieldwork';
import { VERIFICATION_WORDS } from '@plesion/core/verification/schema';
import { useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { Suspense } from 'react';
import { sayDate, today } from '../../lib/dates';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Empty, Loading } from '../../ui/states';
import { Disclosure } from '../../ui/Disclosure';
import { Row } from '../../ui/Row';
import { lazyPart } from '../../ui/lazyPart';
import { Text } from '../../ui/Text';
import { captureDrafts } from '../records/fieldDrafts';
import { useGuide } from '../records/useGuide';
import { useSession } from '../session/useSession';
import { Against } from './Against';
import { ConditionOf } from './ConditionOf';
import { WeightsChart } from './lazyCharts';
import { type Field, useField } from './useField';
import { Kin } from './Kin';
import { KnownBy } from './KnownBy';
import { RecoveryRow } from './RecoveryRow';
import { SaidOtherwise } from './SaidOtherwise';
import { useHistory } from './useHistory';
import { inWords, kindName, sayWay } from './words';

/** Fetched after the rest of the page. */
const VerificationSheet = lazyPart(
  () => import('../verification/VerificationSheet'),
  (sheet) => sheet.VerificationSheet,
);

/** An individual by its ring: who it is, where it was, how old it is at least, and what does not go together. */
export function RingPage({ mark }: { mark: string }) {
  const history = useHistory(mark);
  const { field, error, refetch } = useField();
  return (
    <AsyncScreen
      what="The ring"
      value={history.data !== undefined && field ? { history: history.data, field } : undefined}
      error={history.error ?? error}
      retry={() => (void history.refetch(), refetch())}
    >
      {({ history: found, field: now }) =>
        found ? (
          <Dossier history={found} field={now} />
        ) : (
          <Screen>
            <PageHeading>{readBack(mark)}</PageHeading>
            <Empty title="No such ring here">
              It was not put on by this station, nor met by it. If it is on a bird in your hand, record the catch as met again.
            </Empty>
          </Screen>
        )
      }
    </AsyncScreen>
  );
}

interface Seen extends Capture {
  day: string;
  place?: Position;
  site: string;
}

function Dossier({ history, field }: { history: MarkHistory; field: Field }) {
  const router = useRouter();
  const client = useQueryClient();
  const visits = new Map(history.visits.map((visit) => [visit.id, visit]));
  const sites = new Map(history.sites.map((site) => [site.id, site]));
  const seen: Seen[] = history.captures.map((capture) => {
    const site = sites.get(visits.get(capture.visitId)?.siteId ?? '');
    return { ...capture, day: capture.at.slice(0, 10), place: capture.position ?? site?.position, site: site?.name ?? 'a site' };
  });
  const last = seen.at(-1)!;
  const guide = useGuide(seen.findLast(({ guideId }) => guideId)?.guideId).data?.guide;
  const age = ageNow(seen, today(), field.families);
  const ways = legs(seen.map((one) => ({ ...one, at: one.place })));
  const { outcome } = history;
  const truth = outcome && {
    taxon: outcome.taxon,
    sex: sexIn(guide, outcome.facets),
    how: `by ${VERIFICATION_WORDS[outcome.kind]}`,
  };
  const against = contradictions(
    seen.map((one) => ({ ...one, at: one.place })),
    field.families,
    truth,
  );
  const sexed = truth?.sex ?? seen.findLast(({ sex }) => sex && sex !== 'unknown')?.sex;
  return (
    <Screen widest={860}>
      <PageHeading title={readBack(history.mark)}>{readBack(history.mark)}</PageHeading>
      <Text size="lead" strong>
        {kindName(guide, last)}
      </Text>
      <Text>
        {[
          age.ok && age.value && sayAge(age.value),
          sexed ?? 'sex not told',
          inWords(seen.length, 'capture'),
          `${inWords(calendarDays(seen[0].day, last.day), 'day')} from the first to the last`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
      {age.ok && age.value && (
        <Text size="small" quiet>
          {`By the codes written at each capture and the reference day of their family: hatched ${age.value.hatched.from ? `between ${sayDate(age.value.hatched.from)} and` : 'not after'} ${sayDate(age.value.hatched.to)}.`}
        </Text>
      )}
      {guide && truth && <SaidOtherwise guide={guide} truth={truth} seen={seen.map((one) => ({ ...one, at: one.place }))} />}
      {against.map((one) => (
        <Against
          key={one.code + one.between.join()}
          one={one}
          later={history.captures.find(({ id }) => id === one.between[1])!}
        />
      ))}
      <Card
        title="Captures"
        aside={
          <Button small label="On the map" onPress={() => router.push(`/field/map?ring=${encodeURIComponent(history.mark)}`)} />
        }
      >
        {[...seen].reverse().map((one) => {
          const way = ways.find(({ to }) => to === one.id);
          return (
            <LinkBox key={one.id} href={`/field/captures/${one.id}`} gap="hair" justify="center" padY="xs" ruled="above">
              <Text strong>{`${sayDate(one.at)} · ${one.site}`}</Text>
              <Text size="small">
                {[
                  CATCH_WORDS[one.what],
                  kindName(guide, one),
                  one.age?.code,
                  one.sex !== 'unknown' && one.sex,
                  one.mass && `${one.mass} g`,
                  one.condition,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Text>
              {way && (
                <Text size="small" quiet>
                  {sayWay(way)}
                </Text>
              )}
              {one.followUp && !one.followUp.done && (
                <Text size="small" color={colour.hazard}>{`${one.followUp.text} (due ${sayDate(one.followUp.due)})`}</Text>
              )}
              {one.overrides.map(({ what, reason, by }) => (
                <Text key={what} size="small" quiet>{`Gone beyond “${what}”: ${reason} (${by})`}</Text>
              ))}
            </LinkBox>
          );
        })}
        {ways.length > 0 && (
          <Disclosure title="How the ways were reckoned">
            <Text size="small">
              Days of the calendar between two captures; the great circle between where they were, or between their sites
              (haversine, on a sphere of 6 371.0088 km), and the direction in which it begins.
            </Text>
          </Disclosure>
        )}
      </Card>
      {history.recoveries.length > 0 && (
        <Card title="Told by the ringing office">
          {history.recoveries.map((one) => (
            <RecoveryRow key={one.id} recovery={one} />
          ))}
        </Card>
      )}
      {guide && (
        <Suspense fallback={<Loading what="How it turned out" />}>
          <VerificationSheet
            of={{ mark: history.mark }}
            guide={guide}
            onChange={() => void client.invalidateQueries({ queryKey: ['marks', history.mark] })}
          />
        </Suspense>
      )}
      <KnownBy seen={seen} />
      <Kin history={history} guide={guide} />
      <FollowUps captures={history.captures} />
      <Weights seen={seen} />
      {last.taxon && <ConditionOf taxon={last.taxon} own={seen} />}
    </Screen>
  );
}

const sayAge = ({ least, most }: { least: number; most?: number }): string =>
  most === least ? `in its ${ordinal(least + 1)} calendar year` : `in its ${ordinal(least + 1)} calendar year at least`;

const ordinal = (n: number): string => {
  const tail = n % 100 > 10 && n % 100 < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th');
  return `${n}${tail}`;
};

/** What was to be looked at again, and that it was. */
function FollowUps({ captures }: { captures: readonly Capture[] }) {
  const station = useSession().station.id;
  const open = captures.filter(({ followUp }) => followUp && !followUp.done);
  if (!open.length) return null;
  return (
    <Card title="To look at again">
      {open.map((one) => (
        <Row key={one.id} align="center">
          <Text fill least={160}>
            {one.followUp!.text}
          </Text>
          <Button
            small
            label="Looked at"
            onPress={() =>
              captureDrafts
                .draftOf(station, one.id, one)
                ?.change((now) => ({ ...now, followUp: { ...now.followUp!, done: true } }))
            }
          />
        </Row>
      ))}
    </Card>
  );
}

function Weights({ seen }: { seen: readonly Seen[] }) {
  const weighed = seen.filter(({ mass }) => mass !== undefined);
  if (weighed.length < 2) return null;
  return (
    <Card title="Weight">
      <Suspense fallback={<Text quiet>The chart …</Text>}>
        <WeightsChart points={weighed.map(({ day, mass }) => ({ day, mass: mass! }))} />
      </Suspense>
    </Card>
  );
}
