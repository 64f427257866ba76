import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';

/**
 * Does a cold load of every route keep to its budget? In kB of gzip: what the route needs of the scripts, and the letters
 * every page needs. What is loaded beside it, because it lies in one file with what others need, is bounded by a share
 * of that: how the shared files are cut turns on every module, and would move a budget of what is loaded up and down.
 * Ends with an error that says which does not.
 */
const app = join(dirname(fileURLToPath(import.meta.url)), '..');
const read = (name) => readFileSync(join(app, name));
const budget = JSON.parse(read('budget.json').toString());
const weights = JSON.parse(read('dist/weights.json').toString());

const sizes = new Map();
const sizeOf = (path) => {
  if (!sizes.has(path)) sizes.set(path, gzipSync(read(`dist${path}`), { level: 9 }).length);
  return sizes.get(path);
};
const kB = (bytes) => Math.round(bytes / 100) / 10;

const wrong = [];
for (const [route, { needs, files }] of Object.entries(weights)) {
  const size = kB(needs);
  const loaded = files.reduce((sum, file) => sum + sizeOf(file), 0);
  const inVain = Math.round((1000 * (loaded - needs)) / needs) / 10;
  const most = budget.routes[route];
  if (process.argv.includes('--list'))
    console.log(`${String(size).padStart(6)} kB of ${most}, ${String(inVain).padStart(4)} % beside it  ${route}`);
  if (most === undefined) wrong.push(`${route} needs ${size} kB and has no line in app/budget.json.`);
  else if (size > most) wrong.push(`${route} needs ${size} kB; app/budget.json allows ${most}.`);
  if (inVain > budget.inVain)
    wrong.push(`${route} loads ${inVain} % beside what it needs; app/budget.json allows ${budget.inVain} %.`);
}
for (const route of Object.keys(budget.routes))
  if (!weights[route]) wrong.push(`app/budget.json names ${route}, which is no route.`);

const page = read('dist/index.html').toString();
const letters = [...new Set([...page.matchAll(/\/assets\/fonts\/[\w-]+\.woff2/g)].map(([path]) => path))]
  .filter((path) => !path.includes('latin-ext'))
  .reduce((sum, path) => sum + read(`dist${path}`).length, 0);
if (process.argv.includes('--list')) console.log(`${String(kB(letters)).padStart(6)} kB of ${budget.letters}  letters`);
if (kB(letters) > budget.letters) wrong.push(`The letters weigh ${kB(letters)} kB; app/budget.json allows ${budget.letters}.`);

if (wrong.length) {
  console.error(wrong.join('\n'));
  process.exitCode = 1;
} else console.log(`All ${Object.keys(weights).length} routes and the letters keep to app/budget.json.`);
