import { type CaptureContent, dayAfter, type StringContent, type VisitContent } from '@plesion/core/fieldwork';
import { normal, pick, type RandomSource, seeded } from '@plesion/core/probability';
import { idOf } from './ids';
import { PIER, SPIT, STACK } from './sites';

/** The terns of the spit: how common they are in the nets, how long their wings are (mm), how heavy they are (g), which ring they take. */
const KINDS = [
  { taxon: 'sodalis', share: 8, mass: 118, wing: 271, sd: 5.5, letters: 'H' },
  { taxon: 'consors', share: 5, mass: 112, wing: 269.5, sd: 5.8, letters: 'H' },
  { taxon: 'furtiva', share: 1.2, mass: 104, wing: 263, sd: 5.5, letters: 'H' },
  { taxon: 'crinita-crinita', share: 1.5, mass: 196, wing: 313, sd: 6, letters: 'T' },
  { taxon: 'nivalis', share: 1.8, mass: 54, wing: 178, sd: 4, letters: 'B' },
] as const;

/** What else flies into a net on a shore at dusk. */
const OTHERS = ['Spindle dunlin', 'reed pip', 'little dusk owl', 'lantern moth in the net'];
const PEOPLE = ['Mira', 'Odo Venn', 'Selka', 'Bram'];

interface Bird {
  mark: string;
  kind: (typeof KINDS)[number];
  wing: number;
  sex: 'male' | 'female';
  /** Calendar year it hatched in. */
  hatched: number;
}

/** Two seasons of invented visits, and who was caught at each. */
export interface Ringing {
  visits: [string, VisitContent][];
  captures: [string, CaptureContent][];
  strings: [string, StringContent][];
}

export function ringingOf(today: string, guideId: string): Ringing {
  const random = seeded('long spit');
  const year = Number(today.slice(0, 4));
  const seasons = [
    { year: year - 1, days: Array.from({ length: 15 }, (_, i) => dayAfter(today, -408 + i * 3)), size: 29 },
    { year, days: Array.from({ length: 18 }, (_, i) => dayAfter(today, -43 + Math.round(i * 2.45))), size: 29 },
  ];
  const visits: Ringing['visits'] = [];
  const captures: Ringing['captures'] = [];
  const pool: Bird[] = [];
  const next: Record<string, number> = { H: 4001, T: 201, B: 7001 };
  const digits: Record<string, number> = { H: 5, T: 4, B: 5 };
  const ring = (letters: string) => `${letters} ${String(next[letters]++).padStart(digits[letters], '0')}`;
  const between = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));

  for (const season of seasons)
    season.days.forEach((day, v) => {
      const visitId = idOf('visit', visits.length + 1);
      // A thin night now and then: wind.
      const wind = between(0, 6);
      const caught = Math.max(6, season.size - wind * 2 + between(-4, 4));
      // The string of this season begins with its first ring.
      if (v === 0) next.H = season.year === year ? 4501 : 4001;
      for (let i = 0; i < caught; i++) {
        const at = `${day}T${String(18 + Math.floor((i / caught) * 4)).padStart(2, '0')}:${String(between(0, 59)).padStart(2, '0')}:00Z`;
        captures.push([idOf('capture', captures.length + 1), captureOf(at, visitId, day)]);
      }
      visits.push([
        visitId,
        {
          siteId: v % 7 === 6 ? STACK : v % 5 === 4 ? PIER : SPIT,
          startedAt: `${day}T17:30:00Z`,
          endedAt: `${day}T22:15:00Z`,
          people: [PEOPLE[v % 4], PEOPLE[(v + 1) % 4]],
          method: 'mist-net',
          effort: { units: 4, hours: 4.5 },
          weather: { wind, cloud: between(0, 8), temperature: between(8, 17) },
          overrides: [],
        },
      ]);
    });

  /** Numbered in order of time, whatever the minute. */
  captures.sort(([, a], [, b]) => (a.at < b.at ? -1 : 1));
  // Under way at this moment: two people, two places.
  const open = (n: number, siteId: string, people: string[], time: string): [string, VisitContent] => [
    idOf('visit', n),
    {
      siteId,
      startedAt: `${today}T${time}:00Z`,
      people,
      method: 'mist-net',
      effort: { units: 4, hours: 1 },
      weather: { wind: 3, cloud: 5 },
      overrides: [],
    },
  ];
  visits.push(open(visits.length + 1, SPIT, ['Mira', 'Selka'], '05:10'));
  visits.push(open(visits.length + 1, PIER, ['Bram'], '05:40'));
  tell(captures, today);
  return { visits, captures, strings: stringsOf(next, today, year) };

  function captureOf(at: string, visitId: string, day: string): CaptureContent {
    const base = { visitId, at, readings: [], overrides: [] };
    const roll = random();
    if (roll < 0.035) return { ...base, what: 'other-kind', name: OTHERS[between(0, OTHERS.length - 1)] };
    if (roll < 0.05) return { ...base, what: 'unringed', guideId, taxon: 'sodalis', condition: 'tired', note: 'Let go at once.' };
    if (roll < 0.056)
      return {
        ...base,
        what: 'lost',
        guideId,
        taxon: 'sodalis',
        condition: 'dead',
        note: 'Found dead in the net; to the authority.',
      };
    const known = roll < 0.25 && pool.length > 20 ? pool[between(0, pool.length - 1)] : undefined;
    const bird = known ?? hatchedInto(day);
    if (!known) pool.push(bird);
    return { ...base, what: known ? 'again' : 'ringed', ...measured(bird, day, random), guideId };
  }

  function hatchedInto(day: string): Bird {
    const kind =
      KINDS[
        pick(
          KINDS.map(({ share }) => share),
          random,
        )
      ];
    const now = Number(day.slice(0, 4));
    const young = random() < 0.34;
    return {
      mark: ring(kind.letters),
      kind,
      wing: kind.wing + normal(random) * kind.sd,
      sex: random() < 0.5 ? 'male' : 'female',
      hatched: young ? now : now - between(2, 8),
    };
  }
}

