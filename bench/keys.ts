import { compileGuide } from '@plesion/core/guide';
import {
  alone,
  type CoupletAnswer,
  lintKey,
  makeKey,
  type MadeKey,
  readKey,
  readKeyText,
  walkKey,
  writeKeyText,
} from '@plesion/core/keys';
import { plainGuide, randomKey } from '@plesion/core/test';
import { DecisionTreeClassifier, type TreeNode } from 'ml-cart';
import { medianMs } from './timing';

const COUPLETS = 1000;
const ms = (value: number) => `${value.toFixed(value < 1 ? 2 : 0)} ms`;

/** Large keys, and keys that are made: beside reading the same JSON, a general decision tree, and the exact optimum. */
export function reportKeys(print: (line?: string) => void): void {
  print();
  reportLarge(print);
  print();
  reportMaking(print);
}

function reportLarge(print: (line?: string) => void): void {
  const key = randomKey('bench', COUPLETS);
  const json = JSON.stringify(key);
  const text = writeKeyText(key, 'bracketed');
  const answers = wholeWay(key);
  // Every repeat has couplets of its own, so that nothing kept for the graph is used again.
  const fresh = () => ({ ...key, couplets: [...key.couplets] });
  const parse = medianMs(() => JSON.parse(json) as unknown, 21, 5);
  const open = medianMs(() => readKey(JSON.parse(json)), 9, 2);
  const lint = medianMs(() => lintKey(fresh()), 9, 2);
  const first = medianMs(() => walkKey({ key: fresh(), answers: [], specimens: alone([]) }), 9, 2);
  const step = medianMs(() => walkKey({ key, answers, specimens: alone([]) }), 21, 5);
  const read = medianMs(() => readKeyText(text, 'Bench'), 9, 2);
  print(`A key of ${COUPLETS} couplets (${(json.length / 1e6).toFixed(2)} MB of JSON; parsed in ${ms(parse)}).`);
  print(
    `opened and checked                       ${ms(open)}   ${(open / parse).toFixed(1)} × parsing   (aim: 1 s with the next)`,
  );
  print(`first couplet, nothing known yet         ${ms(first)}   ${(first / parse).toFixed(1)} × parsing`);
  print(
    `a step, ${answers.length} couplets decided              ${ms(step)}   ${(step / parse).toFixed(1)} × parsing   (aim: 50 ms)`,
  );
  print(`linted                                   ${ms(lint)}   ${(lint / parse).toFixed(1)} × parsing   (aim: 1 s)`);
  print(`read from its text                       ${ms(read)}   ${(read / parse).toFixed(1)} × parsing`);
}

function wholeWay(key: ReturnType<typeof randomKey>): CoupletAnswer[] {
  const answers: CoupletAnswer[] = [];
  for (;;) {
    const { at } = walkKey({ key, answers, specimens: alone([]) });
    if (at === null) return answers;
    answers.push({ couplet: at, lead: 1, statements: [{ n: 1, answer: 'fits' }] });
  }
}

function made(seed: string, forms: number, characters: number, states: number): MadeKey {
  const outcome = makeKey(compileGuide(plainGuide(seed, forms, characters, states)), { purpose: 'bench' });
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
}

function reportMaking(print: (line?: string) => void): void {
  for (const states of [2, 3, 4]) {
    const from = performance.now();
    const { meanPath, entropyBound, worstPath } = made(`large ${states}`, 500, 200, states);
    const took = (performance.now() - from) / 1000;
    print(
      `made from 500 forms × 200 characters, ${states} states: ${took.toFixed(1)} s (aim: 10), mean path ${(meanPath / entropyBound).toFixed(3)} × the entropy bound (aim: 1.15), at most ${worstPath}`,
    );
  }
  let equal = 0;
  let told = 0;
  for (let seed = 0; seed < 200; seed++) {
    const key = made(`small ${seed}`, 4 + (seed % 9), 5 + (seed % 6), 2 + (seed % 3));
    if (key.optimum === undefined) continue;
    told++;
    if (Math.abs(key.meanPath - key.optimum) < 1e-9) equal++;
  }
  print(`equal to the exact optimum in ${equal} of ${told} random guides of up to 12 forms (aim: 9 of 10)`);
  const ours = made('peer', 60, 40, 2).meanPath;
  const theirs = treePath('peer', 60, 40, 2);
  print(
    `mean path beside ml-cart, 60 forms × 40: ${ours.toFixed(2)} to ${theirs.toFixed(2)}, ${(ours / theirs).toFixed(2)} of it`,
  );
}

/** Mean depth at which a general decision tree has told the same forms apart. */
function treePath(seed: string, forms: number, characters: number, states: number): number {
  const { scores, taxa, characters: list } = plainGuide(seed, forms, characters, states);
  const ids = taxa.filter(({ forms: own }) => own).map(({ id }) => id);
  const state = new Map(
    scores.map(({ character, scope, value }) => [
      `${character} ${scope.taxon}`,
      value.kind === 'states' ? Number(Object.keys(value.states)[0].slice(1)) : 0,
    ]),
  );
  const rows = ids.map((taxon) => list.map(({ id }) => state.get(`${id} ${taxon}`)!));
  const tree = new DecisionTreeClassifier({ gainFunction: 'gini', maxDepth: 40, minNumSamples: 1 });
  tree.train(
    rows,
    ids.map((_, i) => i),
  );
  const depthOf = (row: number[]): number => {
    let depth = 0;
    for (let node: TreeNode = tree.root; node.left && node.right; depth++)
      node = row[node.splitColumn!] < node.splitValue! ? node.left : node.right;
    return depth;
  };
  return rows.reduce((sum, row) => sum + depthOf(row), 0) / rows.length;
}
