/**
 * Who may know whom. Each room lists the rooms it may import; everything else is a
 * wall that the linter keeps (`import-x/no-restricted-paths`), beside `no-cycle`.
 */

/** core/<room>: the rooms of the core below it; `problem.ts`, `shape.ts` and `stableJson.ts` are everybody's. */
const core = {
  probability: [],
  linear: [],
  guide: ['probability', 'linear'],
  observation: ['guide'],
  evidence: ['probability', 'linear', 'guide', 'observation'],
  plates: ['probability', 'guide', 'observation'],
  camera: ['probability', 'guide', 'observation', 'plates'],
  measure: ['probability', 'linear', 'guide', 'observation'],
  verification: ['probability', 'guide', 'observation', 'evidence'],
  sdd: [],
  keys: ['probability', 'guide', 'observation', 'evidence', 'sdd'],
  specimen: ['guide', 'observation', 'evidence', 'keys'],
  analysis: [
    'probability',
    'guide',
    'observation',
    'evidence',
    'keys',
    'compare',
    'verification',
    'opinions',
    'review',
    'own',
    'heredity',
    'authoring',
    'specimen',
  ],
  earlier: [],
  heredity: ['probability', 'guide'],
  pedigree: ['guide', 'heredity'],
  colony: ['guide', 'observation', 'fieldwork'],
  opinions: ['guide', 'observation', 'specimen'],
  review: ['guide', 'observation', 'evidence', 'specimen', 'verification'],
  own: ['probability', 'guide', 'observation', 'verification'],
  compare: ['probability', 'linear', 'guide', 'observation', 'evidence', 'plates'],
  learn: ['probability', 'linear', 'guide'],
  authoring: ['probability', 'guide', 'observation', 'evidence', 'keys', 'earlier', 'sdd'],
  book: ['guide', 'evidence', 'plates'],
  page: ['guide', 'observation', 'evidence', 'compare', 'plates', 'specimen'],
  fieldwork: ['probability', 'guide', 'observation'],
  import: ['fieldwork', 'guide', 'observation'],
  practice: ['probability', 'linear', 'guide', 'observation', 'evidence', 'camera', 'keys', 'plates', 'verification'],
  formats: ['fieldwork', 'guide', 'measure', 'observation', 'plates', 'specimen'],
};

/** app/features/<capability>: records below analysis below the screens. */
const features = {
  session: [],
  records: ['session'],
  plates: ['photos', 'records'],
  photos: ['session'],
  figures: ['photos'],
  learn: [],
  booklet: [],
  firstLook: [],
  appearance: ['session'],
  station: [],
  account: ['passkeys', 'session', 'station'],
  passkeys: ['session'],
  people: ['session'],
  audit: ['earlier'],
  earlier: [],
  colony: ['daybook', 'measure', 'plates', 'records', 'session', 'verification'],
  door: ['passkeys', 'session', 'plates', 'records'],
  practice: ['glossary', 'photos', 'plates', 'records', 'session'],
  sets: ['plates', 'practice', 'records', 'session'],
  analysis: ['records'],
  reading: ['analysis', 'plates', 'records'],
  glossary: ['plates', 'records'],
  judgement: ['analysis', 'records', 'session'],
  compare: ['analysis', 'figures', 'plates', 'records'],
  keys: ['glossary', 'plates', 'records', 'session'],
  book: ['analysis', 'booklet', 'compare', 'figures', 'glossary', 'judgement', 'keys', 'learn', 'plates', 'records'],
  guides: ['book', 'keys', 'plates', 'records'],
  lots: ['guides', 'keys', 'plates', 'records', 'session'],
  walk: ['analysis', 'glossary', 'judgement', 'keys', 'lots', 'plates', 'reading', 'records', 'session'],
  measure: ['analysis', 'judgement', 'photos', 'plates', 'records', 'session'],
  tempo: ['analysis', 'judgement', 'plates', 'records', 'session'],
  beside: ['analysis', 'compare', 'judgement', 'measure', 'photos', 'plates', 'records', 'session'],
  bench: ['analysis', 'compare', 'judgement', 'keys', 'photos', 'plates', 'reading', 'records', 'session', 'verification'],
  determination: ['analysis', 'judgement', 'photos', 'records', 'session', 'verification'],
  verification: ['analysis', 'records', 'session'],
  answers: ['records', 'session'],
  conversation: ['photos', 'session'],
  opinions: ['conversation', 'people', 'records', 'review', 'session'],
  review: ['photos', 'plates', 'records', 'session'],
  own: ['records', 'session'],
  specimen: [
    'analysis',
    'answers',
    'compare',
    'conversation',
    'guides',
    'judgement',
    'keys',
    'measure',
    'opinions',
    'photos',
    'plates',
    'records',
    'review',
    'session',
    'verification',
  ],
  field: ['photos', 'plates', 'reading', 'records', 'session', 'verification'],
  import: ['field', 'records', 'session'],
  office: ['field', 'records', 'session'],
  map: ['field', 'records', 'session'],
  shell: ['door', 'records', 'session'],
  kit: ['shell'],
  authoring: ['photos', 'plates', 'records', 'session'],
  daybook: ['firstLook', 'plates', 'records', 'session', 'shell'],
};

/** The rooms of the house. */
const rooms = {
  core: [],
  contract: ['core'],
  demo: ['contract', 'core'],
  server: ['contract', 'core', 'demo'],
  app: ['contract', 'core', 'demo'],
  e2e: ['contract', 'core', 'demo', 'server', 'scripts'],
  bench: ['contract', 'core', 'demo', 'server', 'e2e', 'scripts'],
};

const within = (base, map, shared) =>
  Object.entries(map).map(([room, below]) => ({
    target: `./${base}/${room}`,
    from: `./${base}`,
    except: [room, ...below, ...shared].map((name) => `./${name}`),
    message: `${base}/${room} knows only ${below.join(', ') || 'itself'}; see eslint.walls.mjs.`,
  }));

const between = Object.entries(rooms).flatMap(([room, below]) =>
  Object.keys({ ...rooms, scripts: [] })
    .filter((other) => other !== room && !below.includes(other))
    .map((other) => ({ target: `./${room}`, from: `./${other}`, message: `${room} does not know ${other}` })),
);

export const walls = [
  ...between,
  ...within('core', core, ['problem.ts', 'shape.ts', 'stableJson.ts']),
  ...within('app/features', features, []),
];
