import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { auditFile, listAudit } from './service';

export function auditRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'audit', ({ em: own, caller, query }) => listAudit(own, caller, query));
  bind(router, em, 'auditCsv', ({ em: own, caller, query, response }) => {
    response.attachment('audit.csv');
    return auditFile(own, caller, query);
  });
}
