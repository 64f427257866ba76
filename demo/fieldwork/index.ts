import type {
  CaptureContent,
  CountContent,
  SheetContent,
  SiteContent,
  StringContent,
  VisitContent,
} from '@plesion/core/fieldwork';
import { countsOf } from './counts';
import { idOf } from './ids';
import { ringingOf } from './ringing';
import { sitesOf, SPIT } from './sites';

/** Rings that the quota of the spit still allows. */
const LEFT = 23;

/** The fieldwork of the demo station, each record by its id. */
export interface DemoFieldwork {
  sites: [string, SiteContent][];
  visits: [string, VisitContent][];
  captures: [string, CaptureContent][];
  strings: [string, StringContent][];
  counts: [string, CountContent][];
  sheets: [string, SheetContent][];
  /** Captures that went by another taxon before. */
  corrected: { id: string; was: string }[];
}

/**
 * Two seasons of a tern ringing station, counts of crabs, moths and flocks, as they would stand on a day: the season is
 * near its end, a ring or two were lost, a few captures do not go together.
 *
 * @param guides ids of the station's guides, by their own ids.
 */
export function demoFieldwork(today: string, guides: ReadonlyMap<string, string>): DemoFieldwork {
  const terns = guides.get('tessary-terns')!;
  const ringing = ringingOf(today, terns);
  const onSpit = new Set(ringing.visits.filter(([, { siteId }]) => siteId === SPIT).map(([id]) => id));
  const used = ringing.captures.filter(
    ([, { visitId, what, at }]) => onSpit.has(visitId) && what === 'ringed' && at >= today.slice(0, 4),
  ).length;
  const newest = (taxon: string) => ringing.captures.findLast(([, capture]) => capture.taxon === taxon)![0];
  return {
    corrected: [
      { id: newest('consors'), was: 'furtiva' },
      { id: newest('crinita-crinita'), was: 'crinita-palliax' },
    ],
    sites: sitesOf(today, used + LEFT),
    ...ringing,
    counts: countsOf(today, { terns, crabs: guides.get('ledge-crabs')!, moths: guides.get('lantern-moths')! }),
    sheets: [
      [
        idOf('sheet', 1),
        {
          family: 'letters',
          families: [],
          fields: [
            { field: 'kind', needed: true },
            { field: 'age', needed: true },
            { field: 'sex', needed: true },
            { field: 'sexBy', needed: false },
            { field: 'reading:wing-chord', needed: false },
            { field: 'mass', needed: false },
            { field: 'reading:saddle', needed: false },
            { field: 'condition', needed: false },
            { field: 'photo', needed: false },
            { field: 'note', needed: false },
          ],
        },
      ],
    ],
  };
}
