import { brokenChecks, visitHalts } from '../fieldwork';
import type { AgeFamily, CaptureContent, Override, SiteContent, VisitContent } from '../fieldwork';
import { checkReadings } from '../observation';
import { plainName } from './guideNames';
import type { Line, LineProblem, Means } from './lines';
import type { ImportHow } from './schema';

/** The station that lines are read into. */
export interface Station extends Means {
  families: readonly AgeFamily[];
  sites: readonly { id: string; content: SiteContent }[];
  /** Rings that were met before, and on which days: `H 04517 2025-05-12`. */
  rings: ReadonlySet<string>;
  met: ReadonlySet<string>;
  /** Captures that were read in before, and are there. */
  known: ReadonlySet<string>;
  /** Who reads them in, and when. */
  by: string;
  at: string;
  /** What the file is called. */
  file: string;
  /** An id that is the same each time for the same name. */
  idOf: (name: string) => string;
}

/** Records as they are to be stored. */
export interface Gathered {
  sites: [string, SiteContent][];
  visits: [string, VisitContent][];
  captures: [string, CaptureContent][];
  /** The line of each capture. */
  lines: number[];
  /** Captures that are in the station already, as they were read in before: they stay as they are. */
  there: number;
  problems: LineProblem[];
}

const DEFAULT_METHOD = 'hand';

/**
 * Lines as records: one visit for each day at a site by the same people and method, with what was caught at it. Where
 * it is not said what became of an animal, a ring that was met before is met again, one that was not is new, and one
 * without a ring is not ringed.
 */
export function gather(lines: readonly Line[], how: ImportHow, station: Station): Gathered {
  const gathered: Gathered = { sites: [], visits: [], captures: [], lines: [], there: 0, problems: [] };
  const sites = new Map(station.sites.map(({ id, content }) => [plainName(content.name), { id, content }]));
  const visits = new Map<string, { id: string; content: VisitContent }>();
  const rings = new Set(station.rings);
  const same = new Map<string, number>();
  const said: Omit<Override, 'what'> | undefined = how.stands
    ? { reason: how.stands, by: station.by, at: station.at }
    : undefined;
  for (const line of [...lines].sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || a.line - b.line)) {
    const site = siteOf(line);
    if (!site) continue;
    const key = ['capture', line.at, site.id, line.ring ?? '', line.taxon ?? line.name ?? ''].join('\n');
    const nth = (same.get(key) ?? 0) + 1;
    same.set(key, nth);
    const id = station.idOf(`${key}\n${nth}`);
    if (station.known.has(id)) {
      gathered.there++;
      continue;
    }
    const visit = visitOf(line, site);
    const capture = captureOf(line, visit.id);
    if (line.ring && station.met.has(`${line.ring} ${line.day}`))
      problem(line, 'there-already', `${line.ring} is in the station on ${line.day} already. Leave the line out.`, 'file');
    gathered.captures.push([id, capture]);
    gathered.lines.push(line.line);
  }
  return gathered;

  function problem(line: Line, code: string, message: string, field: string): undefined {
    gathered.problems.push({ line: line.line, code, message: `Line ${line.line}: ${message}`, field });
    return undefined;
  }

  function siteOf(line: Line): { id: string; content: SiteContent } | undefined {
    const name = line.site ?? how.site;
    if (!name) return problem(line, 'no-site', 'it is not said at which site. Say one for all lines that name none.', 'site');
    const known = sites.get(plainName(name));
    if (known) return known;
    const content = { name, ...(line.position ? { position: line.position } : {}), licences: [] };
    const site = { id: station.idOf(`site\n${plainName(name)}`), content };
    sites.set(plainName(name), site);
    gathered.sites.push([site.id, content]);
    return site;
  }

  function visitOf(line: Line, site: { id: string; content: SiteContent }): { id: string; content: VisitContent } {
    const method = line.method ?? how.method ?? DEFAULT_METHOD;
    const people = line.people ?? how.people ?? station.by;
    const key = ['visit', site.id, line.day, method, plainName(people)].join('\n');
    const known = visits.get(key);
    if (known) {
      // The day's first and last catch are when it began and ended.
      if (Date.parse(line.at) < Date.parse(known.content.startedAt)) known.content.startedAt = line.at;
      if (Date.parse(line.at) > Date.parse(known.content.endedAt!)) known.content.endedAt = line.at;
      return known;
    }
    const halts = visitHalts(site.content, method, line.day);
    if (halts.length && !said) problem(line, halts[0].what, `${halts[0].says} Say why the visit stands all the same.`, 'stands');
    const content: VisitContent = {
      siteId: site.id,
      startedAt: line.at,
      endedAt: line.at,
      people: people
        .split(/\s*[|;,]\s*/)
        .filter(Boolean)
        .slice(0, 40)
        .map((name) => name.slice(0, 120)),
      method,
      note: `Read in from ${station.file}${line.timed ? '' : '; the time of day is not known'}.`,
      overrides: said ? halts.map(({ what }) => ({ ...said, what })) : [],
    };
    const visit = { id: station.idOf(key), content };
    visits.set(key, visit);
    gathered.visits.push([visit.id, content]);
    return visit;
  }

  function captureOf(line: Line, visitId: string): CaptureContent {
    const { at, ring, taxon, name, sex, condition, mass, note, position } = line;
    const what = line.what ?? (ring ? (rings.has(ring) ? 'again' : 'ringed') : 'unringed');
    if ((what === 'ringed' || what === 'again') && !ring)
      problem(line, 'no-ring', 'it is not said which ring it bears.', 'columns.ring');
    if (ring && (what === 'unringed' || what === 'other-kind'))
      problem(line, 'ring-unsaid', 'it bears a ring: it was put on then, or met again.', 'columns.what');
    if (ring) rings.add(ring);
    const readings = line.readings.map(({ character, value }) => ({ character, value }));
    const known = how.guideId && (taxon || readings.length) ? { guideId: how.guideId } : {};
    const caught = {
      ...(taxon ? { taxon } : {}),
      ...(line.age && station.family ? { age: { family: station.family.id, code: line.age } } : {}),
      ...(sex ? { sex } : {}),
      ...(mass === undefined ? {} : { mass }),
      readings,
    };
    const { guide } = station;
    for (const { message } of guide ? checkReadings(guide, readings) : []) problem(line, 'bad-reading', message, 'file');
    const broken = guide ? brokenChecks(guide, caught, station.families) : [];
    if (!said)
      for (const { says } of broken)
        problem(line, 'check-broken', `${says} Mend it, leave the line out, or say why it stands.`, 'stands');
    return {
      visitId,
      at,
      what,
      ...(ring ? { mark: ring } : {}),
      ...known,
      ...caught,
      ...(name ? { name } : {}),
      ...(condition ? { condition } : {}),
      ...(position ? { position } : {}),
      ...(note ? { note } : {}),
      overrides: said ? broken.map(({ id }) => ({ ...said, what: id })) : [],
    };
  }
}
