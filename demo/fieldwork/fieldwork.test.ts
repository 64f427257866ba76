import { brokenChecks, contradictions, numberIn, stringStanding } from '@plesion/core/fieldwork';
import {
  CaptureContent,
  CountContent,
  SheetContent,
  SiteContent,
  StringContent,
  VisitContent,
} from '@plesion/core/fieldwork/schema';
import { checkReadings } from '@plesion/core/observation';
import { demoFieldwork, demoGuides, terns } from '..';

const guides = new Map(demoGuides.map(({ id }, i) => [id, `0192f3a0-0000-7001-8000-00000000000${i}`]));
const TODAY = '2026-11-27';
const work = demoFieldwork(TODAY, guides);

it('is of the shapes that are written, on any day of the year', () => {
  for (const today of [TODAY, '2027-01-02', '2028-02-29']) {
    const all = demoFieldwork(today, guides);
    const parts = {
      sites: SiteContent,
      visits: VisitContent,
      captures: CaptureContent,
      strings: StringContent,
      counts: CountContent,
      sheets: SheetContent,
    };
    for (const [part, schema] of Object.entries(parts))
      for (const [id, content] of all[part as keyof Omit<typeof all, 'corrected'>]) {
        const read = schema.safeParse(JSON.parse(JSON.stringify(content)));
        expect([part, id, read.error?.issues ?? []]).toEqual([part, id, []]);
      }
  }
});

it('has names that were corrected since, of other kinds than before', () => {
  expect(work.corrected.length).toBeGreaterThan(1);
  const captures = new Map(work.captures);
  for (const { id, was } of work.corrected) {
    expect(captures.get(id)!.taxon).toBeDefined();
    expect(captures.get(id)!.taxon).not.toBe(was);
    expect(terns.taxa.map((taxon) => taxon.id)).toContain(was);
  }
});

it('is two seasons of about 900 captures, with birds met again, others, and a few losses', () => {
  const what = (one: string) => work.captures.filter(([, capture]) => capture.what === one).length;
  expect(work.captures.length).toBeGreaterThan(750);
  expect(work.captures.length).toBeLessThan(1000);
  expect(what('again')).toBeGreaterThan(100);
  expect(what('other-kind')).toBeGreaterThan(10);
  expect(what('lost')).toBeGreaterThan(0);
  expect(new Set(work.captures.map(([id]) => id)).size).toBe(work.captures.length);
});

it('breaks no rule of its guide, and reads nothing that the guide has not', () => {
  for (const [, capture] of work.captures) {
    expect(checkReadings(terns, capture.readings)).toEqual([]);
    expect(brokenChecks(terns, capture).map(({ id }) => id)).toEqual([]);
  }
});

it('has animals known by natural marks on a view of their guide, and young with parents that it ringed', () => {
  const marked = work.captures.flatMap(([, { naturalMarks = [] }]) => naturalMarks);
  expect(marked.length).toBe(4);
  for (const { at } of marked) expect(terns.views.map(({ id }) => id)).toContain(at!.view);
  const ringed = new Set(work.captures.flatMap(([, { mark }]) => mark ?? []));
  const young = work.captures.flatMap(([, { parents }]) => parents ?? []);
  expect(young.length).toBe(2);
  for (const { mother, father } of young) expect([mother, father].every((ring) => ring && ringed.has(ring))).toBe(true);
});

it('has exactly the contradictions that it tells', () => {
  const byMark = new Map<string, typeof work.captures>();
  for (const one of work.captures) if (one[1].mark) byMark.set(one[1].mark, [...(byMark.get(one[1].mark) ?? []), one]);
  const found = [...byMark.values()].flatMap((all) =>
    contradictions(all.map(([id, capture]) => ({ ...capture, id, day: capture.at.slice(0, 10), at: undefined }))),
  );
  expect(found.map(({ code }) => code).sort()).toEqual(['ages-disagree', 'kinds-differ', 'sexes-differ', 'sexes-differ']);
});

it('has rings left, one destroyed, none twice, and a quota near its end', () => {
  const ringed = work.captures.filter(([, { what }]) => what === 'ringed').map(([, { mark }]) => mark!);
  for (const [, string] of work.strings) {
    const standing = stringStanding(string, ringed);
    expect(standing.twice).toEqual([]);
    expect(standing.gaps).toEqual([]);
    expect(standing.next && numberIn(string, standing.next)).toBeGreaterThan(0);
  }
  const thisYear = work.captures.filter(([, { what, at }]) => what === 'ringed' && at >= TODAY.slice(0, 4)).length;
  const quota = work.sites[0][1].quota!;
  expect(quota).toBeGreaterThan(thisYear / 3);
  expect(quota).toBeLessThan(thisYear);
});
