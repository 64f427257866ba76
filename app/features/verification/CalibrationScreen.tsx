import type { CalibrationView } from '@plesion/contract/calibration';
import { SCHOOLS } from '@plesion/core/guide/schema';
import { useQuery } from '@tanstack/react-query';
import { Suspense } from 'react';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { ChartRoom } from '../../ui/ChartRoom';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { CalibrationChart } from '../../ui/lazyCalibrationChart';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { SCHOOL_LABELS } from '../records/schoolLabels';
import { CalledGrid } from './CalledGrid';
import { CalledMatrix } from './CalledMatrix';
import { HitRates } from './HitRates';
import { ThresholdCard } from './ThresholdCard';
import { verificationApi } from './verificationApi';

/** How far the names of the station can be relied on, by those of which it is known what they were. */
export function CalibrationScreen() {
  const [{ guide, by, season, school: asked }, setAddress] = useAddress(['guide', 'by', 'season', 'school'], 0);
  const school = SCHOOLS.find((one) => one === asked);
  const query = {
    ...(guide ? { guideId: guide } : {}),
    ...(by ? { by } : {}),
    ...(season ? { season } : {}),
    ...(school ? { school } : {}),
  };
  const found = useQuery({
    queryKey: ['verifications', 'calibration', query],
    queryFn: ({ signal }) => verificationApi('calibration', { query }, signal),
    placeholderData: (before) => before,
  });
  return (
    <AsyncScreen what="How names turned out" value={found.data} error={found.error} retry={() => void found.refetch()}>
      {(view) => (
        <Screen widest={860}>
          <PageHeading>How names turned out</PageHeading>
          <Text quiet>
            Names that were given, against what the specimens turned out to be. Only those count of which that is known.
          </Text>
          {view.guides.length > 0 && (
            <Card title="Which names">
              <Picker
                label="Guide"
                items={view.guides.map(({ id, title }) => ({ id, label: title }))}
                chosen={guide}
                onChange={(id) => setAddress({ guide: id })}
                onClear={() => setAddress({ guide: undefined })}
              />
              {view.observers.length > 1 && (
                <Picker
                  label="Whose"
                  items={view.observers.map((one) => ({ id: one, label: one }))}
                  chosen={by}
                  onChange={(one) => setAddress({ by: one })}
                  onClear={() => setAddress({ by: undefined })}
                />
              )}
              {view.seasons.length > 1 && (
                <ChoiceGroup
                  label="Year"
                  clearable
                  options={view.seasons.map((year) => ({ id: String(year), label: String(year) }))}
                  chosen={season ? [season] : []}
                  onChange={([year]) => setAddress({ season: year })}
                />
              )}
              {view.schools.length > 1 && (
                <ChoiceGroup
                  label="Guides that ask for"
                  clearable
                  options={view.schools.map((one) => ({ id: one, label: SCHOOL_LABELS[one] }))}
                  chosen={school ? [school] : []}
                  onChange={([one]) => setAddress({ school: one })}
                />
              )}
            </Card>
          )}
          {view.calibration ? (
            <Known view={view} found={view.calibration} query={query} />
          ) : (
            <Empty title="Nothing is known yet">
              Say on a specimen’s page how it turned out: by an expert’s word, an egg, a test. Then it is seen here how far your
              names can be relied on.
            </Empty>
          )}
        </Screen>
      )}
    </AsyncScreen>
  );
}

const hundred = (share: number): string => `${Math.round(100 * share)} in 100`;

interface KnownProps {
  view: CalibrationView;
  found: NonNullable<CalibrationView['calibration']>;
  query: Record<string, string>;
}

function Known({ view, found, query }: KnownProps) {
  const { n, right, brier, parts, logScore, classes } = found;
  return (
    <>
      <Card title="In all" aside={n === 1 ? 'one name' : `${n} names`}>
        <Text size="lead" strong>{`${right} of ${n} turned out to be so.`}</Text>
        <Text>{sayChosen(view)}</Text>
        <Table
          label="Scores"
          columns={['Score', 'Value', 'Best']}
          rows={[
            ['Brier score', brier.toFixed(3), '0'],
            ['of it: stated otherwise than it turned out', parts.reliability.toFixed(3), '0'],
            ['taken off: told apart', parts.resolution.toFixed(3), parts.uncertainty.toFixed(3)],
            ['the names themselves, uncertain', parts.uncertainty.toFixed(3), ''],
            ['Log score', `${logScore.toFixed(2)} bits`, '0'],
          ]}
        />
      </Card>
      <Card title="Said, and right">
        <Suspense fallback={<ChartRoom />}>
          <CalibrationChart
            bins={classes.map((one) => ({
              label: `${Math.round(100 * one.from)}–${Math.round(100 * one.to)}`,
              stated: one.stated,
              right: one.right,
              n: one.n,
            }))}
          />
        </Suspense>
      </Card>
      <ThresholdCard thresholds={view.thresholds} usual={view.usual} />
      <HitRates query={query} guides={view.guides} />
      <CalledGrid pairs={view.pairs} />
      <CalledMatrix pairs={view.pairs} />
    </>
  );
}

/** Which were verified was not left to chance: how they differ from the rest. */
function sayChosen({ names: { all, verified, meanAll, meanVerified } }: CalibrationView): string {
  const share = `Known of ${verified} of ${all} names, and those are chosen, not drawn by lot`;
  if (meanAll === undefined || meanVerified === undefined) return `${share}.`;
  return `${share}: they were given with ${hundred(meanVerified)} in the mean, all together with ${hundred(meanAll)}.`;
}
