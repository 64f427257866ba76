import { Readable } from 'node:stream';
import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { abundanceOf, ageOf, conditionOf, effortOf, libertyOf, ratioOf } from './arithmetic';
import { findCapture, historyOf, listCaptures, writeCapture } from './captures';
import { fieldArchive, fieldGeoJson } from './export';
import { lists } from './lists';
import { markedAnimals } from './naturalMarks';
import { fieldView } from './overview';
import {
  findCount,
  findSheet,
  findSite,
  findString,
  findVisit,
  listCounts,
  listSheets,
  listSites,
  listStrings,
  listVisits,
  writeCount,
  writeSheet,
  writeSite,
  writeString,
  writeVisit,
} from './service';

export function fieldworkRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'field', ({ em: own, caller, query }) => fieldView(own, caller.stationId, query.today));

  bind(router, em, 'sites', async ({ em: own, caller, query }) => ({
    sites: await listSites(own, caller.stationId, query.hidden === 'yes'),
  }));
  bind(router, em, 'site', ({ em: own, caller, params }) => findSite(own, caller.stationId, params.id));
  bind(router, em, 'writeSite', ({ em: own, caller, params, body }) => writeSite(own, caller, params.id, body));

  bind(router, em, 'visits', async ({ em: own, caller, query }) => ({ visits: await listVisits(own, caller.stationId, query) }));
  bind(router, em, 'visit', ({ em: own, caller, params }) => findVisit(own, caller.stationId, params.id));
  bind(router, em, 'writeVisit', ({ em: own, caller, params, body }) => writeVisit(own, caller, params.id, body));

  bind(router, em, 'captures', ({ em: own, caller, query }) => listCaptures(own, caller.stationId, query));
  bind(router, em, 'capture', ({ em: own, caller, params }) => findCapture(own, caller.stationId, params.id));
  bind(router, em, 'writeCapture', ({ em: own, caller, params, body }) => writeCapture(own, caller, params.id, body));
  bind(router, em, 'markHistory', ({ em: own, caller, params }) => historyOf(own, caller.stationId, params.mark));

  bind(router, em, 'naturalMarks', async ({ em: own, caller, query }) => ({
    animals: await markedAnimals(own, caller.stationId, query),
  }));

  bind(router, em, 'strings', async ({ em: own, caller, query }) => ({
    strings: await listStrings(own, caller.stationId, query.hidden === 'yes'),
  }));
  bind(router, em, 'string', ({ em: own, caller, params }) => findString(own, caller.stationId, params.id));
  bind(router, em, 'writeString', ({ em: own, caller, params, body }) => writeString(own, caller, params.id, body));

  bind(router, em, 'counts', async ({ em: own, caller, query }) => ({ counts: await listCounts(own, caller.stationId, query) }));
  bind(router, em, 'count', ({ em: own, caller, params }) => findCount(own, caller.stationId, params.id));
  bind(router, em, 'writeCount', ({ em: own, caller, params, body }) => writeCount(own, caller, params.id, body));

  bind(router, em, 'sheets', async ({ em: own, caller, query }) => ({
    sheets: await listSheets(own, caller.stationId, query.hidden === 'yes'),
  }));
  bind(router, em, 'sheet', ({ em: own, caller, params }) => findSheet(own, caller.stationId, params.id));
  bind(router, em, 'writeSheet', ({ em: own, caller, params, body }) => writeSheet(own, caller, params.id, body));

  bind(router, em, 'lists', ({ em: own, caller }) => lists(own, caller.stationId));
  bind(router, em, 'exportFieldArchive', async ({ caller, response }) => {
    response.attachment('fieldwork.zip');
    return fieldArchive(em, caller.stationId);
  });
  bind(router, em, 'exportFieldGeoJson', async ({ em: own, caller, response }) => {
    response.attachment('captures.geojson');
    return Readable.from(fieldGeoJson(own, caller.stationId));
  });

  bind(router, em, 'ratio', async ({ body }) => ratioOf(body));
  bind(router, em, 'abundance', async ({ body }) => abundanceOf(body));
  bind(router, em, 'effort', async ({ body }) => effortOf(body));
  bind(router, em, 'age', async ({ body }) => ageOf(body));
  bind(router, em, 'liberty', async ({ body }) => libertyOf(body));
  bind(router, em, 'condition', async ({ body }) => conditionOf(body));
}
