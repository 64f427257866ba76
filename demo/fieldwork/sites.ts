import type { SiteContent } from '@plesion/core/fieldwork';
import { dayAfter } from '@plesion/core/fieldwork';
import { idOf } from './ids';

export const SPIT = idOf('site', 1);
export const STACK = idOf('site', 2);
export const PIER = idOf('site', 3);
export const LEDGE = idOf('site', 4);

/** Where the station works. The season of the spit is near its end, and the stack is rested. */
export function sitesOf(today: string, quota: number): [string, SiteContent][] {
  const year = today.slice(0, 4);
  const permit = {
    id: 'station-permit',
    label: 'Ringing permit 7 of the Isles',
    holder: 'O. Venn',
    covers: ['mist-net' as const, 'clap-net' as const, 'hand' as const],
    from: `${year}-01-01`,
    to: dayAfter(today, 34),
  };
  return [
    [
      SPIT,
      {
        name: 'Long Spit',
        position: { latitude: -41.1932, longitude: -28.0582, accuracy: 10 },
        season: { first: dayAfter(today, -44), last: dayAfter(today, 6) },
        quota,
        licences: [permit],
        note: 'Nets along the shingle, opened two hours before dark. Never at low water in wind over 5.',
      },
    ],
    [
      STACK,
      {
        name: 'Gull Stack',
        position: { latitude: -41.1204, longitude: -28.2014, accuracy: 10 },
        rested: { until: dayAfter(today, 9), reason: 'a harrier hunts there each morning' },
        season: { first: dayAfter(today, -44), last: dayAfter(today, 20) },
        licences: [permit],
      },
    ],
    [
      PIER,
      {
        name: 'Quell Harbour, pier',
        position: { latitude: -41.2052, longitude: -28.1092, accuracy: 10 },
        licences: [
          {
            ...permit,
            id: 'lapsed',
            label: 'Lamp and trap permit',
            covers: ['lamp' as const, 'funnel-trap' as const],
            to: dayAfter(today, -12),
          },
          permit,
        ],
      },
    ],
    [LEDGE, { name: 'Quell Harbour, ledge 4', position: { latitude: -41.2071, longitude: -28.1143, accuracy: 5 }, licences: [] }],
  ];
}
