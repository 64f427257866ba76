import type { SpecimenWrite } from '@plesion/contract';
import { analyse } from '@plesion/core/analysis';
import type { Standing } from '@plesion/core/evidence';
import { type CompiledGuide, compiledFor, formsOf, type Guide, isStates } from '@plesion/core/guide';
import type { Reading } from '@plesion/core/observation';
import type { Traits } from '@plesion/core/plates';
import { individualsOf } from '@plesion/core/practice';
import { normal, pick, type RandomSource, seeded } from '@plesion/core/probability';
import { recommendedName } from '@plesion/core/specimen';
import type { VerificationKind } from '@plesion/core/verification';

/** By these it is known what sex it was. */
const TELL_SEX: readonly VerificationKind[] = ['egg', 'dissection', 'molecular', 'recapture'];

/** Who gave the names, how often each reads a state as it is, and whether each names what may not be named yet. */
const OBSERVERS = [
  { by: 'Isolde Varn', reads: 0.97, dares: 0.3 },
  { by: 'Corin Thale', reads: 0.92, dares: 0.6 },
  { by: 'Jory Lamb', reads: 0.8, dares: 1 },
];

const YEARS = [2023, 2024, 2025];
const READ = { least: 3, most: 6 };

export const idOf = (kind: number, n: number) => `0192f3a0-0000-7${kind}-8000-${String(n).padStart(12, '0')}`;

export interface Record {
  id: string;
  by: string;
  at: Date;
  write: SpecimenWrite;
  traits: Traits;
  outcome: { kind: VerificationKind; taxon: string; facets: Standing['forms'][number]['facets'] };
}

/** A kind that has a mark of its own at one place, whatever the books say. */
export interface Local {
  taxon: string;
  character: string;
  state: string;
  otherwise: string;
  often: number;
}

interface Drawn {
  seed?: string;
  years?: number[];
  local?: Local;
}

/** Records as they are drawn from the guide's own scores, read and named by three people. */
export function recordsOf(
  guide: Guide,
  guideId: string,
  n: number,
  kinds: readonly VerificationKind[],
  from: number,
  { seed = `outcomes of ${guide.id}`, years = YEARS, local }: Drawn = {},
): Record[] {
  const random = seeded(seed);
  const compiled = compiledFor(guide, {});
  const records: Record[] = [];
  for (let k = 0; records.length < n; k++) {
    const observer = OBSERVERS[k % OBSERVERS.length];
    const form = local ? compiled.forms.findIndex(({ taxon }) => taxon === local.taxon) : pick(compiled.base, random);
    const traits = individualsOf(compiled, form)(random);
    const seen = readBy(compiled, form, traits, observer.reads, random);
    const readings = local ? withLocal(seen, local, random) : seen;
    const day = new Date(Date.UTC(years[k % years.length], 3 + Math.floor(5 * random()), 1 + Math.floor(28 * random()), 9));
    const situation = { date: day.toISOString().slice(0, 10) };
    const given = nameOf(analyse({ guide, situation, readings }), observer.dares, random);
    if (!given) continue;
    const number = from + records.length;
    const { taxon, facets } = formsOf(guide)[form];
    const kind = kinds[Math.floor(random() * kinds.length)];
    records.push({
      id: idOf(471, number),
      by: observer.by,
      traits,
      at: day,
      outcome: { kind, taxon, facets: facets.sex && TELL_SEX.includes(kind) ? { sex: facets.sex } : {} },
      write: {
        ...{ version: 0, guideId, label: `${guide.id.slice(0, 1).toUpperCase()} ${number}`, situation, readings, hidden: false },
        determinations: [
          {
            id: idOf(472, number),
            by: observer.by,
            at: day.toISOString(),
            guideVersion: 1,
            recommended: given.text,
            ...given.name,
          },
        ],
      },
    });
  }
  return records;
}

function withLocal(seen: readonly Reading[], { character, state, otherwise, often }: Local, random: RandomSource): Reading[] {
  const reading = { id: `${character}-1`, character, states: [random() < often ? state : otherwise] };
  return [...seen.filter((one) => one.character !== character), reading];
}

