import type { schemas } from '@plesion/contract';
import { compareForms, type Comparison } from '@plesion/core/compare';
import { type CompiledGuide, compiledFor, knownGuide } from '@plesion/core/guide';
import type { z } from 'zod';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import { checkAgainst } from '../standing/service';

export type CompareRequest = z.output<typeof schemas.CompareRequest>;

/** Two to four forms of a station's guide, side by side. */
export async function compareFor(
  em: Em,
  stationId: string,
  guideId: string,
  { forms, situation = {}, ...judgement }: CompareRequest,
): Promise<Comparison> {
  const { guide, hash } = await findGuide(em, stationId, guideId);
  checkAgainst(guide, situation, [], judgement, '');
  const compiled = compiledFor(knownGuide(hash, guide), situation, judgement);
  checkForms(compiled, forms);
  return compareForms(compiled, forms, situation);
}

/** Two to four different forms that the guide has. */
export function checkForms(compiled: CompiledGuide, forms: readonly string[]): void {
  const known = new Set(compiled.forms.map(({ id }) => id));
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
