import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { PagePool } from '../page/pool';
import type { PracticePool } from '../practice/pool';
import { setCsv, setResults, setSheet } from './results';
import { listSets, setSource, writeSet } from './sets';
import { answerSet, beginSet, viewSet } from './taking';

export function setRoutes(
  router: Router,
  em: () => Em,
  { practice, paging }: { practice: PracticePool; paging: PagePool },
): void {
  bind(router, em, 'practiceSets', async ({ em: own, caller }) => ({ sets: await listSets(own, caller) }));
  bind(router, em, 'practiceSet', ({ em: own, caller, params }) => viewSet(own, practice, caller, params.id));
  bind(router, em, 'practiceSetSource', ({ em: own, caller, params }) => setSource(own, caller, params.id));
  bind(router, em, 'writePracticeSet', ({ em: own, caller, params, body }) => writeSet(own, practice, caller, params.id, body));
  bind(router, em, 'beginPracticeSet', ({ em: own, caller, params }) => beginSet(own, practice, caller, params.id));
  bind(router, em, 'answerPracticeSet', ({ em: own, caller, params, body }) => answerSet(own, practice, caller, params.id, body));
  bind(router, em, 'practiceSetResults', ({ em: own, caller, params }) => setResults(own, caller, params.id));
  bind(router, em, 'exportPracticeSet', async ({ em: own, caller, params, response }) => {
    const csv = await setCsv(own, caller, params.id);
    response.attachment('answers.csv');
    return csv;
  });
  bind(router, em, 'practiceSetSheet', async ({ em: own, caller, params, query, response }) => {
    const pdf = await setSheet(own, paging, caller, params.id, query.paper);
    response.attachment('set.pdf');
    return pdf;
  });
}
