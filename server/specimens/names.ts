import type { SpecimenWrite } from '@plesion/contract';
import type { Problem } from '@plesion/core';
import { type Guide, taxonIndex } from '@plesion/core/guide';
import type { Determination, GivenName } from '@plesion/core/specimen';
import { badRequest } from '../http/errors';

type Checked = GivenName & Partial<Pick<Determination, 'written' | 'overruled' | 'reason'>>;

/** Names of taxa that the guide knows; without a guide, names as they are written. */
export function checkNames(
  guide: Guide | undefined,
  determinations: readonly Checked[],
  fieldOf = (i: number) => `determinations[${i}]`,
): void {
  const taxa = guide && taxonIndex(guide);
  const problems = determinations.flatMap((name, i): Problem[] => {
    const field = fieldOf(i);
    const needsTaxon = name.qualifier !== 'unknown' && name.qualifier !== 'outside';
    const unknown = (id: string | undefined) => id !== undefined && !taxa?.has(id);
    if (needsTaxon && !(guide ? name.taxon : name.written)) {
      const where = guide ? 'taxon' : 'written.name';
      return [{ code: 'taxon-missing', message: 'Say which name is given.', field: `${field}.${where}` }];
    }
    if (unknown(name.taxon)) return [{ code: 'unknown-taxon', message: noTaxon(guide, name.taxon), field: `${field}.taxon` }];
    if (unknown(name.other)) return [{ code: 'unknown-taxon', message: noTaxon(guide, name.other), field: `${field}.other` }];
    const [first, second] = guide ? [name.taxon, name.other] : [name.written?.name, name.written?.other];
    if (name.qualifier === 'or' && (!second || second === first)) {
      return [{ code: 'second-name-missing', message: '“A or B” needs two different names.', field: `${field}.other` }];
    }
    if (name.overruled && !name.reason?.trim()) {
      return [{ code: 'reason-missing', message: 'Say why you name it otherwise than recommended.', field: `${field}.reason` }];
    }
    return [];
  });
  if (problems.length > 0) throw badRequest(problems);
}

/** History only grows; what is new is signed by the one who sends it and pinned to what it rests on. */
export function signed(
  stored: readonly Determination[],
  sent: SpecimenWrite,
  by: string,
  guide: Guide | undefined,
): Determination[] {
  if (stored.some((name, i) => sent.determinations[i]?.id !== name.id)) {
    throw badRequest([
      {
        code: 'history-changed',
        message: 'Earlier determinations stay in the history; add a new one instead.',
        field: 'determinations',
      },
    ]);
  }
  const pinned = {
    situation: sent.situation,
    readings: sent.readings,
    ...(guide ? { policy: sent.judgement?.policy ?? guide.policy } : {}),
    ...(sent.judgement ? { judgement: sent.judgement } : {}),
    ...(sent.walk ? { walk: sent.walk } : {}),
  };
  return [...stored, ...sent.determinations.slice(stored.length).map((name) => ({ ...name, by, pinned }))];
}

const noTaxon = (guide: Guide | undefined, id: string | undefined) =>
  guide
    ? `There is no taxon “${id}” in this guide.`
    : `The specimen has no guide that could know “${id}”; write the name out as “written”.`;
