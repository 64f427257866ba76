import { compileGuide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import { memoryKey, nextPair, type Pair, pairsOf, remember, type Seen } from '@plesion/core/practice';
import { type RandomSource, seeded } from '@plesion/core/probability';
import { demoGuides } from '@plesion/demo';

const DAY = 86_400_000;
const START = Date.parse('2026-03-01T18:00:00.000Z');

/** What is practised: so many answers a day, on so many days, ten seconds apart. */
const A_DAY = 25;
const DAYS = 4;
const PAUSE = 10_000;

/**
 * A learner whose curve is stated, and is not the scheduler's own. Anybody tells two that lie far apart, and guesses
 * between two that hardly differ: right with 1 − ½·e^−(half of how far apart + strength). Each answer to a pair adds to
 * its strength, so that what is left to learn shrinks by the same share each time (Rescorla & Wagner 1972); pairs that
 * share a kind gain a fifth of that. Strength fades by half in two days, and in twice the time after each answer on
 * another day.
 */
class Learner {
  private readonly known = new Map<string, { strength: number; half: number; at: number }>();

  constructor(private readonly pairs: readonly Pair[]) {}

  strength(key: string, now: number): number {
    const one = this.known.get(key);
    return one ? one.strength * 2 ** (-(now - one.at) / one.half) : 0;
  }

  chance = (pair: Pair, now: number): number => 1 - 0.5 * Math.exp(-pair.apart / 2 - this.strength(keyOf(pair), now));

  practise(pair: Pair, now: number): void {
    for (const other of this.pairs) {
      const same = other === pair;
      if (!same && !other.of.some((group) => pair.of.includes(group))) continue;
      const key = keyOf(other);
      const before = this.known.get(key);
      const another = before !== undefined && now - before.at > DAY / 2;
      this.known.set(key, {
        strength: this.strength(key, now) + (same ? GAIN : GAIN / 5),
        half: same && another ? before.half * 2 : (before?.half ?? 2 * DAY),
        at: now,
      });
    }
  }
}

/** What one answer adds. */
const GAIN = 0.3;

const GUIDE = 'guide';
const keyOf = ({ of }: Pair) => memoryKey('pair', GUIDE, of);

type Order = (pairs: readonly Pair[], all: readonly Seen[], before: readonly string[], now: number) => Pair;

/** What a learner has won two days after the last, over all pairs alike, for each hundred answers. */
function gained(pairs: readonly Pair[], order: Order, random: RandomSource): number {
  const learner = new Learner(pairs);
  const all: Seen[] = [];
  let before: string[] = [];
  let now = START;
  for (let day = 0; day < DAYS; day++) {
    now = START + day * DAY;
    for (let i = 0; i < A_DAY; i++, now += PAUSE) {
      const pair = order(pairs, all, before, now);
      const key = keyOf(pair);
      const chance = learner.chance(pair, now);
      const right = random() < chance;
      const sure = chance > 0.9 ? 'sure' : chance > 0.7 ? 'fairly sure' : 'leaning';
      all.push({ guideId: GUIDE, at: new Date(now).toISOString(), right, sure, pair: pair.of });
      learner.practise(pair, now);
      before = [...before, key].slice(-2);
    }
  }
  const after = now + 2 * DAY;
  const knows = (one: Learner) => pairs.reduce((sum, pair) => sum + one.chance(pair, after), 0) / pairs.length;
  return (100 * (knows(learner) - knows(new Learner(pairs)))) / ((DAYS * A_DAY) / 100);
}

/** Memories grow answer by answer; they are not made from the beginning each time. */
function scheduled(): Order {
  let memories = remember(new Map(), []);
  let told = 0;
  return (pairs, all, before, now) => {
    memories = remember(memories, all.slice(told));
    told = all.length;
    const next = nextPair({ guideId: GUIDE, memories, pairs, before, now: new Date(now) })!;
    return pairs.find(({ of }) => of === next.of)!;
  };
}

const shuffled =
  (random: RandomSource): Order =>
  (pairs) =>
    pairs[Math.floor(random() * pairs.length)];

/** Does one learn more by what the scheduler asks than by chance? Points of right answers (in 100) won for each hundred answers. */
export function reportPractice(print: (line?: string) => void): void {
  print('Practice: points of right answers won by a hundred answers, as scheduled and in random order');
  for (const guide of demoGuides) {
    const pairs = pairsOf(compileGuide(guide), planOf(guide)!, { kind: 'rank', rank: 'species' });
    const seeds = ['one', 'two', 'three'].map((seed) => {
      const own = gained(pairs, scheduled(), seeded(`${seed} answers`));
      const chance = gained(pairs, shuffled(seeded(`${seed} order`)), seeded(`${seed} answers`));
      return `${own.toFixed(2)} and ${chance.toFixed(2)} (×${(own / chance).toFixed(2)})`;
    });
    print(`  ${guide.id.padEnd(16)} ${String(pairs.length).padStart(3)} pairs: ${seeds.join('; ')}`);
  }
}
