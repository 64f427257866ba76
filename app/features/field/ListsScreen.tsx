import type { ListedRecord, ListedRecords } from '@plesion/contract';
import { sayDate } from '../../lib/dates';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { useGuide, useGuides } from '../records/useGuide';
import { useSession } from '../session/useSession';
import { type Field, useField } from './useField';
import { Corrected } from './Corrected';
import { listUnder, movesUnder, useListed } from './useLists';
import { inWords } from './words';

/** What was ever met: of a life, a year, a site, a guide. */
export function ListsScreen() {
  const listed = useListed();
  const { field, error, refetch } = useField();
  return (
    <AsyncScreen
      what="The lists"
      value={listed.data && field ? { listed: listed.data, field } : undefined}
      error={listed.error ?? error}
      retry={() => (void listed.refetch(), refetch())}
    >
      {(open) => <Lists {...open} />}
    </AsyncScreen>
  );
}

function Lists({ listed, field }: { listed: ListedRecords; field: Field }) {
  const { records } = listed;
  const [{ year, site, guide, whose }, setAddress] = useAddress(['year', 'site', 'guide', 'whose'], 0);
  const me = useSession().account.name;
  const guides = useGuides().data?.guides ?? [];
  const years = [...new Set(records.map(({ day }) => day.slice(0, 4)))].sort().reverse();
  const filter = { year, site, guideId: guide, by: whose === 'mine' ? me : undefined };
  const found = listUnder(records, filter);
  const moves = movesUnder(listed, filter);
  const siteOf = (id: string | undefined) => field.view.sites.find((one) => one.id === id)?.name;
  const used = new Set(records.flatMap(({ guideId }) => guideId ?? []));
  return (
    <Screen widest={860}>
      <PageHeading>Lists</PageHeading>
      <Card>
        <ChoiceGroup
          label="Whose"
          options={[
            { id: 'all', label: 'the station’s' },
            { id: 'mine', label: 'mine' },
          ]}
          chosen={[whose === 'mine' ? 'mine' : 'all']}
          onChange={([next]) => setAddress({ whose: next === 'mine' ? 'mine' : undefined })}
        />
        <ChoiceGroup
          label="Year"
          clearable
          options={years.slice(0, 12).map((id) => ({ id, label: id }))}
          chosen={year ? [year] : []}
          onChange={([next]) => setAddress({ year: next })}
        />
        <ChoiceGroup
          label="Site"
          clearable
          options={field.view.sites.map(({ id, name }) => ({ id, label: name }))}
          chosen={site ? [site] : []}
          onChange={([next]) => setAddress({ site: next })}
        />
        <ChoiceGroup
          label="Guide"
          clearable
          options={guides.filter(({ id }) => used.has(id)).map(({ id, title }) => ({ id, label: title }))}
          chosen={guide ? [guide] : []}
          onChange={([next]) => setAddress({ guide: next })}
        />
      </Card>
      <Card title={inWords(found.length, 'name')}>
        {found.length === 0 && <Empty title="Nothing yet">No record that is named fits that.</Empty>}
        {found.map((record) => (
          <ListRow key={record.id} record={record} site={siteOf(record.site)} />
        ))}
      </Card>
      {moves.length > 0 && (
        <Card title="What corrections moved">
          {moves.map((move) => (
            <Corrected key={`${move.correction.id} ${move.correction.at}`} {...move} siteOf={siteOf} />
          ))}
        </Card>
      )}
      <Text size="small" quiet>
        A capture counts by its kind, a specimen by the name given last. “A or B” counts for neither, but for what holds both.
        What is named anew moves the lists.
      </Text>
    </Screen>
  );
}

function ListRow({ record, site }: { record: ListedRecord; site?: string }) {
  const guide = useGuide(record.guideId).data?.guide;
  const taxon = guide?.taxa.find(({ id }) => id === (record.taxon ?? record.group));
  return (
    <LinkBox
      href={record.kind === 'capture' ? `/field/captures/${record.id}` : `/specimens/${record.id}`}
      gap="hair"
      justify="center"
      padY="xs"
      ruled="above"
    >
      {record.name ? <Text strong>{record.name}</Text> : <TaxonName guide={guide} taxon={record.taxon ?? record.group} />}
      <Text size="small" quiet>
        {[taxon?.vernacular, record.group && 'one of several', sayDate(record.day), site, record.by].filter(Boolean).join(' · ')}
      </Text>
    </LinkBox>
  );
}
