import type { SpecimenWrite } from '@plesion/contract';
import { type CompiledGuide, compiledFor, formsOf, type Guide, isStates } from '@plesion/core/guide';
import { analyse } from '@plesion/core/analysis';
import type { Standing } from '@plesion/core/evidence';
import type { Reading } from '@plesion/core/observation';
import { individualsOf } from '@plesion/core/practice';
import { normal, pick, type RandomSource, seeded } from '@plesion/core/probability';
import { recommendedName } from '@plesion/core/specimen';
import { USUAL_WRONG, type VerificationKind } from '@plesion/core/verification';
import { demoGuides } from '@plesion/demo';
import type { AnalysisPool } from '../analysis/pool';
import { SpecimenEntity, VerificationEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';
import { writeSpecimen } from '../specimens/service';

/** What was found out of the demo's guides, how often, and by what. */
const KNOWN: { guide: string; n: number; kinds: VerificationKind[] }[] = [
  { guide: 'ledge-crabs', n: 42, kinds: ['dissection', 'expert'] },
  { guide: 'lantern-moths', n: 35, kinds: ['egg', 'bred-true', 'dissection'] },
  { guide: 'tessary-terns', n: 34, kinds: ['recapture', 'molecular', 'song'] },
  { guide: 'strand-beetles', n: 24, kinds: ['dissection', 'expert'] },
  { guide: 'bog-umbels', n: 14, kinds: ['bred-true', 'expert'] },
  { guide: 'tent-cones', n: 10, kinds: ['molecular', 'expert'] },
];

/** By these it is known what sex it was. */
const TELL_SEX: readonly VerificationKind[] = ['egg', 'dissection', 'molecular', 'recapture'];

/** Who gave the names, how often each reads a state as it is, and whether each names what may not be named yet. */
const OBSERVERS = [
  { by: 'Isolde Varn', reads: 0.97, dares: 0.3 },
  { by: 'Corin Thale', reads: 0.92, dares: 0.6 },
  { by: 'Jory Lamb', reads: 0.8, dares: 1 },
];

const YEARS = [2024, 2025, 2026];
const READ = { least: 3, most: 6 };
const AT_ONCE = 4;

const idOf = (kind: number, n: number) => `0192f3a0-0000-7${kind}-8000-${String(n).padStart(12, '0')}`;

interface Record {
  id: string;
  by: string;
  at: Date;
  write: SpecimenWrite;
  outcome: { kind: VerificationKind; taxon: string; facets: Standing['forms'][number]['facets'] };
}

/** Records of which it turned out what they were, made once: as they are drawn from the guides' own scores, read and named by three people. */
export async function putDemoOutcomes(
  em: Em,
  pool: AnalysisPool,
  caller: Caller,
  guides: ReadonlyMap<string, string>,
): Promise<void> {
  const { stationId } = caller;
  if (await em.count(VerificationEntity, { stationId })) return;
  const all = KNOWN.flatMap(({ guide: slug, n, kinds }, k) => {
    const guideId = guides.get(slug);
    const guide = demoGuides.find(({ id }) => id === slug);
    if (!guide || !guideId) return [];
    const records = recordsOf(guide, guideId, n, kinds, 1000 * (k + 1));
    return slug === CAGED.guide ? [...records, cagedMoth(guide, guideId)] : records;
  });
  for (let i = 0; i < all.length; i += AT_ONCE) {
    await Promise.all(
      all
        .slice(i, i + AT_ONCE)
        .map(({ id, by, write }) => writeSpecimen(em.fork(), pool, { ...caller, accountName: by }, id, write)),
    );
  }
  await em.transactional(async (tx) => {
    for (const { id, at } of all) await tx.nativeUpdate(SpecimenEntity, { stationId, id }, { createdAt: at, updatedAt: at });
    await tx.insertMany(
      VerificationEntity,
      all.map(({ id, at, outcome: { kind, taxon, facets } }, i) => {
        const known = new Date(at.getTime() + 40 * 86_400_000);
        return {
          ...{ stationId, id: idOf(473, i + 1), specimenId: id, kind, taxon, facets, wrong: USUAL_WRONG[kind], note: null },
          ...{
            onDay: known.toISOString().slice(0, 10),
            sameCall: false,
            madeBy: caller.accountName,
            at: known,
            withdrawnBy: null,
          },
        };
      }),
    );
  });
}

function recordsOf(guide: Guide, guideId: string, n: number, kinds: readonly VerificationKind[], from: number): Record[] {
  const random = seeded(`outcomes of ${guide.id}`);
  const compiled = compiledFor(guide, {});
  const records: Record[] = [];
  for (let k = 0; records.length < n; k++) {
    const observer = OBSERVERS[k % OBSERVERS.length];
    const form = pick(compiled.base, random);
    const readings = readBy(compiled, form, observer.reads, random);
    const day = new Date(Date.UTC(YEARS[k % YEARS.length], 3 + Math.floor(5 * random()), 1 + Math.floor(28 * random()), 9));
    const situation = { date: day.toISOString().slice(0, 10) };
    const given = nameOf(analyse({ guide, situation, readings }), observer.dares, random);
    if (!given) continue;
    const number = from + records.length;
    const { taxon, facets } = formsOf(guide)[form];
    const kind = kinds[Math.floor(random() * kinds.length)];
    records.push({
      id: idOf(471, number),
      by: observer.by,
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

/** Some of what can be seen of one, as well as the observer sees it. */
function readBy({ guide, tables, ...compiled }: CompiledGuide, form: number, reads: number, random: RandomSource): Reading[] {
  const traits = individualsOf({ guide, tables, ...compiled }, form)(random);
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
const CAGED = {
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

function cagedMoth(guide: Guide, guideId: string): Record {
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
  const situation = { date: '2026-05-09', note: CAGED.note };
  const standing = analyse({ guide, situation, readings });
  const { by } = OBSERVERS[1];
  const p = standing.facets.find(({ facet }) => facet === 'sex')?.values.find(({ value }) => value === 'male')?.p ?? 0.5;
  return {
    ...{
      id: idOf(471, 1),
      by,
      at: new Date(Date.UTC(2026, 7, 9, 9)),
      outcome: { kind: 'egg', taxon: CAGED.taxon, facets: { sex: 'female' } },
    },
    write: {
      ...{ version: 0, guideId, label: CAGED.label, situation, readings, hidden: false },
      determinations: CAGED.months.map((month, i) => ({
        ...{ id: idOf(472, 1 + i), by, at: new Date(Date.UTC(2026, month - 1, 9, 9)).toISOString(), guideVersion: 1, p },
        ...{ qualifier: 'none', taxon: CAGED.taxon, facets: { sex: 'male' }, recommended: standing.call.text, overruled: false },
      })),
    },
  };
}
