import type { Outcome } from '@plesion/core';
import type { QuestionName, Questions } from '@plesion/core/analysis';
import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';
import { bind } from '../http/route';

/** Questions of heredity, worked out off the thread that answers requests. */
export function heredityRoutes(router: Router, em: () => Em, pool: AnalysisPool): void {
  const ask = async <N extends QuestionName, T>(
    stationId: string,
    name: Questions[N]['gives'] extends Outcome<T> ? N : never,
    asked: Questions[N]['asks'],
  ): Promise<T> => {
    const outcome = (await pool.ask(stationId, name, asked)) as Outcome<T>;
    if (!outcome.ok) throw badRequest(outcome.problems);
    return outcome.value;
  };
  bind(router, em, 'posterior', ({ caller, body }) => ask(caller.stationId, 'posterior', body));
  bind(router, em, 'cross', ({ caller, body }) => ask(caller.stationId, 'cross', body));
  bind(router, em, 'proof', ({ caller, body }) => ask(caller.stationId, 'proof', body));
  bind(router, em, 'suspects', ({ caller, body }) => ask(caller.stationId, 'suspects', body));
  bind(router, em, 'kinship', ({ caller, body }) => ask(caller.stationId, 'kinship', body));
}
