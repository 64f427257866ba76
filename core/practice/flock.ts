import { type Grouping, groupByRank } from '../evidence';
import type { CompiledGuide } from '../guide/working';
import type { Plan } from '../plates';
import { pick, type RandomSource, seeded } from '../probability';
import { choicesOf, type Drawn, drawerOf, formWeights, practiceViews } from './drawn';
import { groupsAt } from './groups';
import type { Asked, Flock, Item } from './schema';
import type { FlockTask } from './vocabulary';

/** One odd one among so many. */
const TWENTY = 20;

/** The least and the most of a flock whose number is asked, and of a colony that is counted: any ratio as likely as the other. */
const MANY = [12, 240] as const;
const COLONY = [8, 36] as const;

/** Different individuals of a flock whose number is asked. */
const UNLIKE = 6;

/** Individuals drawn until one can be told. */
const TRIES = 12;

/** The picture's width to its height: those that are to be told are as large as a phone held upright allows. */
const ACROSS: Record<FlockTask, number> = { odd: 4 / 5, many: 4 / 3, tally: 4 / 5 };

/**
 * Many at once. Of those that are to be told, each can be told by itself: by what is seen of it, one is right to call it
 * what it is. The same asking with the same seed is the same flock everywhere.
 *
 * @returns undefined where there are no two groups that can be told apart in a view that is drawn.
 */
export function flockItem(
  compiled: CompiledGuide,
  plan: Plan,
  asked: Asked & { flock: FlockTask },
  seed: string,
): Item | undefined {
  const { guide } = compiled;
  const random = seeded(`flock ${guide.id} ${seed}`);
  const views = practiceViews(guide, plan).filter((view) => asked.view === undefined || asked.view === view);
  for (const view of shuffled(views, random)) {
    const made = flockIn(compiled, plan, asked, view, random);
    if (made) return { guide: guide.id, seed, view, level: asked.level, hidden: [], ...made };
  }
  return undefined;
}

function flockIn(
  compiled: CompiledGuide,
  plan: Plan,
  { flock: task, level, groups }: Asked & { flock: FlockTask },
  view: string,
  random: RandomSource,
) {
  const grouping = groupsAt(compiled, level);
  const all = ofOneSpecies(compiled, grouping, level, formWeights(compiled, plan, grouping, groups, view), random);
  const chosen = chooseGroups(grouping, all, task === 'many' ? 1 : 2, random);
  if (!chosen) return undefined;
  const weights = all.map((weight, f) => (chosen.includes(grouping.of[f]) ? weight / massOf(grouping, all, grouping.of[f]) : 0));
  const draw = drawerOf(compiled, plan, grouping, weights, view);
  const one = (group: number): Drawn | undefined => {
    const own = weights.map((weight, f) => (grouping.of[f] === group ? weight : 0));
    for (let i = 0; i < TRIES; i++) {
      const drawn = draw(random, own);
      if (task === 'many' || (drawn.best.kind === 'one' && drawn.best.groups[0] === grouping.groups[group].id)) return drawn;
    }
    return undefined;
  };
  const kinds = kindsOf(task, chosen, random);
  const individuals: Drawn[] = [];
  for (const kind of task === 'many' ? kinds.slice(0, UNLIKE) : kinds) {
    const drawn = one(kind);
    if (!drawn) return undefined;
    individuals.push(drawn);
  }
  const idOf = (form: number) => grouping.groups[grouping.of[form]].id;
  const first = individuals[task === 'odd' ? kinds.indexOf(chosen[1]) : kinds.indexOf(commonest(kinds))];
  const { form, traits, readings, best } = first;
  const flock: Flock = {
    task,
    individuals: individuals.map((each) => ({ group: idOf(each.form), traits: each.traits, readings: each.readings })),
    across: ACROSS[task],
    ...placed(kinds.length, individuals.length, ACROSS[task], random),
  };
  return {
    traits,
    choices: choicesOf(grouping, weights),
    truth: { form: compiled.forms[form].id, group: idOf(form), readings, best },
    flock,
  };
}

