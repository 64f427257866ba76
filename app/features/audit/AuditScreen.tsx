import { addressOf, createClient } from '@plesion/contract';
import { RECORD_NAMES } from '@plesion/contract/changes';
import { AUDIT_KINDS, type AuditFilter, type AuditKind, type AuditLine } from '@plesion/contract/audit';
import { auditEndpoints } from '@plesion/contract/endpoints/audit';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { sayDate } from '../../lib/dates';
import { download } from '../../lib/download';
import { useAddress } from '../../lib/useAddress';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { EarlierState, sayPart } from '../earlier/EarlierState';

const auditApi = createClient('', undefined, auditEndpoints);

const KIND_WORDS: Partial<Record<AuditKind, string>> = {
  string: 'string of rings',
  capture: 'catch',
  verification: 'how it turned out',
  opinion: 'second opinion',
  remark: 'conversation',
  draft: 'guide being written',
  member: 'who belongs here',
};
const sayKind = (kind: AuditKind): string => KIND_WORDS[kind] ?? kind;

/** Who did what, when, to which record. */
export function AuditScreen() {
  const [{ by, kind, record }, setAddress] = useAddress(['by', 'kind', 'record'], 0);
  const chosen = AUDIT_KINDS.find((id) => id === kind);
  const query: AuditFilter = { ...(by ? { by } : {}), ...(chosen ? { kind: chosen } : {}), ...(record ? { record } : {}) };
  const found = useInfiniteQuery({
    queryKey: ['audit', query],
    queryFn: ({ signal, pageParam }) =>
      auditApi('audit', { query: { ...query, ...(pageParam ? { after: pageParam } : {}) } }, signal),
    initialPageParam: '',
    getNextPageParam: ({ next }) => next,
    placeholderData: (before) => before,
  });
  const pages = found.data?.pages;
  const lines = pages?.flatMap((page) => page.lines) ?? [];
  return (
    <AsyncScreen what="Who did what" value={pages} error={found.error} retry={() => void found.refetch()}>
      {([first]) => (
        <Screen widest={760}>
          <PageHeading>Who did what</PageHeading>
          <Text quiet>Every write in the station, and who came and went. Lines are added, and never changed.</Text>
          <Card title="Which">
            {!record && first.people.length > 1 && (
              <Picker
                label="Whose"
                items={first.people.map((one) => ({ id: one, label: one }))}
                chosen={by}
                onChange={(one) => setAddress({ by: one })}
                onClear={() => setAddress({ by: undefined })}
              />
            )}
            {!record && (
              <Picker
                label="Of what"
                items={AUDIT_KINDS.map((id) => ({ id, label: sayKind(id) }))}
                chosen={chosen}
                onChange={(id) => setAddress({ kind: id })}
                onClear={() => setAddress({ kind: undefined })}
              />
            )}
            {record && <Text quiet>Of one record.</Text>}
            {record && <Button small kind="quiet" label="Of all records" onPress={() => setAddress({ record: undefined })} />}
            <Row>
              <Button
                small
                label="As CSV"
                hint="As CSV: download these lines"
                onPress={() => download(addressOf(auditEndpoints.auditCsv, { query }))}
              />
            </Row>
          </Card>
          {lines.length === 0 ? (
            <Empty title="Nothing was done">No line fits what is asked for.</Empty>
          ) : (
            <Card title="The newest first">
              {lines.map((line) => (
                <Line
                  key={`${line.at} ${line.kind} ${line.id} ${line.act} ${line.version} ${line.fields.join()}`}
                  line={line}
                  alone={record ? undefined : () => setAddress({ record: line.id, by: undefined, kind: undefined })}
                />
              ))}
              {found.hasNextPage && (
                <Button
                  kind="quiet"
                  label="Show earlier ones"
                  busy={found.isFetchingNextPage}
                  onPress={() => void found.fetchNextPage()}
                />
              )}
            </Card>
          )}
        </Screen>
      )}
    </AsyncScreen>
  );
}

/** @param alone narrows the page to its record, where it is not. */
function Line({ line, alone }: { line: AuditLine; alone?: () => void }) {
  const { at, by, device, act, kind, id, version, fields } = line;
  const [open, setOpen] = useState(false);
  const said = `${act}: ${sayKind(kind)}`;
  const more = [
    `${by}, ${sayDate(at, 'minute')}`,
    version && `version ${version}`,
    fields
      .filter(Boolean)
      .map((field) => (kind === 'member' ? field : sayPart(field)))
      .join(', '),
  ]
    .filter(Boolean)
    .join(' · ');
  const to = pageOf(line);
  const written = version === undefined ? undefined : RECORD_NAMES.find((one) => one === kind);
  const words = (
    <>
      <Text strong color={to && colour.kelp}>
        {said}
      </Text>
      <Text size="small" quiet>
        {more}
      </Text>
      {device && (
        <Text size="small" quiet>
          {sayDevice(device)}
        </Text>
      )}
    </>
  );
  return (
    <Stack gap="hair" padY="s" ruled="above">
      {to ? <LinkBox href={to}>{words}</LinkBox> : words}
      <Row>
        {written && (
          <Button
            small
            kind="quiet"
            label={open ? 'Close' : 'As it was then'}
            hint={`${open ? 'Close' : 'As it was then'}: ${sayKind(kind)}, version ${version}`}
            onPress={() => setOpen(!open)}
          />
        )}
        {alone && (
          <Button small kind="quiet" label="Only this record" hint={`Only this record: ${said}, ${more}`} onPress={alone} />
        )}
      </Row>
      {open && written && <EarlierState of={{ kind: written, id, version: version! }} />}
    </Stack>
  );
}

/** The instant in it as people say it. */
const sayDevice = (device: string): string =>
  device.replace(/\d{4}-\d\d-\d\dT\d\d:\d\dZ$/, (instant) => sayDate(instant, 'minute') ?? instant);

/** Where a record is to be seen; not every kind has a page of its own. */
function pageOf({ kind, id, fields }: AuditLine): string | undefined {
  // Of the bearer of a ring there is no specimen.
  if (kind === 'verification' && fields[1]) return `/field/rings/${encodeURIComponent(fields[1])}`;
  if (kind === 'verification' && fields[2] === 'individual') return `/field/colony/${id}`;
  if (kind === 'member') return '/people';
  const at: Partial<Record<AuditKind, string>> = {
    ...{
      specimen: 'specimens',
      verification: 'specimens',
      opinion: 'specimens',
      review: 'specimens',
      remark: 'specimens',
      draft: 'guides/write',
      lot: 'lots',
      key: 'keys',
      guide: 'guides',
    },
    ...{ site: 'field/sites', visit: 'field/visits', capture: 'field/captures', count: 'field/counts' },
  };
  return at[kind] && `/${at[kind]}/${id}`;
}
