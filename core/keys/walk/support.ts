import { DEFAULT_WORDS, frequencyNumber } from '../../guide/working';
import type { Couplet, Lead, Statement } from '../schema';
import { hedgeOf } from '../hedges';
import { groupsOf, type StatementGroup } from '../statements';
import type { CoupletAnswer, Finding } from './schema';
/**
 * How a couplet is weighed; documented in `docs/keys.md`. A statement of the right
 * lead is found to fit with `right`, one of a wrong lead with `wrong` (contrasts
 * are seldom complete). Statements of one lead share `gamma`. A decision is wrong
 * with `misstep`, by its certainty; what the statements say counts beside it by
 * `share`, since the decision rests on them already.
 */
export const KEY_WEIGHTS = {
  right: 0.92,
  wrong: 0.3,
  gamma: 0.3,
  misstep: { sure: 0.02, likely: 0.1, guess: 0.3 },
  share: 0.5,
} as const;

const hedges = new WeakMap<Statement, number>();

/** How often a statement holds of those it is about: once for "usually", else always. */
function holds(statement: Statement): number {
  let often = hedges.get(statement);
  if (often === undefined) {
    const hedge = hedgeOf(statement.text);
    often = hedge && hedge !== 'always' && hedge !== 'never' ? frequencyNumber(hedge, DEFAULT_WORDS) : 1;
    hedges.set(statement, often);
  }
  return often;
}

/** Any of the alternatives may fit; while an exception holds, failing is no evidence. */
function fitOfGroup(group: StatementGroup, found: ReadonlyMap<number, Finding>): { fit: number; often: number } | undefined {
  const known = group.any.flatMap((statement) => {
    const fit = found.get(statement.n)?.fit;
    return fit === undefined ? [] : [{ fit, often: holds(statement) }];
  });
  if (known.length === 0) return undefined;
  const best = known.reduce((a, b) => (b.fit > a.fit ? b : a));
  const open = known.length < group.any.length && best.fit < 0.5;
  const excepted = group.except.some(({ n }) => (found.get(n)?.fit ?? 0) > 0.5);
  return open || (excepted && best.fit < 0.5) ? undefined : best;
}

/** Support of a lead in bits: log2 of how much likelier its statements are found so if it is right than if it is not. */
export function supportOf(lead: Lead, findings: readonly Finding[]): number {
  const found = new Map(findings.map((finding) => [finding.n, finding]));
  const told = groupsOf(lead).flatMap((group) => fitOfGroup(group, found) ?? []);
  if (told.length === 0) return 0;
  const { right, wrong, gamma } = KEY_WEIGHTS;
  const bits = told.reduce((sum, { fit, often }) => {
    const ifRight = right * often + (1 - right) * (1 - often);
    const likely = (p: number) => fit * p + (1 - fit) * (1 - p);
    return sum + Math.log2(likely(ifRight) / likely(Math.min(wrong, ifRight)));
  }, 0);
  return bits / (1 + (told.length - 1) * gamma);
}

/** The place of the lead that was taken; `undefined` where the answer names none of the couplet's. */
export function takenIndex(couplet: Couplet, answer: CoupletAnswer | undefined): number | undefined {
  if (answer?.lead === undefined) return undefined;
  const at =
    typeof answer.lead === 'number'
      ? answer.lead - 1
      : couplet.leads.findIndex(({ id }) => id === String(answer.lead).toLowerCase());
  return couplet.leads[at] ? at : undefined;
}

/**
 * The probability that each lead is right. Decided: by the certainty of the
 * decision, and by the statements with half their weight. Forked: as weighed by
 * the person or by the statements. Not yet answered: by the statements and by how
 * many endings lie beyond each.
 */
export function leadChances(
  couplet: Couplet,
  supports: readonly number[],
  answer: CoupletAnswer | undefined,
  endings: readonly number[],
): number[] {
  const n = couplet.leads.length;
  const taken = takenIndex(couplet, answer);
  if (taken !== undefined) {
    const misstep = n > 1 ? KEY_WEIGHTS.misstep[answer!.certainty ?? 'sure'] : 0;
    return softmax(
      supports.map((bits, i) => Math.log2(i === taken ? 1 - misstep : misstep / (n - 1)) + KEY_WEIGHTS.share * bits),
    );
  }
  if (Array.isArray(answer?.fork)) {
    const weights = couplet.leads.map((_, i) => Math.max(0, (answer.fork as number[])[i] ?? 0));
    const total = weights.reduce((a, b) => a + b, 0);
    if (total > 0) return weights.map((w) => w / total);
  }
  const prior = answer?.fork ? endings.map(() => 1) : endings;
  return softmax(supports.map((bits, i) => bits + Math.log2(Math.max(1e-9, prior[i]))));
}

function softmax(bits: readonly number[]): number[] {
  const most = Math.max(...bits);
  const raw = bits.map((b) => (Number.isFinite(b) ? 2 ** (b - most) : 0));
  const total = raw.reduce((a, b) => a + b, 0) || 1;
  return raw.map((r) => r / total);
}
