/**
 * Looks through the front of a room: `import { callOf } from '@plesion/core/evidence'`
 * asks, in the bundle, for the one file that has it, and not for all the room has. The
 * same for date-fns. Right because no file of core or contract does anything when it is
 * loaded but define.
 */
const { createHash } = require('node:crypto');
const { existsSync, readdirSync, readFileSync } = require('node:fs');
const { dirname, join, relative, resolve, sep } = require('node:path');

const root = join(__dirname, '..');
const ROOMS = ['core', 'contract'].map((room) => join(root, room) + sep);
const isOurs = (file) => ROOMS.some((room) => file.startsWith(room));

const fileAt = (path) => [`${path}.ts`, join(path, 'index.ts')].find(existsSync);

/** The file of core or contract that an import means; undefined for any other. */
function meant(source, from) {
  const name = /^@plesion\/(core|contract)(\/.+)?$/.exec(source);
  const path = name ? join(root, name[1], name[2] ?? '') : source.startsWith('.') ? resolve(dirname(from), source) : undefined;
  const file = path && fileAt(path);
  return file && isOurs(file) ? file : undefined;
}

const passed = new Map();

/** What a file passes on from others: name → the file and what it is called there. */
function passesOn(file) {
  if (passed.has(file)) return passed.get(file);
  const names = new Map();
  const text = readFileSync(file, 'utf8');
  for (const [, source] of text.matchAll(/^export \* from '([^']+)';/gm)) {
    const target = meant(source, file);
    if (target) for (const name of exportedBy(target)) names.set(name, { file: target, name });
  }
  for (const [, list, source] of text.matchAll(/^export \{([^}]+)\} from '([^']+)';/gm)) {
    const target = meant(source, file);
    for (const item of list.split(',')) {
      const [own, called] = item.trim().split(' as ');
      if (target && own && !own.startsWith('type ')) names.set((called ?? own).trim(), { file: target, name: own.trim() });
    }
  }
  passed.set(file, names);
  return names;
}

/** The values a file exports, its own and those it passes on. */
function exportedBy(file) {
  const own = readFileSync(file, 'utf8').matchAll(/^export (?:async )?(?:const|function|class) (\w+)/gm);
  return [...[...own].map(([, name]) => name), ...passesOn(file).keys()];
}

function originOf(file, name) {
  const next = passesOn(file).get(name);
  return next ? originOf(next.file, next.name) : { file, name };
}

const relativeTo = (from, file) => {
  const path = relative(dirname(from), file).replace(/\.ts$/, '').split(sep).join('/');
  return path.startsWith('.') ? path : `./${path}`;
};

module.exports = function barrels({ types: t }) {
  /** The declarations that stand for one, each for the file that has what is asked for. */
  function narrowed({ node }, from) {
    const named = node.specifiers.filter((one) => t.isImportSpecifier(one) && one.importKind !== 'type');
    if (node.importKind === 'type' || named.length !== node.specifiers.filter((one) => one.importKind !== 'type').length) return;
    if (node.source.value === 'date-fns')
      return named.map((one) => t.importDeclaration([one], t.stringLiteral(`date-fns/${one.imported.name}`)));
    const file = meant(node.source.value, from);
    if (!file) return;
    return named.map((one) => {
      const origin = originOf(file, one.imported.name);
      return t.importDeclaration(
        [t.importSpecifier(one.local, t.identifier(origin.name))],
        t.stringLiteral(relativeTo(from, origin.file)),
      );
    });
  }
  return {
    name: 'barrels',
    visitor: {
      Program(path, { filename }) {
        if (!filename || filename.includes(`${sep}node_modules${sep}`)) return;
        for (const one of path.get('body')) {
          const instead = one.isImportDeclaration() && narrowed(one, filename);
          if (instead) one.replaceWithMultiple(instead);
        }
        path.scope.crawl();
      },
    },
  };
};

/** Changes when a front does: what was compiled before then no longer holds. */
module.exports.version = () => {
  const hash = createHash('md5');
  for (const room of ROOMS)
    for (const name of readdirSync(room, { recursive: true }).sort()) {
      if (!name.endsWith('.ts') || name.includes('node_modules')) continue;
      for (const [line] of readFileSync(join(room, name), 'utf8').matchAll(
        /^export (?:\{[^}]+\} from .*|\* from .*|(?:async )?(?:const|function|class) \w+)/gm,
      ))
        hash.update(name + line);
    }
  return hash.digest('hex');
};