/** Some of what can be seen of one, as well as the observer sees it. */
function readBy({ guide, tables }: CompiledGuide, form: number, traits: Traits, reads: number, random: RandomSource): Reading[] {
  const scored = guide.characters.filter(({ id }) => tables.get(id)!.scored[form] && traits[id] !== undefined);
  const wanted = READ.least + Math.floor(random() * (READ.most - READ.least + 1));
  const some = scored.map((character) => ({ character, lot: random() })).sort((a, b) => a.lot - b.lot);
  return some.slice(0, wanted).map(({ character }): Reading => {
    const { id, states, error = 0 } = character;
    const seen = traits[id];
    if (typeof seen === 'number' && !isStates(character))
      return {
        id: `${id}-1`,
        character: id,
        value: character.counts ? seen : Number((seen + error * normal(random)).toPrecision(3)),
      };
    const others = states!.filter((state) => state.id !== seen);
    const right = random() < reads || others.length === 0;
    return { id: `${id}-1`, character: id, states: [right ? String(seen) : others[Math.floor(random() * others.length)].id] };
  });
}

/** The name as it was recommended, or the likeliest by one who dares; nothing where it stays open. */
function nameOf(standing: Standing, dares: number, random: RandomSource) {
  const { call, taxa } = standing;
  const text = call.text;
  if (call.kind === 'taxon' || call.kind === 'either')
    return { text, name: { ...recommendedName(call), p: call.p, overruled: false } };
  const best = taxa.filter(({ rank }) => rank === 'species').sort((a, b) => b.p - a.p)[0];
  if (!best || best.p < 0.4 || random() > dares) return undefined;
  const reason = 'By its look as a whole.';
  return { text, name: { qualifier: 'none' as const, taxon: best.taxon, facets: {}, p: best.p, overruled: true, reason } };
}

/** A moth in a cage: called male in May, in June and in August, until it laid eggs. */
export const CAGED = {
  guide: 'lantern-moths',
  taxon: 'lampas',
  form: 'lampas-borea/female.wild',
  label: 'Cage 3, from the lamp at Quell Harbour',
  months: [5, 6, 8],
  /** As it looked, and as males do. */
  seen: { antenna: 'saw', 'tail-tuft': 'short', 'antenna-ratio': 0.44 } as {
    [character: string]: string | number;
  },
  /** By these it is told what kind it is. */
  alike: ['lantern', 'outer-line', 'midband', 'abdomen', 'rest-posture', 'ground-colour'],
  note: 'Seen through the gauze; not handled.',
};

export function cagedMoth(guide: Guide, guideId: string): Record {
  const compiled = compiledFor(guide, {});
  const form = compiled.forms.findIndex(({ id }) => id === CAGED.form);
  const traits = { ...individualsOf(compiled, form)(seeded('cage 3')), ...CAGED.seen };
  const looked = [...CAGED.alike, ...Object.keys(CAGED.seen)];
  const readings = guide.characters
    .filter(({ id }) => looked.includes(id))
    .map((character): Reading => {
      const seen = traits[character.id];
      const about = { id: `${character.id}-1`, character: character.id };
      return isStates(character)
        ? { ...about, states: [String(seen)] }
        : { ...about, value: Number(Number(seen).toPrecision(3)) };
    });
  const situation = { date: '2025-05-09', note: CAGED.note };
  const standing = analyse({ guide, situation, readings });
  const { by } = OBSERVERS[1];
  const p = standing.facets.find(({ facet }) => facet === 'sex')?.values.find(({ value }) => value === 'male')?.p ?? 0.5;
  return {
    traits,
    ...{
      id: idOf(471, 1),
      by,
      at: new Date(Date.UTC(2025, 7, 9, 9)),
      outcome: { kind: 'egg', taxon: CAGED.taxon, facets: { sex: 'female' } },
    },
    write: {
      ...{ version: 0, guideId, label: CAGED.label, situation, readings, hidden: false },
      determinations: CAGED.months.map((month, i) => ({
        ...{ id: idOf(472, 1 + i), by, at: new Date(Date.UTC(2025, month - 1, 9, 9)).toISOString(), guideVersion: 1, p },
        ...{ qualifier: 'none', taxon: CAGED.taxon, facets: { sex: 'male' }, recommended: standing.call.text, overruled: false },
      })),
    },
  };
}