/** The group of each: one other among twenty, one kind alone, or a share of each. */
function kindsOf(task: FlockTask, [common, other]: readonly number[], random: RandomSource): number[] {
  if (task === 'many') return Array.from({ length: between(MANY, random) }, () => common);
  if (task === 'odd') {
    const at = Math.floor(random() * TWENTY);
    return Array.from({ length: TWENTY }, (_, i) => (i === at ? other : common));
  }
  const n = between(COLONY, random);
  const share = 0.2 + 0.6 * random();
  return Array.from({ length: n }, () => (random() < share ? common : other));
}

const commonest = (kinds: readonly number[]): number =>
  [...new Set(kinds)].sort((a, b) => kinds.filter((kind) => kind === b).length - kinds.filter((kind) => kind === a).length)[0];

const between = ([least, most]: readonly [number, number], random: RandomSource): number =>
  Math.round(least * (most / least) ** random());

const massOf = (grouping: Grouping, weights: readonly number[], group: number): number =>
  weights.reduce((sum, weight, f) => (grouping.of[f] === group ? sum + weight : sum), 0);

/** As many groups as are asked, the commoner the oftener; undefined where there are not so many. */
function chooseGroups(grouping: Grouping, weights: readonly number[], n: number, random: RandomSource): number[] | undefined {
  const masses = grouping.groups.map((_, group) => massOf(grouping, weights, group));
  const chosen: number[] = [];
  while (chosen.length < n) {
    if (masses.every((mass) => mass === 0)) return undefined;
    const group = pick(masses, random);
    masses[group] = 0;
    chosen.push(group);
  }
  return chosen;
}

/** A colony whose sexes, ages or morphs are counted is of one species, which has at least two of them. */
function ofOneSpecies(
  compiled: CompiledGuide,
  grouping: Grouping,
  level: Asked['level'],
  weights: number[],
  random: RandomSource,
): number[] {
  if (level.kind === 'rank') return weights;
  const species = groupByRank(compiled, 'species');
  const masses = species.groups.map((_, s) => {
    const there = weights.map((weight, f) => (species.of[f] === s ? weight : 0));
    return choicesOf(grouping, there).length > 1 ? massOf(species, weights, s) : 0;
  });
  if (masses.every((mass) => mass === 0)) return weights.map(() => 0);
  const own = pick(masses, random);
  return weights.map((weight, f) => (species.of[f] === own ? weight : 0));
}

/** How much a place is moved about, in squares. */
const ABOUT = 0.18;

/** A flock whose number is asked leaves so many squares empty that it stands now closer, now farther apart. */
const ROOM = 1.6;

/** A place for each: none on another, in no order. */
function placed(n: number, unlike: number, across: number, random: RandomSource): Pick<Flock, 'members' | 'size'> {
  const squares = unlike < n ? Math.ceil(n * ROOM) : n;
  const columns = Math.ceil(Math.sqrt(squares * across));
  const rows = Math.ceil(squares / columns);
  const free = shuffled(
    Array.from({ length: columns * rows }, (_, i) => i),
    random,
  ).slice(0, n);
  const about = () => 0.5 + ABOUT * (random() - 0.5);
  return {
    size: Math.min(1 / columns, 1 / across / rows) * (1 - ABOUT),
    members: free
      .sort((a, b) => a - b)
      .map((square, i) => ({
        of: i % unlike,
        x: ((square % columns) + about()) / columns,
        y: (Math.floor(square / columns) + about()) / rows,
        turned: Math.round(16 * (random() - 0.5)),
      })),
  };
}

function shuffled<T>(all: readonly T[], random: RandomSource): T[] {
  const next = [...all];
  for (let i = next.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [next[i], next[j]] = [next[j], next[i]];
  }
  return next;
}
