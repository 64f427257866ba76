import { RequestProblem, type Specimen, type SpecimenRow, type SpecimenWrite, type StoredGuide } from '@plesion/contract';
import { analyse } from '@plesion/core/analysis';
import { formsOf, type Guide } from '@plesion/core/guide';
import { traitsRead } from '@plesion/core/plates';
import { summarise } from '@plesion/core/specimen';
import { demoGuides } from '@plesion/demo';

const INSTANT = '2026-05-12T10:00:00Z';
export const STATION = '0192f3a0-0000-7001-8000-0000000000f0';

/** A specimen to write, with nothing on it yet. */
export const specimenContent = (more: Partial<SpecimenWrite> = {}): SpecimenWrite => ({
  version: 0,
  label: '',
  situation: {},
  readings: [],
  determinations: [],
  hidden: false,
  ...more,
});

interface Asked {
  params?: { id: string };
  query?: Record<string, unknown>;
  body?: Record<string, unknown>;
}

/**
 * A station in memory for tests of screens: the demo guides, and what is written to it.
 * It can be out of reach, refuse, or have been changed elsewhere; it answers what the
 * server answers, and remembers what it was asked.
 */
export function fakeStation() {
  const guides = new Map(demoGuides.map((guide, i) => [`0192f3a0-0000-7002-8000-${String(i).padStart(12, '0')}`, guide]));
  const specimens = new Map<string, Specimen>();
  const asked: { name: string; given: Asked }[] = [];
  let failing: RequestProblem | undefined;

  const idOf = (slug: string) => [...guides].find(([, { id }]) => id === slug)![0];
  const storedGuide = (id: string, guide: Guide, version = 1): StoredGuide => ({
    id,
    slug: guide.id,
    title: guide.title,
    summary: guide.summary,
    group: guide.group,
    area: guide.area,
    version,
    hash: `${id} ${version}`,
    forms: formsOf(guide).length,
    characters: guide.characters.length,
    updatedAt: INSTANT,
    guide,
  });
  const rowOf = (specimen: Specimen): SpecimenRow => ({
    id: specimen.id,
    version: specimen.version,
    guideId: specimen.guideId,
    label: specimen.label,
    place: specimen.situation.place,
    date: specimen.situation.date,
    named: specimen.determinations.length > 0,
    hidden: specimen.hidden,
    summary: specimen.summary,
    readings: specimen.readings.length,
    traits: specimen.guideId ? traitsRead(guides.get(specimen.guideId)!, specimen.readings) : {},
    initials: 'MI',
    updatedAt: specimen.updatedAt,
  });
  const put = (id: string, sent: SpecimenWrite): Specimen => {
    const known = specimens.get(id);
    if (known && known.version !== sent.version) {
      throw new RequestProblem(409, { code: 'stale-version', message: 'Changed elsewhere.', stored: known, sent });
    }
    const guide = sent.guideId ? guides.get(sent.guideId) : undefined;
    const standing = guide && analyse({ guide, situation: sent.situation, readings: sent.readings, judgement: sent.judgement });
    const specimen: Specimen = {
      ...sent,
      id,
      version: (known?.version ?? 0) + 1,
      ...(guide ? { guideVersion: 1 } : {}),
      summary: summarise(guide, standing, sent.determinations),
      createdAt: known?.createdAt ?? INSTANT,
      updatedAt: INSTANT,
    };
    specimens.set(id, specimen);
    return specimen;
  };

  const answers: Record<string, (given: Asked) => unknown> = {
    session: () => ({ account: { id: STATION, name: 'ann' }, station: { id: STATION, name: 'Quell', demo: false } }),
    guides: () => ({ guides: [...guides].map(([id, guide]) => storedGuide(id, guide)) }),
    guide: ({ params }) => storedGuide(params!.id, guides.get(params!.id)!),
    keys: () => ({ keys: [] }),
    lots: () => ({ lots: [] }),
    measurements: () => ({ measurements: [] }),
    pointing: () => ({ sd: 2 }),
    verifications: () => ({ verifications: [] }),
    specimens({ query = {} }) {
      const search = String(query.search ?? '').toLowerCase();
      const found = [...specimens.values()].filter(
        ({ label, summary, hidden, determinations, situation }) =>
          hidden === (query.hidden === 'yes') &&
          (query.named === undefined || (query.named === 'yes') === determinations.length > 0) &&
          [label, summary.name, situation.place].join(' ').toLowerCase().includes(search),
      );
      return { specimens: found.map(rowOf), total: found.length, places: ['Gannet Steps'] };
    },
    specimen({ params }) {
      const specimen = specimens.get(params!.id);
      if (!specimen) throw new RequestProblem(404, { code: 'not-found', message: 'There is no such specimen in this station.' });
      return specimen;
    },
    writeSpecimen: ({ params, body }) => put(params!.id, body as unknown as SpecimenWrite),
  };

  return {
    idOf,
    put,
    asked,
    specimens,
    guides,
    storedGuide,
    /** Answer something else to an endpoint. */
    answer: (name: string, give: (given: Asked) => unknown) => (answers[name] = give),
    fail: (problem?: RequestProblem) => (failing = problem),
    api: async (name: string, given: Asked = {}): Promise<unknown> => {
      asked.push({ name, given });
      if (failing) throw failing;
      if (!answers[name]) throw new Error(`nobody answers ${name} in this test`);
      return structuredClone(await answers[name](given));
    },
  };
}

export type FakeStation = ReturnType<typeof fakeStation>;
export const OFFLINE = new RequestProblem(0, { code: 'offline', message: 'The station’s server cannot be reached.' });
