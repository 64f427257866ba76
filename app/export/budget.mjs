import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';

/**
 * Does a cold load of every route keep to its budget? In kB of gzip: the page, its
 * scripts, and the letters every page needs. Ends with an error that says which does not.
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
for (const [route, files] of Object.entries(weights)) {
  const size = kB(files.reduce((sum, file) => sum + sizeOf(file), 0));
  const most = budget.routes[route];
  if (process.argv.includes('--list')) console.log(`${String(size).padStart(6)} kB of ${most}  ${route}`);
  if (most === undefined) wrong.push(`${route} weighs ${size} kB and has no line in app/budget.json.`);
  else if (size > most) wrong.push(`${route} weighs ${size} kB; app/budget.json allows ${most}.`);
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
