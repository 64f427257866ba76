import type { OfficeView } from '@plesion/contract';
import { useState } from 'react';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Empty, Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { RecoveryRow } from '../field/RecoveryRow';
import { inWords } from '../field/words';
import { OfficeFileCard } from './OfficeFileCard';
import { useOffice } from './useOffice';

/** What goes to the ringing office, and what comes back. */
export function OfficeScreen() {
  const office = useOffice();
  const { data, error, refetch } = office.office;
  return (
    <AsyncScreen what="The ringing office" value={data} error={data ? undefined : error} retry={() => void refetch()}>
      {(view) => <Reports view={view} office={office} />}
    </AsyncScreen>
  );
}

function Reports({ view, office: { report, again, recoveries } }: { view: OfficeView; office: ReturnType<typeof useOffice> }) {
  const { known, years, files } = view;
  const [chosen, setYear] = useState<number>();
  const year = chosen ?? years[0]?.year;
  const rows = years.find((one) => one.year === year)?.rows ?? 0;
  const failure = report.error ?? again.error ?? recoveries.error;
  return (
    <Screen widest={860}>
      <PageHeading>Ringing office</PageHeading>
      {!known && (
        <Empty title="No ringing office is set">
          Whoever runs the server sets its address. Until then a season can be taken out as a Darwin Core archive, from Field.
        </Empty>
      )}
      {failure && <Failed error={failure} />}
      {known && (
        <Card title="Report a season">
          {years.length === 0 ? (
            <Text quiet>No ring was put on or met yet.</Text>
          ) : (
            <>
              <ChoiceGroup
                label="Year"
                options={years.map((one) => ({ id: String(one.year), label: String(one.year) }))}
                chosen={[String(year)]}
                onChange={([next]) => setYear(Number(next))}
              />
              <Text size="small" quiet>
                {`${inWords(rows, 'line')}: each time a ring was put on, met or lost. Places of sensitive kinds are told coarsely. The same season again does no harm.`}
              </Text>
              <Button kind="main" label={`Report ${year}`} busy={report.isPending} onPress={() => report.mutate(year)} />
            </>
          )}
        </Card>
      )}
      {files.map((file) => (
        <OfficeFileCard
          key={file.id}
          file={file}
          busy={again.isPending && again.variables === file.id}
          onAgain={() => again.mutate(file.id)}
        />
      ))}
      {known && (
        <Card
          title="Recoveries"
          aside={
            <Button
              small
              label="Ask now"
              hint="Ask now for recoveries"
              busy={recoveries.isPending}
              onPress={() => recoveries.mutate()}
            />
          }
        >
          {view.recoveries.length === 0 && (
            <Text quiet>None yet. They are asked for by themselves once a season was reported.</Text>
          )}
          {view.recoveries.map((one) => (
            <RecoveryRow key={one.id} recovery={one} />
          ))}
        </Card>
      )}
    </Screen>
  );
}
