import type { CrossValidation, Learned, Ratio } from '@plesion/core/guide';
import { Suspense } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { CalibrationChart } from './lazyChart';

/** What a learned guide says of itself, on its page. */
export function LearnedSheet({ learned }: { learned: Learned }) {
  return (
    <>
      {learned.leftOut > 0 && (
        <Words size="small" quiet>
          {learned.leftOut === 1 ? 'One row of the table was left out.' : `${learned.leftOut} rows of the table were left out.`}
        </Words>
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
      <Sheet title="How well it tells them apart" aside={`${cv.folds}-fold, ${cv.n} specimens`}>
        <View style={styles.figures}>
          <Figure value={`${(cv.accuracy * 100).toFixed(1)} in 100`} what="called right" />
          <Figure value={`${cv.logLoss.toFixed(3)} nats`} what="log loss, lower is better" />
        </View>
        <Words size="small" quiet>
          {`Each specimen was called by a guide that had not seen it. ${choice}`}
        </Words>
        <Confusion cv={cv} />
        <Suspense fallback={null}>
          <CalibrationChart calibration={cv.calibration} />
        </Suspense>
      </Sheet>
      {ratios.length > 0 && (
        <Sheet title="Ratios that separate" aside="both groups counting alike">
          {[...ratios]
            .sort((a, b) => a.error - b.error)
            .slice(0, MOST_RATIOS)
            .map((ratio) => (
              <View key={`${ratio.a} ${ratio.b}`} style={styles.ratio}>
                <Words size="small" quiet>{`${ratio.a} or ${ratio.b}`}</Words>
                <Words size="small" strong>
                  {ratio.text}
                </Words>
              </View>
            ))}
          {ratios.length > MOST_RATIOS && <Words size="small" quiet>{`and ${ratios.length - MOST_RATIOS} more pairs`}</Words>}
        </Sheet>
      )}
    </>
  );
}

function Figure({ value, what }: { value: string; what: string }) {
  return (
    <View>
      <Words size="title">{value}</Words>
      <Words size="small" quiet>
        {what}
      </Words>
    </View>
  );
}

/** Rows are what they were, columns what they were called. */
function Confusion({ cv }: { cv: CrossValidation }) {
  return (
    <ScrollView horizontal>
      <View role="table" aria-label="What each kind was called">
        <View style={styles.row}>
          <Words size="small" quiet style={styles.name}>
            was ↓ called →
          </Words>
          {cv.forms.map((form) => (
            <Words key={form} size="small" strong style={styles.cell} numberOfLines={2}>
              {form}
            </Words>
          ))}
        </View>
        {cv.confusion.map((counts, r) => {
          const total = counts.reduce((a, b) => a + b, 0) || 1;
          return (
            <View key={cv.forms[r]} style={styles.row}>
              <Words size="small" strong style={styles.name} numberOfLines={1}>
                {cv.forms[r]}
              </Words>
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
                  <Words size="small" figures strong={r === c}>
                    {n}
                  </Words>
                </View>
              ))}
            </View>
          );
        })}
      </View>
    </ScrollView>
  );
}

const shade = (share: number, right: boolean) =>
  right ? `rgba(14,79,74,${0.08 + 0.3 * share})` : `rgba(154,91,0,${0.12 + 0.5 * share})`;

const styles = StyleSheet.create({
  figures: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.xxl, rowGap: space.s },
  row: { flexDirection: 'row', alignItems: 'center' },
  name: { width: 124 },
  cell: { width: 76, textAlign: 'center', padding: 2 },
  count: { alignItems: 'center', minHeight: 30, justifyContent: 'center', borderRadius: radius.s, marginVertical: 1 },
  right: { borderWidth: 1, borderColor: colour.kelp },
  ratio: { borderTopWidth: 1, borderColor: colour.mist, paddingTop: space.xs },
});
