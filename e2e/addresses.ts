import type { Page } from 'playwright-core';

/** No record has this id. */
const GONE = '00000000-0000-4000-8000-000000000000';

/** Every address, with records of the demo in it. */
export async function addresses(page: Page, url: string): Promise<string[]> {
  const get = async <T>(path: string) => (await (await page.request.get(`${url}${path}`)).json()) as T;
  const { specimens } = await get<{ specimens: { id: string; guideId?: string; readings: number }[] }>('/api/specimens');
  const { guides } = await get<{ guides: { id: string; slug: string }[] }>('/api/guides');
  const { keys } = await get<{ keys: { id: string; guideId?: string }[] }>('/api/keys');
  const { lots } = await get<{ lots: { id: string }[] }>('/api/lots');
  const { captures } = await get<{ captures: { id: string; mark?: string }[] }>('/api/captures?limit=20');
  const { visits } = await get<{ visits: { id: string }[] }>('/api/visits');
  const { counts } = await get<{ counts: { id: string; kind: string }[] }>('/api/counts');
  const { sites } = await get<{ sites: { id: string }[] }>('/api/sites');
  const { sets } = await get<{ sets: { id: string }[] }>('/api/practice/sets');
  const { waiting } = await get<{ waiting: { id: string }[] }>('/api/opinions/waiting');
  const ringed = captures.find(({ mark }) => mark)!;
  const specimen = `/specimens/${specimens.find(({ guideId, readings }) => guideId && readings > 2)!.id}`;
  const crabs = guides.find(({ slug }) => slug === 'ledge-crabs')!.id;
  const guide = `/guides/${crabs}`;
  const moths = guides.find(({ slug }) => slug === 'lantern-moths')!.id;
  const colony = await get<{ members: { id: string }[] }>(`/api/guides/${moths}/colony`);
  const { drafts } = await get<{ drafts: { id: string }[] }>('/api/drafts');
  const key = `/keys/${keys.find(({ guideId }) => guideId)!.id}`;
  return [
    ...[
      '/',
      '/account',
      '/people',
      '/audit',
      '/calibration',
      '/opinions',
      '/review',
      `/opinions/${waiting[0].id}`,
      '/appearance',
      '/bench',
      '/guides',
      '/guides/learn',
      guide,
    ],
    ...[
      'characters',
      'character?character=abdomen',
      'taxa',
      'wall',
      'words',
      'own',
      'versions',
      'form?form=murica',
      'compare',
      'practice',
    ].map((one) => `${guide}/${one}`),
    ...[
      `/keys/make?guide=${crabs}`,
      '/keys/read',
      '/guides/write',
      `/guides/write/${drafts[0].id}`,
      `/keys/guide?key=${key.slice(6)}`,
      key,
      `${key}/edit`,
      `${key}/walk`,
      '/lots',
      `/lots/${lots[0].id}`,
    ],
    ...[
      '/specimens/new',
      specimen,
      `${specimen}/bench`,
      `${specimen}/name`,
      `${specimen}/situation`,
      `${specimen}/measure`,
      '/field',
      '/field/visits/new',
      `/field/visits/${visits[2].id}`,
      `/field/catch?visit=${visits[0].id}`,
      `/field/captures/${ringed.id}`,
      `/field/rings/${encodeURIComponent(ringed.mark!)}`,
      '/field/strings',
      '/field/sheet',
      '/field/import',
      '/field/checklists',
      '/field/marks',
      '/field/map',
      '/field/office',
      '/field/sums',
      '/field/lists',
      '/field/counts',
      '/field/colony',
      `/field/colony/new?guide=${moths}`,
      `/field/colony/pedigree?guide=${moths}`,
      `/field/colony/pairs?guide=${moths}&goal=${encodeURIComponent('show morph pale')}`,
      `/field/colony/pairings/new?guide=${moths}`,
      `/field/colony/ahead?guide=${moths}`,
      `/field/colony/${colony.members[20].id}`,
      ...['inventory', 'transect', 'flock'].map((kind) => `/field/counts/${counts.find((one) => one.kind === kind)!.id}`),
      `/field/sites/${sites[0].id}`,
      '/practice',
      '/practice/sets',
      `/practice/sets/new?guide=${crabs}`,
      `/practice/sets/${sets[0].id}`,
      `/practice/sets/${sets[0].id}/results`,
      `/practice/${crabs}`,
      '/nowhere',
      // What is not there, or no longer.
      ...['/specimens', '/lots', '/guides', '/keys', '/field/visits'].map((kind) => `${kind}/${GONE}`),
    ],
  ];
}

/** Where a danger stands above everything, room is scarcest. */
export async function danger(page: Page, url: string): Promise<string> {
  const get = async <T>(path: string) => (await (await page.request.get(`${url}${path}`)).json()) as T;
  const { guides } = await get<{ guides: { id: string; slug: string }[] }>('/api/guides');
  const { specimens } = await get<{ specimens: { id: string; guideId?: string }[] }>('/api/specimens');
  const cones = guides.find(({ slug }) => slug === 'tent-cones')!.id;
  return `/specimens/${specimens.find(({ guideId }) => guideId === cones)!.id}/bench`;
}
