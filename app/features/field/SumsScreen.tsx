import type { Capture, VisitRow } from '@plesion/contract';
import { abundance } from '@plesion/core/fieldwork';
import { useQueries, useQuery } from '@tanstack/react-query';
import { sayDate } from '../../lib/dates';
import { useAddress } from '../../lib/useAddress';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { fieldApi } from '../records/fieldDrafts';
import { type Field, useField } from './useField';
import { useCatchGuide } from './useCatchGuide';
import { kindName } from './words';

/** Visits that an estimate is made of, the newest. */
const MOST = 12;

/** How many there are at a site, by the marks that were met again. */
export function SumsScreen() {
  const { field, error, refetch } = useField();
  return (
    <AsyncScreen what="The visits" value={field} error={error} retry={refetch}>
      {(now) => <Sums field={now} />}
    </AsyncScreen>
  );
}

function Sums({ field }: { field: Field }) {
  const [{ site, taxon }, setAddress] = useAddress(['site', 'taxon'], 0);
  const siteId = site ?? busiest(field);
  const visits = useQuery({
    queryKey: ['visits', siteId],
    queryFn: ({ signal }) => fieldApi('visits', { query: { siteId } }, signal),
    enabled: siteId !== undefined,
  });
  return (
    <Screen widest={860}>
      <PageHeading>How many are there</PageHeading>
      <Text quiet>
        By marks that were met again: Chapman for two visits, Schnabel for more. It holds where none comes or goes between the
        visits, every one is as likely to be caught, and no mark is lost.
      </Text>
      <Card title="Where">
        <ChoiceGroup
          label="Site"
          hideLabel
          options={field.view.sites.map(({ id, name }) => ({ id, label: name }))}
          chosen={siteId ? [siteId] : []}
          onChange={([next]) => setAddress({ site: next, taxon: undefined })}
        />
      </Card>
      {visits.data && (
        <Estimate
          visits={visits.data.visits.filter(({ caught }) => caught > 0).slice(0, MOST)}
          taxon={taxon}
          onTaxon={(next) => setAddress({ taxon: next })}
        />
      )}
    </Screen>
  );
}

/** The site that was visited most of late. */
function busiest({ view }: Field): string | undefined {
  const times = (id: string) => view.recent.filter(({ siteId }) => siteId === id).length;
  return [...view.sites].sort((a, b) => times(b.id) - times(a.id))[0]?.id;
}

interface EstimateProps {
  visits: readonly VisitRow[];
  taxon?: string;
  onTaxon: (taxon: string | undefined) => void;
}

function Estimate({ visits, taxon, onTaxon }: EstimateProps) {
  const caught = useQueries({
    queries: visits.map(({ id }) => ({
      queryKey: ['captures', 'visit', id],
      queryFn: ({ signal }: { signal: AbortSignal }) => fieldApi('captures', { query: { visitId: id, limit: 500 } }, signal),
    })),
  });
  const guide = useCatchGuide(undefined).stored?.guide;
  if (caught.some(({ data }) => !data)) return <Text quiet>The catches are fetched …</Text>;
  const byVisit = visits.map((visit, i) => ({ visit, captures: caught[i].data!.captures })).reverse();
  const kinds = new Map<string, number>();
  for (const { captures } of byVisit)
    for (const one of captures) if (one.mark && one.taxon) kinds.set(one.taxon, (kinds.get(one.taxon) ?? 0) + 1);
  const chosen = taxon ?? [...kinds].sort((a, b) => b[1] - a[1])[0]?.[0];
  const marksOf = (captures: readonly Capture[]) => [
    ...new Set(captures.flatMap((one) => (one.mark && one.taxon === chosen && one.what !== 'lost' ? [one.mark] : []))),
  ];
  const found = abundance(byVisit.map(({ captures }) => marksOf(captures)));
  const before = new Set<string>();
  const rows = byVisit.map(({ visit, captures }) => {
    const marks = marksOf(captures);
    const again = marks.filter((mark) => before.has(mark)).length;
    const out = before.size;
    marks.forEach((mark) => before.add(mark));
    return [sayDate(visit.startedAt)!, String(marks.length), String(again), String(out)];
  });
  const whole = (value: number) => Math.round(value).toLocaleString('en-GB');
  return (
    <>
      {kinds.size > 0 && (
        <Card title="Which kind">
          <ChoiceGroup
            label="Kind"
            hideLabel
            options={[...kinds.keys()].map((id) => ({ id, label: kindName(guide, { taxon: id }) }))}
            chosen={chosen ? [chosen] : []}
            onChange={([next]) => onTaxon(next)}
          />
        </Card>
      )}
      <Card title="About so many">
        {found.ok ? (
          <>
            <Text size="title" strong figures color={colour.kelp}>
              {found.value.n === undefined ? `at least ${whole(found.value.interval[0])}` : whole(found.value.n)}
            </Text>
            <Text>
              {`95 %: ${whole(found.value.interval[0])} to ${found.value.interval[1] === null ? 'no upper bound' : whole(found.value.interval[1])} · ${found.value.met} different ones met, ${found.value.again} met again`}
            </Text>
            {found.value.warnings.map(({ code, message }) => (
              <Text key={code} color={colour.hazard}>
                {message}
              </Text>
            ))}
            <Disclosure title="How it was reckoned">
              <Text size="small">
                {found.value.method === 'chapman'
                  ? 'Chapman’s estimate (1951) from two visits, Seber’s variance (1970), exact hypergeometric interval.'
                  : 'Schnabel’s estimate (1938): sum of caught × marked at large over sum of marked caught; limits of a Poisson count (Garwood 1936). Whether marked ones come as unmarked ones do is tested exactly, given how often each was met.'}
              </Text>
            </Disclosure>
          </>
        ) : (
          <Text quiet>{found.problems[0].message}</Text>
        )}
      </Card>
      {rows.length > 0 && (
        <Card title="Visit by visit">
          <Stack>
            <Table
              label="Caught, met again and marked at large, visit by visit"
              columns={['Visit', 'Caught', 'Met again', 'Marked before']}
              rows={rows}
            />
          </Stack>
        </Card>
      )}
    </>
  );
}
