import { type ChildProcess, spawn } from 'node:child_process';
import { resolve as pathTo } from 'node:path';
import { type Browser, chromium, type Page } from 'playwright-core';
import { openPlace, type Place, placeLeft } from '../server/test/place';

/** Plesion as a person gets it: the real server on a fresh database, and a browser. */
export interface Station {
  url: string;
  /** @param keeps does it keep the whole application for use without a connection, as a browser does? That costs seconds. */
  page: (size: { width: number; height: number }, keeps?: { keeps: true }) => Promise<Page>;
  close: () => Promise<void>;
}

/** The two sizes that everything is walked at. */
export const SIZES = [
  { kind: 'phone', width: 390, height: 844 },
  { kind: 'wide', width: 1280, height: 800 },
] as const;

/** Through the door into the demo. */
export async function enterDemo(page: Page, url: string): Promise<void> {
  await page.goto(url);
  await page.getByRole('button', { name: 'Open the demo' }).click();
  await page.getByRole('heading', { name: 'Daybook' }).waitFor();
}

/** Signed in to the demo without a page of it. */
export async function signIn(page: Page, url: string): Promise<void> {
  const data = { name: 'Demo', password: 'demo' };
  const signedIn = await page.request.post(`${url}/api/session`, { headers: { origin: url }, data });
  if (!signedIn.ok()) throw new Error(`The demo does not let in: ${await signedIn.text()}`);
}

/** At a page of the demo, not by way of the door. */
export async function inDemo(page: Page, url: string, path = '/'): Promise<void> {
  await signIn(page, url);
  await page.goto(`${url}${path}`);
}

const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** The real server, at a port of its own; which one is said where it is not to be any. */
export const startServer = ({ database, files }: Pick<Place, 'database' | 'files'>, env: NodeJS.ProcessEnv = {}): ChildProcess =>
  spawn(process.execPath, [process.env.SERVER_FILE!], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PORT: '0',
      DATABASE_URL: database.href,
      FILES_FOLDER: files,
      SESSION_SECRET: 'for tests only',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });

/** The server with its pages, once it is ready. */
export async function openServer(
  place: Place,
  env: NodeJS.ProcessEnv = {},
): Promise<{ url: string; close: () => Promise<void> }> {
  const server = startServer(place, { WEB_ROOT: pathTo('app/dist'), ...env });
  return {
    url: await addressOf(server),
    async close() {
      const gone = new Promise<void>((resolve) => server.on('exit', () => resolve()));
      server.kill('SIGTERM');
      await gone;
    },
  };
}

/** The real server with the demo, as `demoPlace.ts` has made it, in a database and a folder of its own, and a browser. */
export async function openStation(env?: NodeJS.ProcessEnv): Promise<Station> {
  const place = await openPlace('walk', placeLeft('DEMO'));
  const server = await openServer(place, env);
  const browser: Browser = await chromium.launch({
    executablePath: process.env.CHROMIUM,
    args: CHROMIUM_FLAGS,
  });
  return {
    url: server.url,
    async page(size, keeps) {
      const context = await browser.newContext({
        viewport: size,
        reducedMotion: 'reduce',
        serviceWorkers: keeps ? 'allow' : 'block',
      });
      const page = await context.newPage();
      // Only what never comes waits so long; on a machine with much to do, the rest may take its time too.
      page.setDefaultTimeout(60_000);
      return page;
    },
    async close() {
      await browser.close();
      await server.close();
      await place.close();
    },
  };
}

/** The address the server prints when it is ready. */
function addressOf(server: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    let said = '';
    const hear = (chunk: Buffer) => {
      said += chunk.toString();
      const address = /http:\/\/localhost:\d+/.exec(said);
      if (address) resolve(address[0]);
    };
    server.stdout!.on('data', hear);
    server.stderr!.on('data', hear);
    server.on('exit', (code) => reject(new Error(`The server stopped with ${code}: ${said}`)));
  });
}
