import compression from 'compression';
import { openApi } from '@plesion/contract/openapi';
import express, { type Express } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { accountRoutes } from './account/routes';
import { findCaller } from './account/tokens';
import { archiveRoutes } from './archive/routes';
import { bookletRoutes } from './booklet/routes';
import { authoringRoutes } from './authoring/routes';
import { bookRoutes } from './book/routes';
import { colonyRoutes } from './colony/routes';
import { compareRoutes } from './compare/routes';
import { earlierRoutes } from './earlier/routes';
import { exportRoutes } from './export/routes';
import { fieldworkRoutes } from './fieldwork/routes';
import { firstLookRoutes } from './firstLook/routes';
import { guideRoutes } from './guides/routes';
import { sharingRoutes } from './sharing/routes';
import { errorHandler } from './http/errorHandler';
import { HttpProblem } from './http/errors';
import { ownHost, ownOrigin } from './http/origin';
import type { Metrics } from './observe/metrics';
import { logRequests } from './observe/requests';
import { bind } from './http/route';
import { heredityRoutes } from './heredity/routes';
import { importRoutes } from './import/routes';
import { individualRoutes } from './individuals/routes';
import { mapRoutes } from './map/routes';
import { measurementRoutes } from './measure/routes';
import { jobRoutes } from './jobs/routes';
import { keyRoutes } from './keys/routes';
import { learnRoutes } from './learn/routes';
import { lotRoutes } from './lots/routes';
import { officeRoutes } from './office/routes';
import { passkeyRoutes } from './passkeys/routes';
import { pageRoutes } from './page/routes';
import type { Parts } from './parts';
import { photoRoutes } from './photos/routes';
import { cameraRoutes } from './camera/routes';
import { auditRoutes } from './audit/routes';
import { opinionRoutes } from './opinions/routes';
import { ownRoutes } from './own/routes';
import { peopleRoutes } from './people/routes';
import { practiceRoutes } from './practice/routes';
import { setRoutes } from './sets/routes';
import { verificationRoutes } from './verifications/routes';
import { changeRoutes } from './records/routes';
import { sessionCookie } from './session/cookie';
import { reviewRoutes } from './review/routes';
import { sessionRoutes } from './session/routes';
import { answerRoutes } from './answers/routes';
import { conversationRoutes } from './conversations/routes';
import { countTries } from './session/tries';
import { type Quotas, USUAL_QUOTAS } from './station/quota';
import { stationRoutes } from './station/routes';
import { specimenRoutes } from './specimens/routes';
import { standingRoutes } from './standing/routes';

export interface Surroundings {
  sessionSecret: string;
  version: string;
  log: Logger;
  metrics?: Metrics;
  webRoot?: string;
  /** The address people use. */
  publicUrl?: string;
  trustProxy?: number | string;
  quotas?: Quotas;
}

/** The whole server, without a port: tests and the real start put it on one. */
export function createApp(
  { orm, pool, files, uploads, office, weighing, paging, camera, practice }: Omit<Parts, 'close'>,
  { sessionSecret, version, log, metrics, webRoot, publicUrl, trustProxy, quotas = USUAL_QUOTAS }: Surroundings,
): Express {
  const app = express();
  const secure = publicUrl?.startsWith('https:') ?? false;
  if (trustProxy !== undefined) app.set('trust proxy', trustProxy);
  const em = () => orm.em.fork();
  app.disable('x-powered-by');
  app.set('query parser', 'simple');
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          // The client's styles are made at run time and its worker is a file of its own.
          'style-src': ["'self'", "'unsafe-inline'"],
          'script-src': ["'self'"],
          'worker-src': ["'self'", 'blob:'],
          'img-src': ["'self'", 'data:', 'blob:'],
          'media-src': ["'self'", 'blob:'],
          'connect-src': ["'self'", 'blob:'],
          'font-src': ["'self'", 'data:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: secure ? { maxAge: 63_072_000 } : false,
    }),
  );
  app.use('/api', logRequests(log));
  if (metrics) app.use('/api', metrics.measure);
  app.use(compression());
  app.use(ownHost(publicUrl));

  const api = express.Router();
  // Whether the server is up is said before anything is asked of the database.
  bind(api, em, 'health', async () => ({ ok: true as const, version }));
  api.use('/api', ownOrigin(publicUrl));
  api.use('/api', sessionCookie(pool, sessionSecret, secure));
  api.use('/api', findCaller(em), (request, _response, next) => {
    if (request.caller) request.caller = { ...request.caller, quotas };
    next();
  });
  bind(api, em, 'ready', async ({ em: own }) => {
    await own.getConnection().execute('select 1');
    return { ok: true as const, version };
  });
  bind(api, em, 'openapi', async () => openApi(version));
  const tries = countTries(pool);
  sessionRoutes(api, em, tries, secure);
  accountRoutes(api, em, pool);
  passkeyRoutes(api, em, tries);
  peopleRoutes(api, em, pool, tries);
  stationRoutes(api, em, quotas);
  archiveRoutes(api, em, files, quotas);
  guideRoutes(api, em);
  sharingRoutes(api, em, files);
  learnRoutes(api, em);
  standingRoutes(api, em, weighing);
  bookRoutes(api, em);
  compareRoutes(api, em, weighing);
  // Paths that end in a name of their own come before the key itself.
  pageRoutes(api, em, files, paging);
  keyRoutes(api, em, weighing);
  authoringRoutes(api, em, weighing);
  bookletRoutes(api, em, files);
  lotRoutes(api, em);
  individualRoutes(api, em);
  fieldworkRoutes(api, em);
  importRoutes(api, em, files);
  officeRoutes(api, em, office);
  mapRoutes(api, em);
  measurementRoutes(api, em);
  changeRoutes(api, em);
  auditRoutes(api, em);
  earlierRoutes(api, em, weighing);
  jobRoutes(api, em);
  specimenRoutes(api, em, weighing);
  firstLookRoutes(api, em, { files, weighing });
  photoRoutes(api, em, files, uploads);
  cameraRoutes(api, em, { files, camera });
  verificationRoutes(api, em, weighing, files);
  opinionRoutes(api, em, { files, pool: weighing, tries });
  conversationRoutes(api, em);
  answerRoutes(api, em, weighing);
  reviewRoutes(api, em, weighing);
  ownRoutes(api, em, weighing);
  heredityRoutes(api, em, weighing);
  colonyRoutes(api, em, weighing, paging);
  setRoutes(api, em, { practice, paging });
  practiceRoutes(api, em, practice);
  exportRoutes(api, em);
  api.use('/api', () => {
    throw new HttpProblem(404, {
      code: 'no-endpoint',
      message: 'There is nothing at this address that can be asked for so.',
    });
  });
  app.use(api);
  if (webRoot) serveClient(app, webRoot);
  app.use(errorHandler(log));
  return app;
}

/**
 * Files named by their content are kept by the browser for good; every other path is the
 * client's own. Each lies packed beside itself, so that no request waits for the packing.
 */
function serveClient(app: Express, webRoot: string): void {
  const files = expressStaticGzip(webRoot, {
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    index: false,
    serveStatic: {
      maxAge: 0,
      setHeaders(response, path) {
        if (/[/\\](_expo|assets)[/\\]/.test(path)) response.setHeader('Cache-Control', 'public, max-age=31536000, immutable');
      },
    },
  });
  app.use(files);
  app.use(['/_expo', '/assets'], () => {
    throw new HttpProblem(404, { code: 'no-file', message: 'There is no such file.' });
  });
  app.get('/{*path}', (request, response, next) => {
    request.url = '/index.html';
    files(request, response, next);
  });
}
