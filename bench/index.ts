import { fromPrior, groupByRank, nextLooks, posteriorOf } from '@plesion/core/evidence';
import { priorBits } from '@plesion/core/guide';
import { MultinomialNB } from 'ml-naivebayes';
import { reportCalibration } from './calibration';
import { reportFieldwork } from './fieldwork';
import { reportGrowth } from './growth';
import { reportHeredity } from './heredity';
import { reportKeys } from './keys';
import { reportLearning } from './learning';
import { reportLoad } from './load';
import { reportMeasure } from './measure';
import { reportOutcomes } from './outcomes';
import { reportPages } from './pages';
import { reportPractice } from './practice';
import { reportSmallTables } from './smallTables';
import { reportCold, reportTouch } from './touch';
import { syntheticGuide, type Synthetic } from './syntheticGuide';
import { medianMs } from './timing';

const FORMS = 5000;
const CHARACTERS = 400;
const READ = 25;

const print = (line = '') => process.stdout.write(`${line}\n`);
const ms = (value: number) => `${value.toFixed(value < 1 ? 3 : 1)} ms`;

/** Nothing but reading as many floats as the standing must: one for each form and reading. */
function barePass(): () => number {
  const floats = Float64Array.from({ length: FORMS * READ }, (_, i) => i % 7);
  return () => {
    let sum = 0;
    for (let i = 0; i < floats.length; i++) sum += floats[i];
    return sum;
  };
}

/**
 * A general naive Bayes classifier (multinomial, one column a state; measured
 * characters cut into eight classes), taught the expected counts of every form.
 * It weighs the whole table for each specimen; on the read characters alone it is
 * spared the rest. The package's Gaussian classifier is no peer: in this version
 * its prediction looks at the first two columns only.
 */
function peer(columns: Synthetic['whole']): () => unknown {
  const rows = Array.from({ length: FORMS }, (_, form) =>
    columns.flatMap(({ classes }) => classes.map((expected) => Math.round(20 * expected[form]))),
  );
  const model = new MultinomialNB();
  model.train(
    rows,
    rows.map((_, form) => form),
  );
  const specimen = [columns.flatMap(({ classes, read, asked }) => classes.map((_, k) => (asked && k === read ? 1 : 0)))];
  return () => model.predict(specimen);
}

function reportReasoning(): void {
  const synthetic = syntheticGuide(FORMS, CHARACTERS, READ);
  const { compiled, readings } = synthetic;
  const grouping = groupByRank(compiled, 'species');
  const prior = priorBits(compiled, {});

  const bare = medianMs(barePass());
  const cold = medianMs(() => {
    compiled.columns.clear();
    return fromPrior(compiled, prior, readings);
  });
  const warm = medianMs(() => fromPrior(compiled, prior, readings));
  const full = posteriorOf(compiled, {}, readings);
  const next = medianMs(() => nextLooks(compiled, full, grouping, {}, readings), 21, 4);
  const early = posteriorOf(compiled, {}, readings.slice(0, 1));
  const nextEarly = medianMs(() => nextLooks(compiled, early, grouping, {}, readings.slice(0, 1)), 5, 1);
  const onRead = medianMs(peer(synthetic.whole.filter(({ asked }) => asked)), 9, 2);
  const onTable = medianMs(peer(synthetic.whole), 5, 1);

  print(`Synthetic guide: ${FORMS} forms × ${CHARACTERS} characters, ${READ} readings. Medians.`);
  print();
  print(`bare pass over ${FORMS} × ${READ} floats        ${ms(bare)}`);
  print(`standing, one reading changed            ${ms(warm)}   ${(warm / bare).toFixed(1)} × the bare pass   (aim: 3)`);
  print(`standing, every reading weighed anew     ${ms(cold)}   ${(cold / bare).toFixed(1)} × the bare pass`);
  print(
    `ml-naivebayes on the same table          ${ms(onTable)}   the standing is ${(onTable / cold).toFixed(0)} × faster anew, ${(onTable / warm).toFixed(0)} × changed   (aim: 20)`,
  );
  print(
    `ml-naivebayes on the ${READ} columns read     ${ms(onRead)}   the standing is ${(onRead / cold).toFixed(1)} × faster anew, ${(onRead / warm).toFixed(1)} × changed`,
  );
  print(`next looks over ${CHARACTERS - READ} characters         ${ms(next)}   (aim: 100 ms)`);
  print(`next looks after a single reading        ${ms(nextEarly)}   ${(nextEarly / bare).toFixed(0)} × the bare pass`);
}

/** What is measured, by the name it can be asked for by; all of it where none is named. */
const PARTS: Record<string, () => void | Promise<void>> = {
  reasoning: reportReasoning,
  growth: () => reportGrowth(print),
  calibration: () => reportCalibration(print),
  keys: () => reportKeys(print),
  heredity: () => reportHeredity(print),
  measure: () => reportMeasure(print),
  learning: () => reportLearning(print),
  tables: () => reportSmallTables(print),
  pages: () => reportPages(print),
  cold: () => reportCold(print),
  touch: () => reportTouch(print),
  load: () => reportLoad(print),
  fieldwork: () => reportFieldwork(print),
  practice: () => reportPractice(print),
  outcomes: () => reportOutcomes(print),
};

const named = process.argv.slice(2);
for (const [name, report] of Object.entries(PARTS)) if (named.length === 0 || named.includes(name)) await report();
