import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { findMeasurement, listMeasurements, measuringOf, writeMeasurement } from './service';

export function measurementRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'measure', async ({ body }) => measuringOf(body));
  bind(router, em, 'measurements', async ({ em: own, caller, query }) => ({
    measurements: await listMeasurements(own, caller.stationId, query),
  }));
  bind(router, em, 'measurement', ({ em: own, caller, params }) => findMeasurement(own, caller.stationId, params.id));
  bind(router, em, 'writeMeasurement', ({ em: own, caller, params, body }) => writeMeasurement(own, caller, params.id, body));
}
