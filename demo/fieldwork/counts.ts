import { type CountContent, dayAfter } from '@plesion/core/fieldwork';
import { seeded } from '@plesion/core/probability';
import { demoColony } from '../colony';
import { idOf } from './ids';
import { LEDGE, SPIT } from './sites';

/** As the guide is called in the label of a count of the keeper's book. */
const MOTHS = 'Lantern moths of the Tessary Isles';

/** A tank with a missing crab, a cage of the book that is one short, a moth cage over eight weeks, quadrats along the shore, and flocks of the roost. */
export function countsOf(today: string, guides: { crabs: string; moths: string; terns: string }): [string, CountContent][] {
  const random = seeded('counts');
  const at = (days: number, time = '09:00') => `${dayAfter(today, days)}T${time}:00Z`;
  const counts: CountContent[] = [];

  const crabs = ['Notch', 'Left-claw', 'Old Grey', 'Barnacle', 'Twelve', 'Chip', 'The Small One', 'Rust'];
  for (const [days, missing] of [
    [-15, undefined],
    [-8, undefined],
    [-1, 'Chip'],
  ] as const)
    counts.push({
      kind: 'inventory',
      label: 'Tank 3, ledge crabs',
      at: at(days),
      by: 'Selka',
      tallies: [
        { label: 'Petralda murica', guideId: guides.crabs, taxon: 'murica', males: 3, females: missing ? 4 : 5, unsexed: 0 },
      ],
      expected: crabs.map((name) => ({ name, seen: name !== missing })),
    });

  const cage = demoColony.filter(({ pen, status = 'here' }) => pen === 'cage 7' && status === 'here');
  counts.push({
    ...{ kind: 'inventory', label: `cage 7, ${MOTHS}`, at: at(-3, '20:30'), by: 'Bram' },
    tallies: [{ label: 'cage 7', guideId: guides.moths, males: 2, females: 1, unsexed: 0 }],
    expected: cage.map(({ no }) => ({ name: `Moth ${no}`, seen: no !== 82 })),
  });

  for (let week = 8; week >= 0; week--)
    counts.push({
      kind: 'inventory',
      label: 'Cage 2, lantern moths',
      at: at(-week * 7, '20:00'),
      by: 'Bram',
      tallies: [
        {
          label: 'grown',
          guideId: guides.moths,
          males: Math.round(6 + (8 - week) * 1.6 + random() * 2),
          females: Math.round(5 + (8 - week) * 1.1 + random() * 2),
          unsexed: week > 5 ? 2 : 0,
        },
        {
          label: 'pupae',
          guideId: guides.moths,
          males: 0,
          females: 0,
          unsexed: Math.round(34 - (8 - week) * 3.6 + random() * 3),
        },
      ],
      heads: week === 8 ? undefined : Math.round(46 - (8 - week) * 0.8),
    });

  for (const days of [-62, -31, -2])
    counts.push({
      kind: 'transect',
      label: 'Ledge 4, from the wall to low water',
      siteId: LEDGE,
      at: at(days, '11:30'),
      by: 'Mira',
      tallies: [
        { label: 'Petralda murica', guideId: guides.crabs, taxon: 'murica', males: 0, females: 0, unsexed: 0 },
        { label: 'Petralda cinerata', guideId: guides.crabs, taxon: 'cinerata', males: 0, females: 0, unsexed: 0 },
      ],
      quadrats: Array.from({ length: 12 }, (_, i) => ({
        along: i * 5,
        area: 0.25,
        counts: [
          Math.max(0, Math.round(5 - Math.abs(i - 3) * 1.3 + random() * 2 - days / 40 - 1)),
          Math.max(0, Math.round(4 - Math.abs(i - 8) * 1.1 + random() * 2)),
        ],
      })),
    });

  for (const [days, all] of [
    [-40, 320],
    [-26, 510],
    [-12, 680],
    [-3, 440],
  ] as const)
    counts.push({
      kind: 'flock',
      label: 'Roost on the spit, at dusk',
      siteId: SPIT,
      at: at(days, '18:40'),
      by: 'Odo Venn',
      tallies: [],
      flock: [
        { kind: 'snow-fronted tern', amount: { how: 'counted', n: Math.round(all * 0.06) } },
        { kind: 'ring tern', amount: { how: 'shared', fromPercent: 55, toPercent: 65 } },
        { kind: 'consort tern', amount: { how: 'shared', fromPercent: 25, toPercent: 35 } },
      ],
      total: { how: 'estimated', from: Math.round(all * 0.9), to: Math.round(all * 1.15) },
    });

  return counts.map((content, i) => [idOf('count', i + 1), JSON.parse(JSON.stringify(content)) as CountContent]);
}
