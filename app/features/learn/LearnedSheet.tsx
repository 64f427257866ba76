import type { CrossValidation, Learned, Ratio } from '@plesion/core/guide';
import { Suspense } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { colour, radius } from '../../theme';
import { Box } from '../../ui/Box';
import { CalibrationChart } from '../../ui/lazyCalibrationChart';
import { Card } from '../../ui/Card';
import { ChartRoom } from '../../ui/ChartRoom';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

/** What a learned guide says of itself, on its page. */
export function LearnedSheet({ learned }: { learned: Learned }) {
  return (
    <>
      {learned.leftOut > 0 && (
        <Text size="small" quiet>
          {learned.leftOut === 1 ? 'One row of the table was left out.' : `${learned.leftOut} rows of the table were left out.`}
        </Text>
      )}
      <LearnedReport {...learned} />
    </>
  );
}

interface ReportProps {
  crossValidation: CrossValidation;
  ratios: readonly Ratio[];
  choice: string;
}

const MOST_RATIOS = 12;

/** How well it tells its own table apart, and the ratios that separate best. */
export function LearnedReport({ crossValidation: cv, ratios, choice }: ReportProps) {
  return (
    <>
      <Card title="How well it tells them apart" aside={`${cv.folds}-fold, ${cv.n} specimens`}>
        <Row gap="xxl" lineGap="s">
          <Figure value={`${(cv.accuracy * 100).toFixed(1)} in 100`} what="called right" />
          <Figure value={`${cv.logLoss.toFixed(3)} nats`} what="log loss, lower is better" />
        </Row>
        <Text size="small" quiet>
          {`Each specimen was called by a guide that had not seen it. ${choice}`}
        </Text>
        <Confusion cv={cv} />
        <Suspense fallback={<ChartRoom />}>
          <CalibrationChart
            bins={cv.calibration.map(({ from, to, ...bin }) => ({
              ...bin,
              label: `${Math.round(from * 100)}–${Math.round(to * 100)}`,
            }))}
          />
        </Suspense>
      </Card>
      {ratios.length > 0 && (
        <Card title="Ratios that separate" aside="both groups counting alike">
          {[...ratios]
            .sort((a, b) => a.error - b.error)
            .slice(0, MOST_RATIOS)
            .map((ratio) => (
              <Box key={`${ratio.a} ${ratio.b}`} padTop="xs" ruled="above">
                <Text size="small" quiet>{`${ratio.a} or ${ratio.b}`}</Text>
                <Text size="small" strong>
                  {ratio.text}
                </Text>
              </Box>
            ))}
          {ratios.length > MOST_RATIOS && <Text size="small" quiet>{`and ${ratios.length - MOST_RATIOS} more pairs`}</Text>}
        </Card>
      )}
    </>
  );
}

function Figure({ value, what }: { value: string; what: string }) {
  return (
    <View>
      <Text size="title">{value}</Text>
      <Text size="small" quiet>
        {what}
      </Text>
    </View>
  );
}

/** Rows are what they were, columns what they were called. */
function Confusion({ cv }: { cv: CrossValidation }) {
  return (
    <ScrollView horizontal>
      <View role="table" aria-label="What each kind was called">
        <Row align="center" oneLine gap="none">
          <Text size="small" quiet wide={124}>
            was ↓ called →
          </Text>
          {cv.forms.map((form) => (
            <Text key={form} size="small" strong style={styles.cell} numberOfLines={2}>
              {form}
            </Text>
          ))}
        </Row>
        {cv.confusion.map((counts, r) => {
          const total = counts.reduce((a, b) => a + b, 0) || 1;
          return (
            <Row key={cv.forms[r]} align="center" oneLine gap="none">
              <Text size="small" strong wide={124} numberOfLines={1}>
                {cv.forms[r]}
              </Text>
              {counts.map((n, c) => (
                <View
                  key={cv.forms[c]}
                  style={[
                    styles.cell,
                    styles.count,
                    n > 0 && { backgroundColor: shade(n / total, r === c) },
                    r === c && styles.right,
                  ]}
                >
                  <Text size="small" figures strong={r === c}>
                    {n}
                  </Text>
                </View>
              ))}
            </Row>
          );
        })}
      </View>
    </ScrollView>
  );
}

const shade = (share: number, right: boolean) =>
  right ? `rgba(14,79,74,${0.08 + 0.3 * share})` : `rgba(154,91,0,${0.12 + 0.5 * share})`;

const styles = StyleSheet.create({
  cell: { width: 76, textAlign: 'center', padding: 2 },
  count: { alignItems: 'center', minHeight: 30, justifyContent: 'center', borderRadius: radius.s, marginVertical: 1 },
  right: { borderWidth: 1, borderColor: colour.kelp },
});
