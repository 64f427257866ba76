import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import vm from 'node:vm';
import { gzipSync } from 'node:zlib';

/**
 * The bundler puts whatever two routes share into one file
 * that is loaded at the door, so that the door carries the keys, the plates and the
 * arithmetic. Here that file is divided: what the door itself needs stays; the rest goes
 * into files by the routes that need it, loaded with them.
 */
const FOLDER = '_expo/static/js/web';
/** Smaller files than this (in characters) are not worth a request of their own. */
const LEAST = 4_300;

const dist = 'dist';
const folder = join(dist, FOLDER);
const files = readdirSync(folder).filter((file) => file.endsWith('.js'));
const only = (name) => files.find((file) => file.startsWith(`${name}-`));
const RUNTIME = only('__expo-metro-runtime');
const COMMON = only('__common');
const ENTRY = only('entry');

/** The modules a file defines, by number: their code, what they need at once, what they load later. */
function modulesOf(file) {
  const modules = new Map();
  const define = (factory, id, needs = []) => {
    const paths = needs.paths ?? {};
    const ids = Object.entries(needs).flatMap(([key, value]) => (key === 'paths' || value == null ? [] : [value]));
    modules.set(id, {
      code: `__d(${factory},${id},${JSON.stringify(needs)});`,
      needs: ids.filter((need) => !(need in paths)),
      paths,
      order: needs,
    });
  };
  vm.runInNewContext(readFileSync(join(folder, file), 'utf8'), { __d: define, __r: () => {} });
  return modules;
}

/** Is this one of the files with modules only? A worker brings its own runtime along. */
const plain = (file) => file === ENTRY || readFileSync(join(folder, file), 'utf8').startsWith('__d(');
const defined = new Map(files.filter((file) => file !== RUNTIME && plain(file)).map((file) => [file, modulesOf(file)]));
const common = defined.get(COMMON);
const all = new Map([...defined.values()].flatMap((modules) => [...modules]));

/** The modules of the common file that these need, through whatever they need in turn. */
function commonNeeds(ids) {
  const seen = new Set(ids);
  for (const id of seen) for (const need of all.get(id)?.needs ?? []) seen.add(need);
  return new Set([...seen].filter((id) => common.has(id)));
}

/** The routes, and the file of each. */
const table = [...defined.get(ENTRY).values()].find(({ code }) => code.includes('"./_layout.tsx"'));
const pathOf = (position) => table.paths[Object.keys(table.paths).find((key) => Number(key) === table.order[position])];
const fileOfRoute = new Map(
  [...table.code.matchAll(/"\.\/([^"]+)\.tsx":\{enumerable:!0,get:\(\)=>r\(d\[\d+\]\)\(d\[(\d+)\]/g)]
    .filter(([, route]) => route !== '_layout')
    .map(([, route, position]) => [route, pathOf(Number(position)).split('/').at(-1)]),
);
if (!fileOfRoute.has('index')) throw new Error('The routes are no longer found in the bundle; see app/export/chunks.mjs.');

/** What is loaded in vain weighs most where a visit begins. */
const FIRST = fileOfRoute.get('index');
const weightOf = (file) => (file === FIRST ? 30 : 1);

const layout = only('_layout');
const atTheDoor = commonNeeds([...defined.get(ENTRY).keys(), ...defined.get(layout).keys()]);
const routes = [...defined.keys()].filter((file) => ![ENTRY, COMMON, layout].includes(file));
const needsOf = new Map(routes.map((file) => [file, commonNeeds(defined.get(file).keys())]));

/** Modules needed by the same routes lie together. */
const groups = new Map();
for (const id of common.keys()) {
  if (atTheDoor.has(id)) continue;
  const users = routes.filter((file) => needsOf.get(file).has(id));
  const key = users.join('|');
  const group = groups.get(key) ?? { users: new Set(users), ids: [], size: 0 };
  group.ids.push(id);
  group.size += common.get(id).code.length;
  groups.set(key, group);
}

/** What routes would load in vain if two groups lay together. */
function inVain(a, b) {
  const without = (other) => (sum, user) => sum + (other.users.has(user) ? 0 : weightOf(user));
  return [...a.users].reduce(without(b), 0) * b.size + [...b.users].reduce(without(a), 0) * a.size;
}

/**
 * While there are small groups, of all pairs with a small one that is joined by which least
 * is loaded in vain. Were the smallest always the first to join, one module more could
 * turn everything joined after it.
 */
const kept = new Set(groups.values());
for (;;) {
  const pairs = [...kept]
    .filter(({ size }) => size < LEAST)
    .flatMap((small) =>
      [...kept].filter((other) => other !== small).map((other) => ({ small, other, cost: inVain(small, other) })),
    );
  if (!pairs.length) break;
  const { small, other } = pairs.reduce((best, pair) => (pair.cost < best.cost ? pair : best));
  kept.delete(small);
  other.users = new Set([...other.users, ...small.users]);
  other.ids.push(...small.ids);
  other.size += small.size;
}

const write = (name, code) => {
  const file = `${name}-${createHash('md5').update(code).digest('hex')}.js`;
  writeFileSync(join(folder, file), code);
  return file;
};
const codeOf = (ids) => [...ids].map((id) => common.get(id).code).join('\n');

const door = write('__common', codeOf(atTheDoor));
const shared = Object.fromEntries(routes.map((file) => [`/${FOLDER}/${file}`, []]));
for (const { users, ids } of kept) {
  const file = write('shared', codeOf(ids));
  for (const user of users) shared[`/${FOLDER}/${user}`].push(`/${FOLDER}/${file}`);
}

/** What loads a route's file loads beside it what it shares with others. */
const loader = `(function(shared){var load;Object.defineProperty(globalThis,"__loadBundleAsync",{configurable:true,get:function(){return load&&function(path){return Promise.all([path].concat(shared[path]||[]).map(load)).then(function(all){return all[0]})}},set:function(own){load=own}})})(${JSON.stringify(shared)});`;
const runtime = write('__expo-metro-runtime', `${loader}\n${readFileSync(join(folder, RUNTIME), 'utf8')}`);

let page = readFileSync(join(dist, 'index.html'), 'utf8').replace(COMMON, door).replace(RUNTIME, runtime);
page = page.replace('</head>', `<link rel="preload" as="script" href="/${FOLDER}/${layout}"></head>`);
writeFileSync(join(dist, 'index.html'), page);
for (const file of [COMMON, RUNTIME]) rmSync(join(folder, file));

/** For the budget: the files that a cold load of each route brings, and how much of them, packed, the route needs. */
const onDoor = [runtime, door, ENTRY, layout];
const packed = (content) => gzipSync(content, { level: 9 }).length;
const packedFile = (file) => packed(readFileSync(join(folder, file)));
const doorSize = onDoor.reduce((sum, file) => sum + packedFile(file), 0);
const weights = Object.fromEntries(
  [...fileOfRoute].map(([route, file]) => [
    route,
    {
      needs: doorSize + packedFile(file) + packed(codeOf([...needsOf.get(file)].filter((id) => !atTheDoor.has(id)))),
      files: [...[...onDoor, file].map((one) => `/${FOLDER}/${one}`), ...shared[`/${FOLDER}/${file}`]],
    },
  ]),
);
writeFileSync(join(dist, 'weights.json'), JSON.stringify(weights, null, 1));
