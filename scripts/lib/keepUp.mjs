import { setTimeout as pause } from 'node:timers/promises';
import { say } from './say.mjs';

/** A server that stood so long was sound: the next is started again soon. Milliseconds, as all here. */
const SOUND = 20_000;
const FIRST = 500;
const LONGEST = 30_000;
/** The code by which the server says that it cannot run so, however often it is started (sysexits, EX_CONFIG). */
const HOPELESS = 78;
/** How often in a row it may die young before it is given up. */
const MOST = 5;
const LOOK = 3_000;

/**
 * Start a server, and again whenever it dies, sooner or later according to how long
 * it stood; the same for its database, where it has one of its own.
 *
 * @param start gives the child.
 * @returns undefined when a person stopped it; its code when it was given up.
 */
export async function keepUp(start, database) {
  let server;
  let asked = false;
  const waiting = new AbortController();
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, () => {
      asked = true;
      waiting.abort();
      server?.kill('SIGTERM');
    });
  }
  const look = setInterval(() => {
    if (!asked && database?.revive()) say('The database had stopped; it is started again.');
  }, LOOK);
  let young = 0;
  try {
    for (;;) {
      const begun = Date.now();
      server = start();
      const code = await new Promise((resolve) => server.on('exit', (status) => resolve(status ?? 1)));
      if (asked) return undefined;
      if (code === HOPELESS) return code;
      young = Date.now() - begun < SOUND ? young + 1 : 0;
      if (young >= MOST) {
        say(`The server stopped ${MOST} times in a row just after it was started; it is not started again.`);
        return code || 1;
      }
      const wait = Math.min(LONGEST, FIRST * 2 ** young);
      say(`The server stopped (${code}); it is started again in ${(wait / 1000).toFixed(1)} s.`);
      await pause(wait, undefined, { signal: waiting.signal }).catch(() => undefined);
      if (asked) return undefined;
    }
  } finally {
    clearInterval(look);
  }
}
