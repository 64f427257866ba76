import { addressOf } from '@plesion/contract';
import { fieldworkEndpoints } from '@plesion/contract/endpoints/fieldwork';
import { CATCH_WORDS, METHOD_WORDS, readBack } from '@plesion/core/fieldwork';
import { useRouter } from 'expo-router';
import { sayDate, today } from '../../lib/dates';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { DownloadButton } from '../../ui/DownloadButton';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Disclosure } from '../../ui/Disclosure';
import { Reckoned } from '../../ui/Reckoned';
import { Text } from '../../ui/Text';
import { FindRing } from './FindRing';
import { SiteRow } from './SiteRow';
import { StringRows } from './StringRows';
import { type Field, useField } from './useField';
import { inWords } from './words';
import { Column, Columns } from '../../ui/Columns';
import { Row } from '../../ui/Row';

/** The fourth place: what is under way, due, left, and what looks wrong. */
export function FieldScreen() {
  const { field, error, refetch } = useField();
  return (
    <AsyncScreen what="Field" value={field} error={error} retry={refetch}>
      {(now) => <FieldDay field={now} />}
    </AsyncScreen>
  );
}

function FieldDay({ field }: { field: Field }) {
  const router = useRouter();
  const { view, open } = field;
  const due = view.due.filter((one) => one.due <= today());
  const later = view.due.filter((one) => one.due > today());
  return (
    <Screen widest={1100}>
      <PageHeading>Field</PageHeading>
      <Season field={field} />
      <Columns>
        <Column>
          {due.length > 0 && <Due title="Look again now" rows={due} />}
          <Card title="Under way" aside={<Button small label="Begin a visit" onPress={() => router.push('/field/visits/new')} />}>
            {open.length === 0 && <Text quiet>No visit is open. Begin one, and catch by catch goes into it.</Text>}
            {open.map((visit) => (
              <Row key={visit.id} gap="m" align="center" ruled="above" oneLine>
                <LinkBox href={`/field/visits/${visit.id}`} gap="hair" justify="center" fill padY="xs">
                  <Text strong>{siteName(field, visit.siteId)}</Text>
                  <Text size="small" quiet>
                    {[
                      METHOD_WORDS[visit.method],
                      visit.people.join(', '),
                      `since ${sayDate(visit.startedAt, 'clock')}`,
                      inWords(visit.caught, 'catch', 'catches'),
                    ].join(' · ')}
                  </Text>
                </LinkBox>
                <Button
                  small
                  label="Catch"
                  hint={`Catch at ${siteName(field, visit.siteId)}`}
                  onPress={() => router.push(`/field/catch?visit=${visit.id}`)}
                />
              </Row>
            ))}
          </Card>
          {view.wrong.length > 0 && (
            <Card title="Does not go together" aside={inWords(view.wrong.length, 'ring')}>
              {view.wrong.slice(0, 6).map((one) => (
                <LinkBox
                  key={one.mark + one.code}
                  href={`/field/rings/${encodeURIComponent(one.mark)}`}
                  gap="hair"
                  justify="center"
                  padY="xs"
                  ruled="above"
                >
                  <Text strong color={colour.hazard} figures>
                    {readBack(one.mark)}
                  </Text>
                  <Text size="small">{one.message}</Text>
                </LinkBox>
              ))}
            </Card>
          )}
          {later.length > 0 && <Due title="To look at again" rows={later} />}
        </Column>
        <Column>
          <FindRing field={field} />
          <Card title="Rings" aside={<Button small kind="quiet" label="Strings" onPress={() => router.push('/field/strings')} />}>
            <StringRows strings={field.strings} />
          </Card>
          <Card
            title="Sites"
            aside={<Button small kind="quiet" label="New site" onPress={() => router.push('/field/sites/new')} />}
          >
            {view.sites.map((site) => (
              <SiteRow key={site.id} site={site} ringed={view.used.find(({ siteId }) => siteId === site.id)?.ringed ?? 0} />
            ))}
            {view.sites.length === 0 && <Text quiet>No site yet: a visit is made to one.</Text>}
            {view.sites.some(({ season }) => season) && (
              <Disclosure title="How days and quotas were reckoned">
                <Text size="small">
                  Working days: from today to the season’s last day, both counted. Rings left: the quota less the rings put on at
                  the site this year. A day: what is left by the days left, and what was put on by the days that have gone.
                </Text>
              </Disclosure>
            )}
          </Card>
          <Card title="Counts, lists, reports">
            <Row>
              <Button small label="The keeper’s book" onPress={() => router.push('/field/colony')} />
              <Button small label="Counts" onPress={() => router.push('/field/counts')} />
              <Button small label="Lists" onPress={() => router.push('/field/lists')} />
              <Button small label="How many are there" onPress={() => router.push('/field/sums')} />
              <Button small label="Natural marks" onPress={() => router.push('/field/marks')} />
              <Button small label="Map" onPress={() => router.push('/field/map')} />
              <Button small label="Ringing office" onPress={() => router.push('/field/office')} />
              <Button small label="Checklists" onPress={() => router.push('/field/checklists')} />
              <Button small label="Earlier years" onPress={() => router.push('/field/import')} />
              <Button small label="The catch sheet" onPress={() => router.push('/field/sheet')} />
              <DownloadButton
                label="Darwin Core archive"
                hint="Darwin Core archive of visits and captures"
                url={() => addressOf(fieldworkEndpoints.exportFieldArchive)}
              />
              <DownloadButton
                label="GeoJSON"
                hint="GeoJSON of captures as points"
                url={() => addressOf(fieldworkEndpoints.exportFieldGeoJson)}
              />
            </Row>
          </Card>
        </Column>
      </Columns>
      {view.recent.length > 0 && (
        <Card title="Visits before">
          {view.recent.map((visit) => (
            <LinkBox key={visit.id} href={`/field/visits/${visit.id}`} gap="hair" justify="center" padY="xs" ruled="above">
              <Text strong>{`${sayDate(visit.startedAt)} · ${siteName(field, visit.siteId)}`}</Text>
              <Text size="small" quiet>
                {`${METHOD_WORDS[visit.method]} · ${visit.people.join(', ')} · ${inWords(visit.caught, 'catch', 'catches')}`}
              </Text>
            </LinkBox>
          ))}
        </Card>
      )}
    </Screen>
  );
}

