import { type ChildProcess, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { resolve as pathTo } from 'node:path';
import { type Browser, chromium, type Page } from 'playwright-core';
import pg from 'pg';

/** Plesion as a person gets it: the real server on a fresh database, and a browser. */
export interface Station {
  url: string;
  page: (size: { width: number; height: number }) => Promise<Page>;
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

const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** The real server on a database, at a port of its own. */
export async function openServer(databaseUrl: string): Promise<{ url: string; close: () => Promise<void> }> {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      PORT: '0',
      DATABASE_URL: databaseUrl,
      SESSION_SECRET: 'for tests only',
      WEB_ROOT: pathTo('app/dist'),
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  return {
    url: await addressOf(server),
    async close() {
      const gone = new Promise<void>((resolve) => server.on('exit', () => resolve()));
      server.kill('SIGTERM');
      await gone;
    },
  };
}

export async function openStation(): Promise<Station> {
  const base = process.env.TEST_DATABASE_URL;
  if (!base) throw new Error('TEST_DATABASE_URL is not set. Run the tests with “npm test”, which starts a PostgreSQL for them.');
  const name = `walk_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: base });
  await admin.connect();
  await admin.query(`create database ${name}`);
  const database = new URL(base);
  database.pathname = `/${name}`;
  const server = await openServer(database.href);
  const browser: Browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: CHROMIUM_FLAGS,
  });
  return {
    url: server.url,
    async page(size) {
      const context = await browser.newContext({ viewport: size, reducedMotion: 'reduce' });
      const page = await context.newPage();
      page.setDefaultTimeout(20_000);
      return page;
    },
    async close() {
      await browser.close();
      await server.close();
      await admin.query(`drop database ${name}`);
      await admin.end();
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