function measured(bird: Bird, day: string, random: RandomSource): Partial<CaptureContent> & Pick<CaptureContent, 'readings'> {
  const age = Number(day.slice(0, 4)) - bird.hatched;
  const code = age === 0 ? 'HY' : age === 1 ? 'SY' : 'AHY';
  // Young birds' wings are not grown out yet; who measures is off by a mm or so.
  const wing = Math.round(bird.wing - (age === 0 ? 6 : 0) + normal(random) * 1.1);
  const sexed = age > 0 && random() < 0.62;
  const mass =
    Math.round(bird.kind.mass * (bird.wing / bird.kind.wing) ** 3 * (1 + normal(random) * 0.035 - (age === 0 ? 0.04 : 0)) * 2) /
    2;
  return {
    mark: bird.mark,
    taxon: bird.kind.taxon,
    age: { family: 'letters', code },
    sex: sexed ? bird.sex : 'unknown',
    ...(sexed ? { sexBy: 'brood-patch' as const } : {}),
    condition: random() < 0.05 ? 'tired' : 'good',
    mass,
    readings: [
      {
        id: 'wing-1',
        character: 'wing-chord',
        value: bird.kind.taxon === 'nivalis' ? Math.min(198, wing) : Math.max(251, wing),
        error: 1,
      },
      ...(age === 0 && random() < 0.4 ? [{ id: 'saddle-1', character: 'saddle', states: ['scaly'] }] : []),
    ],
  };
}

