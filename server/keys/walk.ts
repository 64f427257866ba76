import type { WalkRequest } from '@plesion/contract';
import type { Problem } from '@plesion/core';
import type { Walked } from '@plesion/core/analysis';
import { alone, type CoupletAnswer, type Key, type KeptWalk, type Walk } from '@plesion/core/keys';
import type { AnalysisPool } from '../analysis/pool';
import { KeyVersionEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';
import { checkAgainst } from '../standing/service';
import { keyAndGuide } from './service';

/** How a walk through a key of the station stands. */
export async function walkFor(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  id: string,
  asked: WalkRequest,
  version?: number,
): Promise<Walk> {
  const { key, guide, guideHash } = await keyAndGuide(em, stationId, id, version);
  const { situation = {}, policy, treatment, cross, reader } = asked;
  const judgement = { policy, treatment, cross, reader };
  const idOf = coupletIds(key);
  const start = asked.start === undefined ? undefined : idOf(asked.start);
  const answers = asked.answers.map((answer) => ({ ...answer, couplet: idOf(answer.couplet) }));
  const specimens = asked.specimens ?? alone(asked.readings ?? []);
  checkAnswers(key, { answers, start, specimens: asked.specimens });
  if (guide) specimens.forEach(({ readings }) => checkAgainst(guide, situation, readings, judgement, ''));
  const behind = guide && { guide, hash: guideHash! };
  return pool.ask(stationId, 'walk', { key, answers, specimens, situation, judgement, start }, behind);
}

/** Couplets may be called by their id or by the number they are printed with. */
function coupletIds(key: Key): (asked: string | number) => string {
  const ids = new Set(key.couplets.map(({ id }) => id));
  const byNumber = new Map(key.couplets.map(({ id, number }) => [number, id]));
  return (asked) => (ids.has(String(asked)) ? String(asked) : (byNumber.get(String(asked)) ?? String(asked)));
}

interface Given {
  answers: readonly CoupletAnswer[];
  start?: string;
  specimens?: readonly { id: string }[];
}

/** Couplets, leads and statements that the key does not have. */
function checkAnswers(key: Key, { answers, start, specimens }: Given): void {
  const couplets = new Map(key.couplets.map((couplet) => [couplet.id, couplet]));
  const problems: Problem[] = [];
  const report = (code: string, message: string, field: string) => problems.push({ code, message, field });
  if (start !== undefined && !couplets.has(start)) report('unknown-couplet', `The key has no couplet “${start}”.`, 'start');
  const known = specimens && new Set(specimens.map((specimen) => specimen.id));
  answers.forEach((answer, i) => {
    const field = `answers[${i}]`;
    const couplet = couplets.get(answer.couplet);
    if (!couplet) return report('unknown-couplet', `The key has no couplet “${answer.couplet}”.`, `${field}.couplet`);
    const { lead, fork, statements } = answer;
    const has = typeof lead === 'number' ? couplet.leads[lead - 1] : couplet.leads.some((own) => own.id === lead?.toLowerCase());
    if (lead !== undefined && !has) report('unknown-lead', `Couplet ${couplet.number} has no lead “${lead}”.`, `${field}.lead`);
    if (lead !== undefined && fork !== undefined) {
      report('lead-and-fork', `Couplet ${couplet.number} is either decided or forked, not both.`, `${field}.fork`);
    }
    if (Array.isArray(fork) && fork.length !== couplet.leads.length) {
      report(
        'fork-weights',
        `Give couplet ${couplet.number} one weight for each of its ${couplet.leads.length} leads.`,
        `${field}.fork`,
      );
    }
    statements?.forEach(({ n, specimen }, s) => {
      if (!couplet.leads.some((own) => own.statements.some((statement) => statement.n === n))) {
        report('unknown-statement', `Couplet ${couplet.number} has no statement ${n}.`, `${field}.statements[${s}].n`);
      }
      if (known && specimen !== undefined && !known.has(specimen)) {
        report('unknown-specimen', `“${specimen}” is not among the specimens.`, `${field}.statements[${s}].specimen`);
      }
    });
  });
  if (problems.length > 0) throw badRequest(problems.slice(0, 50));
}

/** Versions of keys, all at once: what there is of each. */
export async function keysAt(
  em: Em,
  stationId: string,
  walks: readonly Pick<KeptWalk, 'keyId' | 'keyVersion'>[],
): Promise<(walk: Pick<KeptWalk, 'keyId' | 'keyVersion'>) => Key | undefined> {
  const at = new Map(walks.map(({ keyId, keyVersion: version }) => [`${keyId} ${version}`, { keyId, version }]));
  const versions = at.size ? await em.find(KeyVersionEntity, { stationId, $or: [...at.values()] }) : [];
  const keys = new Map(versions.map(({ keyId, version, content }) => [`${keyId} ${version}`, content]));
  return ({ keyId, keyVersion }) => keys.get(`${keyId} ${keyVersion}`);
}

/** A specimen's walk with the key it follows, to be weighed with its readings; nothing where there is none. */
export async function walkedOf(em: Em, stationId: string, walk: KeptWalk | undefined): Promise<Walked | undefined> {
  if (!walk) return undefined;
  const { key } = await keyAndGuide(em, stationId, walk.keyId, walk.keyVersion);
  return { key, answers: walk.answers, start: walk.start };
}
