import { type SpecimenRow, urlOf } from '@plesion/contract';
import { isAtLeast } from '@plesion/contract/roles';
import { useRouter } from 'expo-router';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { download } from '../../lib/download';
import { colour, space, useWide } from '../../theme';
import { sayDate } from '../../lib/dates';
import { useKeptScroll } from '../../lib/keptScroll';
import { useAddress } from '../../lib/useAddress';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { TextField } from '../../ui/TextField';
import { Icon } from '../../ui/Icon';
import { ListEnd, LongRow } from '../../ui/LongList';
import { Empty, Failed, Loading } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { useSession } from '../session/useSession';
import { FirstLook } from '../firstLook/FirstLook';
import { WaitingCard, waitingOf } from '../firstLook/WaitingCard';
import { AppearanceLink } from '../shell/AppearanceLink';
import { DaybookRow } from './DaybookRow';
import { Unsent } from './Unsent';
import { type Filters, useDaybook } from '../records/useDaybook';

const NO_FILTERS = { search: '', named: '', place: '', from: '', to: '', hidden: '' } as const;

/** About the height of a row with its gap, for those not in sight. */
const ROW = 94;

/** Today's and earlier specimens. */
export function DaybookScreen() {
  const router = useRouter();
  const wide = useWide();
  const [address, setFilters] = useAddress(['search', 'named', 'place', 'from', 'to', 'hidden']);
  const filters = address as Filters;
  const [filtering, setFiltering] = useState(
    Object.keys(filters).some((name) => name !== 'search' && filters[name as keyof Filters]),
  );
  const { role } = useSession().account;
  const reviews = isAtLeast(role, 'reviewer');
  const daybook = useDaybook(useDeferredValue(filters));
  const rows = useMemo(() => daybook.data?.pages.flatMap((page) => page.specimens) ?? [], [daybook.data]);
  const total = daybook.data?.pages[0]?.total ?? 0;
  const waiting = waitingOf(rows);
  const anyFilter = Object.values(filters).some(Boolean);
  const start = () => router.push('/specimens/new');
  return (
    <Box fill tone="mist">
      <ScrollView ref={useKeptScroll()} contentContainerStyle={[styles.content, wide && styles.wide]}>
        <Stack gap="m">
          <TitleLine wide={wide} onNew={start} />
          <Unsent />
          {waiting && !anyFilter && <WaitingCard row={waiting} />}
          {daybook.isPending ? null : (
            <>
              <Row align="end" oneLine>
                <Box fill>
                  <TextField
                    label="Find"
                    placeholder="name, place, label or note"
                    value={filters.search ?? ''}
                    onChangeText={(search) => setFilters({ search })}
                  />
                </Box>
                <Button label={filtering ? 'Fewer filters' : 'Filters'} onPress={() => setFiltering(!filtering)} />
              </Row>
              {filtering && (
                <FilterChoices filters={filters} places={daybook.data?.pages[0]?.places ?? []} onChange={setFilters} />
              )}
              <Row align="center" justify="between" gap="none">
                <Text size="small" quiet role="status">
                  {daybook.data ? `${total} ${total === 1 ? 'specimen' : 'specimens'}${anyFilter ? ' found' : ''}` : ' '}
                </Text>
                <Row align="center" most="all" gap="none">
                  <Button small kind="quiet" label="Lots" onPress={() => router.push('/lots')} />
                  <Button small kind="quiet" label="Opinions" onPress={() => router.push('/opinions')} />
                  {reviews && <Button small kind="quiet" label="Desk" onPress={() => router.push('/review')} />}
                  <Button
                    small
                    kind="quiet"
                    label="Darwin Core CSV"
                    hint="Download these as Darwin Core CSV"
                    disabled={total === 0}
                    icon={<Icon name="download" size={18} color={colour.kelp} />}
                    onPress={() => download(urlOf('exportOccurrences', { query: filters }))}
                  />
                </Row>
              </Row>
            </>
          )}
          {daybook.error && <Failed error={daybook.error} retry={() => void daybook.refetch()} />}
        </Stack>
        {rows.length === 0 && (
          <NothingHere pending={daybook.isPending} filtered={anyFilter} onNew={start} onClear={() => setFilters(NO_FILTERS)} />
        )}
        <Days rows={rows} />
        {daybook.hasNextPage && (
          <ListEnd key={rows.length} onNear={() => daybook.isFetchingNextPage || void daybook.fetchNextPage()}>
            <Button
              kind="quiet"
              label="Show earlier ones"
              busy={daybook.isFetchingNextPage}
              onPress={() => void daybook.fetchNextPage()}
            />
          </ListEnd>
        )}
      </ScrollView>
      {!wide && (
        <Box pad="m" ruled="above" ruledIn="hairline" tone="sheet">
          <Button kind="main" label="New specimen" icon={<Icon name="plus" color={colour.sheet} />} onPress={start} />
        </Box>
      )}
    </Box>
  );
}