/** What the season tells: captures that do not go together, and birds to be looked at again. */
function tell(captures: Ringing['captures'], today: string): void {
  const met = new Map<string, CaptureContent[]>();
  for (const [, capture] of captures) if (capture.mark) met.set(capture.mark, [...(met.get(capture.mark) ?? []), capture]);
  const again = [...met.values()].filter((all) => all.length > 1 && all.at(-1)!.at.slice(0, 4) === today.slice(0, 4));
  const grown = again.filter((all) => all.every(({ age }) => age?.code === 'AHY'));
  // Two that changed their sex, one that grew younger, one that is another kind now.
  for (const all of grown.slice(0, 2)) {
    all[0].sex = 'male';
    all[0].sexBy = 'size';
    all.at(-1)!.sex = 'female';
    all.at(-1)!.sexBy = 'brood-patch';
  }
  const [, , younger, other] = grown;
  if (younger) Object.assign(younger.at(-1)!, { age: { family: 'letters', code: 'HY' }, sex: 'unknown', sexBy: undefined });
  if (other) other.at(-1)!.taxon = other[0].taxon === 'sodalis' ? 'consors' : 'sodalis';
  delete younger?.at(-1)?.sexBy;
  const fresh = captures.filter(([, { what }]) => what === 'ringed').map(([, capture]) => capture);
  const due: [number, string][] = [
    [-1, 'Swollen wrist on the left: look at the wing again.'],
    [3, 'Too young to name at ringing: look again.'],
    [14, 'Broken tail feathers: have they grown?'],
  ];
  due.forEach(([days, text], i) => {
    fresh.at(-7 - i * 5)!.followUp = { due: dayAfter(today, days), text };
  });
  bear(grown.map((all) => all.at(-1)!).slice(4));
  // Two of this year whose parents were seen to feed them.
  const [mother, father] = grown.slice(6).map((all) => all[0].mark);
  for (const chick of fresh.filter(({ age, at }) => age?.code === 'HY' && at >= today.slice(0, 4)).slice(-12, -10))
    chick.parents = { ...(mother ? { mother } : {}), ...(father ? { father } : {}), brood: 'scrape 12' };
}

/** Some that are known without a ring being read. */
function bear(captures: readonly CaptureContent[]): void {
  const marks: NonNullable<CaptureContent['naturalMarks']>[number][] = [
    { id: 'toe', kind: 'notch', words: 'deep notch in the web of the left foot', at: { view: 'perched', x: 0.52, y: 0.93 } },
    { id: 'brow', kind: 'scar', words: 'bare scar over the right eye', at: { view: 'perched', x: 0.24, y: 0.2 } },
    {
      id: 'rump',
      kind: 'spots',
      words: 'three dark spots in a row on the lower back',
      at: { view: 'perched', x: 0.68, y: 0.46 },
    },
    { id: 'tail', kind: 'missing', words: 'outermost tail feather on the left gone', at: { view: 'perched', x: 0.92, y: 0.62 } },
  ];
  marks.forEach((mark, i) => {
    const capture = captures.at(i);
    if (capture) capture.naturalMarks = [mark];
  });
}

function stringsOf(next: Record<string, number>, today: string, year: number): Ringing['strings'] {
  const base = { ringer: 'O. Venn', unused: [] };
  return [
    [
      idOf('string', 1),
      {
        ...base,
        letters: 'H',
        digits: 5,
        first: 4501,
        last: Math.max(4900, next.H + 40),
        size: 'C',
        loadedOn: `${year}-01-10`,
        unused: [{ number: next.H, what: 'destroyed', on: dayAfter(today, -1), note: 'Bent in the pliers.' }],
      },
    ],
    [
      idOf('string', 2),
      {
        ...base,
        letters: 'T',
        digits: 4,
        first: 201,
        last: Math.max(300, next.T + 20),
        size: 'D',
        loadedOn: `${year - 1}-01-10`,
      },
    ],
    [
      idOf('string', 3),
      {
        ...base,
        letters: 'B',
        digits: 5,
        first: 7001,
        last: Math.max(7100, next.B + 6),
        size: 'B',
        loadedOn: `${year - 1}-01-10`,
      },
    ],
  ];
}
