import { guideJsonSchema } from '@plesion/contract/guideSchema';
import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { startJob } from '../jobs/jobs';
import {
  beginDraft,
  listOrNot,
  editDraft,
  editsSince,
  draftAnswer,
  guideOfDraft,
  listDrafts,
  lookOverDraft,
  publishDraft,
  tryDraft,
  tryDraftNames,
} from './drafts';
import { draftCitations, readCitations } from './citations';
import { listVersions, tryOnNewest } from './versions';
import { carryOver, newerFor } from './newer';
import { listReviews, reviewDraft } from './reviews';
import { lookAtKeyGuide, makeKeyGuide } from './keyGuide';
import { headIn } from './working';

export function authoringRoutes(router: Router, em: () => Em, pool: AnalysisPool): void {
  bind(router, em, 'keyGuide', ({ em: own, caller, body }) => lookAtKeyGuide(own, pool, caller.stationId, body));
  bind(router, em, 'makeKeyGuide', ({ em: own, caller, body }) => makeKeyGuide(own, pool, caller, body));
  bind(router, em, 'guideSchema', () => Promise.resolve(JSON.stringify(guideJsonSchema())));
  bind(router, em, 'drafts', async ({ em: own, caller }) => ({ drafts: await listDrafts(own, caller.stationId) }));
  bind(router, em, 'draft', ({ em: own, caller, params }) => draftAnswer(own, caller.stationId, params.id));
  bind(router, em, 'beginDraft', ({ em: own, caller, params, body }) => beginDraft(own, caller, params.id, body));
  bind(router, em, 'editDraft', ({ em: own, caller, params, body }) => editDraft(own, caller, params.id, body));
  bind(router, em, 'draftEdits', ({ em: own, caller, params, query }) =>
    editsSince(own, caller.stationId, params.id, query.after),
  );
  bind(router, em, 'lookOverDraft', ({ em: own, caller, params }) => lookOverDraft(own, pool, caller.stationId, params.id));
  bind(router, em, 'tryDraft', ({ em: own, caller, params, body }) => tryDraft(own, pool, caller.stationId, params.id, body));
  bind(router, em, 'makeDraftKey', async ({ em: own, caller, params: { id: draftId }, body: asked }) => {
    // What it still wants is said at once, not at the end of long work.
    await guideOfDraft(own, caller.stationId, draftId);
    return { jobId: await startJob(own, 'makeDraftKey', caller, { draftId, asked }) };
  });
  bind(router, em, 'takeMatrix', async ({ em: own, caller, params: { id: draftId }, body }) => {
    await headIn(own, caller.stationId, draftId);
    return { jobId: await startJob(own, 'takeMatrix', caller, { draftId, ...body }) };
  });
  bind(router, em, 'tryDraftNames', ({ em: own, caller, params, query }) =>
    tryDraftNames(own, pool, caller.stationId, params.id, query.after),
  );
  bind(router, em, 'readCitations', ({ body }) => Promise.resolve(readCitations(body.text)));
  bind(router, em, 'draftCitations', async ({ em: own, caller, params, query: { as }, response }) => {
    const text = await draftCitations(own, caller.stationId, params.id, as);
    response.attachment(as === 'csl' ? 'sources.json' : 'sources.bib').type(as === 'csl' ? 'application/json' : 'text/plain');
    return text;
  });
  bind(router, em, 'newerForDraft', async ({ em: own, caller, params }) => ({
    newer: await newerFor(own, pool, caller.stationId, params.id),
  }));
  bind(router, em, 'carryOver', ({ em: own, caller, params, body }) => carryOver(own, pool, caller, params.id, body));
  bind(router, em, 'guideVersions', async ({ em: own, caller, params }) => ({
    versions: await listVersions(own, caller.stationId, params.id),
  }));
  bind(router, em, 'tryNames', ({ em: own, caller, params, query }) =>
    tryOnNewest(own, pool, caller.stationId, params.id, query.after),
  );
  bind(router, em, 'draftReviews', ({ em: own, caller, params }) => listReviews(own, caller.stationId, params.id));
  bind(router, em, 'reviewDraft', ({ em: own, caller, params, body }) => reviewDraft(own, caller, params.id, body));
  bind(router, em, 'publishDraft', ({ em: own, caller, params, body }) => publishDraft(own, caller, params.id, body));
  bind(router, em, 'dropDraft', async ({ em: own, caller, params }) => ({
    drafts: await listOrNot(own, caller.stationId, params.id, true),
  }));
  bind(router, em, 'restoreDraft', async ({ em: own, caller, params }) => ({
    drafts: await listOrNot(own, caller.stationId, params.id, false),
  }));
}
