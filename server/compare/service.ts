import type { CompareRequest } from '@plesion/contract';
import type { Comparison } from '@plesion/core/compare';
import { formsOf, type Guide, type Judgement, withCross } from '@plesion/core/guide';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import { checkAgainst } from '../standing/service';

/** Two to four forms of a station's guide, side by side. */
export async function compareFor(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  { forms, situation = {}, ...judgement }: CompareRequest,
): Promise<Comparison> {
  const { guide, hash } = await findGuide(em, stationId, guideId);
  checkAgainst(guide, situation, [], judgement, '');
  checkForms(guide, judgement, forms);
  return pool.ask(stationId, 'comparison', { forms, situation, judgement }, { guide, hash });
}

/** Two to four different forms that the guide has, or the cross that is a candidate beside them. */
export function checkForms(guide: Guide, { cross }: Judgement, forms: readonly string[]): void {
  const known = new Set(formsOf(cross ? withCross(guide, cross) : guide).map(({ id }) => id));
  const problems = forms.flatMap((form, i) => {
    if (!known.has(form))
      return [{ code: 'unknown-form', message: `There is no form “${form}” in this guide.`, field: `forms[${i}]` }];
    if (forms.indexOf(form) !== i) return [{ code: 'form-twice', message: `“${form}” is named twice.`, field: `forms[${i}]` }];
    return [];
  });
  if (forms.length < 2 || forms.length > 4) {
    problems.push({ code: 'forms-count', message: `Name two to four forms, not ${forms.length}.`, field: 'forms' });
  }
  if (problems.length > 0) throw badRequest(problems);
}