/** The year in one line of figures. */
function Season({ field: { view } }: { field: Field }) {
  const { season } = view;
  const figures: [number, string][] = [
    [season.ringed, CATCH_WORDS.ringed],
    [season.again, CATCH_WORDS.again],
    [season.unringed, CATCH_WORDS.unringed],
    [season.others, 'other kinds'],
    [season.lost, CATCH_WORDS.lost],
  ];
  return (
    <Reckoned
      says={`Captures of the station since 1 January ${season.year} (UTC), by what became of each; what was removed, and what still waits on a device, is not in them.`}
    >
      <Row gap="l" lineGap="s">
        <Box least={72}>
          <Text size="title" strong figures quiet>
            {season.year}
          </Text>
          <Text size="small" quiet>
            this year
          </Text>
        </Box>
        {figures.map(([n, label]) => (
          <Box key={label} least={72}>
            <Text size="title" strong figures color={colour.kelp}>
              {n}
            </Text>
            <Text size="small" quiet>
              {label}
            </Text>
          </Box>
        ))}
      </Row>
    </Reckoned>
  );
}

function Due({ title, rows }: { title: string; rows: Field['view']['due'] }) {
  return (
    <Card title={title}>
      {rows.map(({ captureId, mark, due, text }) => (
        <LinkBox
          key={captureId}
          href={mark ? `/field/rings/${encodeURIComponent(mark)}` : `/field/captures/${captureId}`}
          gap="hair"
          justify="center"
          padY="xs"
          ruled="above"
        >
          <Text strong>{text}</Text>
          <Text size="small" quiet>
            {[mark && readBack(mark), due < today() ? `due since ${sayDate(due)}` : `due ${sayDate(due)}`]
              .filter(Boolean)
              .join(' · ')}
          </Text>
        </LinkBox>
      ))}
    </Card>
  );
}

const siteName = ({ view }: Field, id: string) => view.sites.find((site) => site.id === id)?.name ?? 'a site';
