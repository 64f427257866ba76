import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { factsCsv, landmarkFile } from './export';
import {
  findMeasurement,
  kindsFor,
  labelsFor,
  listMeasurements,
  measuringOf,
  pointingOfPerson,
  sayPointing,
  writeMeasurement,
} from './service';

export function measurementRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'measure', async ({ body }) => measuringOf(body));
  bind(router, em, 'measurements', async ({ em: own, caller, query }) => ({
    measurements: await listMeasurements(own, caller.stationId, query),
  }));
  bind(router, em, 'exportMeasurements', async ({ em: own, caller, query, response }) => {
    const measurements = await listMeasurements(own, caller.stationId, query);
    response.attachment('measurements.csv');
    return factsCsv(measurements, await labelsFor(own, caller.stationId, measurements));
  });
  bind(router, em, 'exportLandmarks', async ({ em: own, caller, query: { as, ...query }, response }) => {
    const measurements = await listMeasurements(own, caller.stationId, query);
    const { name, type, text } = landmarkFile(measurements, as, await kindsFor(own, caller.stationId, measurements));
    response.attachment(name).type(type);
    return text;
  });
  // A path that ends in a name of its own comes before the measurement itself.
  bind(router, em, 'pointing', async ({ em: own, caller }) =>
    sayPointing(await pointingOfPerson(own, caller.stationId, caller.accountName)),
  );
  bind(router, em, 'measurement', ({ em: own, caller, params }) => findMeasurement(own, caller.stationId, params.id));
  bind(router, em, 'writeMeasurement', ({ em: own, caller, params, body }) => writeMeasurement(own, caller, params.id, body));
}