function TitleLine({ wide, onNew }: { wide: boolean; onNew: () => void }) {
  const session = useSession();
  return (
    <Row gap="m" align="center" oneLine>
      <Box fill>
        <PageHeading>Daybook</PageHeading>
        <Text size="small" quiet numberOfLines={1}>
          {session.station.name}
        </Text>
      </Box>
      {wide ? (
        <Button kind="main" label="New specimen" icon={<Icon name="plus" color={colour.sheet} />} onPress={onNew} />
      ) : (
        <AppearanceLink small />
      )}
    </Row>
  );
}

function FilterChoices({
  filters,
  places,
  onChange,
}: {
  filters: Filters;
  places: string[];
  onChange: (change: Filters) => void;
}) {
  const isDay = (text: string) => text === '' || /^\d{4}-\d{2}-\d{2}$/.test(text);
  const [days, setDays] = useState({ from: filters.from ?? '', to: filters.to ?? '' });
  const setDay = (part: Partial<typeof days>) => {
    const next = { ...days, ...part };
    setDays(next);
    if (isDay(next.from) && isDay(next.to)) onChange({ from: next.from || undefined, to: next.to || undefined });
  };
  const wrong = (text: string) => (isDay(text) ? undefined : 'Write it as 2026-05-12.');
  return (
    <Stack gap="m">
      <ChoiceGroup
        label="Named"
        clearable
        options={[
          { id: 'yes', label: 'named' },
          { id: 'no', label: 'still open' },
        ]}
        chosen={filters.named ? [filters.named] : []}
        onChange={([named]) => onChange({ named })}
      />
      {places.length > 0 && (
        <ChoiceGroup
          label="Place"
          clearable
          options={places.map((place) => ({ id: place, label: place }))}
          chosen={filters.place ? [filters.place] : []}
          onChange={([place]) => onChange({ place })}
        />
      )}
      <Row align="end" oneLine>
        <Box fill>
          <TextField
            label="From"
            placeholder="2026-05-01"
            value={days.from}
            problem={wrong(days.from)}
            onChangeText={(from) => setDay({ from })}
          />
        </Box>
        <Box fill>
          <TextField
            label="To"
            placeholder="2026-05-31"
            value={days.to}
            problem={wrong(days.to)}
            onChangeText={(to) => setDay({ to })}
          />
        </Box>
      </Row>
      <ChoiceGroup
        label="Removed"
        clearable
        options={[{ id: 'yes', label: 'show what was removed' }]}
        chosen={filters.hidden ? ['yes'] : []}
        onChange={([hidden]) => onChange({ hidden })}
      />
    </Stack>
  );
}

function NothingHere({
  pending,
  filtered,
  onNew,
  onClear,
}: {
  pending: boolean;
  filtered: boolean;
  onNew: () => void;
  onClear: () => void;
}) {
  if (pending) return <Loading what="The daybook" />;
  if (filtered)
    return (
      <Empty title="None like that" action={<Button label="Show all" onPress={onClear} />}>
        No specimen of this daybook fits the filters.
      </Empty>
    );
  return (
    <Empty
      title="An empty daybook"
      action={
        <Stack gap="m" align="center">
          <Button kind="main" label="Add the first specimen" onPress={onNew} />
          <FirstLook />
        </Stack>
      }
    >
      Whatever is in front of you: say where and what you can see of it, read a few characters, and see how far it may be named.
    </Empty>
  );
}

/** All rows; a key typed above them does not wait for them. */
const Days = memo(function Days({ rows }: { rows: SpecimenRow[] }) {
  return byDay(rows).map((day) => (
    <View key={day.title}>
      <Text strong color={colour.kelp} heading={2} style={styles.day}>
        {day.title}
      </Text>
      {day.rows.map((row) => (
        <LongRow key={row.id} height={ROW} style={styles.item}>
          <DaybookRow row={row} />
        </LongRow>
      ))}
    </View>
  ));
});

/** Rows under their day, as they come. */
function byDay(rows: SpecimenRow[]): { title: string; rows: SpecimenRow[] }[] {
  const days = new Map<string, SpecimenRow[]>();
  for (const row of rows) {
    const title = sayDate(row.date, 'weekday') ?? 'No date yet';
    days.set(title, [...(days.get(title) ?? []), row]);
  }
  return [...days].map(([title, ofDay]) => ({ title, rows: ofDay }));
}

const styles = StyleSheet.create({
  content: { padding: space.m, width: '100%', maxWidth: 920, alignSelf: 'center', paddingBottom: space.xxl },
  wide: { padding: space.xl },
  day: { paddingTop: space.m, paddingBottom: space.s },
  item: { paddingBottom: space.s },
});
