import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { fieldPath, readGuide, unfolded } from '@plesion/core/guide';
import { checkSent } from '../http/body';
import { HttpProblem } from '../http/errors';
import { contentHash } from '../records/contentHash';
import { formatOf } from '../photos/formats';
import { fileOf, type Manifest, PART_NAMES, type PartName, PARTS, photoFile, attachmentFile, type Row } from './parts';
import { Refused } from './refused';

/** What rows refer to, as far as it was met. */
class Known {
  readonly guides = new Map<string, { slug: string; version: number; hash: string }>();
  readonly guideVersions = new Map<string, string>();
  readonly keys = new Map<string, number>();
  readonly keyVersions = new Set<string>();
  readonly individuals = new Set<string>();
  readonly photos = new Set<string>();
  readonly attachments = new Set<string>();
  readonly specimens = new Set<string>();
  readonly lots = new Set<string>();
  readonly sites = new Set<string>();
  readonly visits = new Set<string>();
  readonly sets = new Set<string>();
  readonly attempts = new Set<string>();
  readonly drafts = new Set<string>();
  readonly asks = new Set<string>();
  readonly threads = new Set<string>();
  seq = 0;
}

/** Says why a row cannot be; `undefined` where it can. What is given is right in itself already. */
type Check<N extends PartName> = (row: Row<N>, known: Known) => string | undefined;

const guideOf = (id: string | null, known: Known) =>
  id !== null && !known.guides.has(id) ? `guide ${id} is not in the archive` : undefined;
const walkOf = (walk: { keyId: string; keyVersion: number } | null, known: Known) =>
  walk && !known.keyVersions.has(`${walk.keyId} ${walk.keyVersion}`) ? `its key ${walk.keyId} is not in the archive` : undefined;
const photoOf = (hash: string | null, known: Known) =>
  hash !== null && !known.photos.has(hash) ? `photo ${hash} is not in the archive` : undefined;

const CHECKS: { [N in PartName]: Check<N> } = {
  guides({ id, slug, version, hash }, { guides }) {
    guides.set(id, { slug, version, hash });
    return undefined;
  },
  guide_versions({ guide_id, version, hash, content }, { guides, guideVersions }) {
    const read = readGuide(content);
    if (!read.ok) return `content.${read.problems[0].field ?? ''}: ${read.problems[0].message}`;
    if (contentHash(content) !== hash) return 'its hash is not that of its content';
    const guide = guides.get(guide_id);
    if (!guide) return `guide ${guide_id} is not in the archive`;
    if (guide.slug !== read.value.id) return `its guide’s id is “${guide.slug}”`;
    guideVersions.set(`${guide_id} ${version}`, hash);
    return undefined;
  },
  guide_sharing: ({ guide_id }, known) => guideOf(guide_id, known),
  keys({ id, guide_id, version }, known) {
    known.keys.set(id, version);
    return guideOf(guide_id, known);
  },
  key_versions({ key_id, version }, { keys, keyVersions }) {
    keyVersions.add(`${key_id} ${version}`);
    return keys.has(key_id) ? undefined : `key ${key_id} is not in the archive`;
  },
  individuals({ id, guide_id }, known) {
    known.individuals.add(id);
    return guideOf(guide_id, known);
  },
  photos({ hash }, { photos }) {
    photos.add(hash);
    return undefined;
  },
  attachments({ hash }, { attachments }) {
    attachments.add(hash);
    return undefined;
  },
  specimens({ id, guide_id, guide_version, individual_id, walk, photo }, known) {
    known.specimens.add(id);
    if (guide_version !== null && !known.guideVersions.has(`${guide_id} ${guide_version}`))
      return `version ${guide_version} of its guide is not in the archive`;
    if (individual_id !== null && !known.individuals.has(individual_id)) return 'its individual is not in the archive';
    return guideOf(guide_id, known) ?? walkOf(walk, known) ?? photoOf(photo, known);
  },
  media({ specimen_id, hash }, known) {
    return known.specimens.has(specimen_id) ? photoOf(hash, known) : 'its specimen is not in the archive';
  },
  lots({ id, guide_id, walk }, known) {
    known.lots.add(id);
    return guideOf(guide_id, known) ?? walkOf(walk, known);
  },
  lot_specimens({ lot_id, specimen_id }, { lots, specimens }) {
    return lots.has(lot_id) && specimens.has(specimen_id) ? undefined : 'its lot or its specimen is not in the archive';
  },
  measurements({ specimen_id, photo }, known) {
    return known.specimens.has(specimen_id) ? photoOf(photo, known) : 'its specimen is not in the archive';
  },
  sites({ id }, { sites }) {
    sites.add(id);
    return undefined;
  },
  visits({ id, site_id, content }, { sites, visits }) {
    visits.add(id);
    if (content.siteId !== site_id) return 'its site is not the one it says';
    return sites.has(site_id) ? undefined : `site ${site_id} is not in the archive`;
  },
  captures({ visit_id, mark, what, content }, known) {
    if (content.visitId !== visit_id || (content.mark ?? null) !== mark || content.what !== what)
      return 'what it is found by is not what it says';
    if (!known.visits.has(visit_id)) return `visit ${visit_id} is not in the archive`;
    return guideOf(content.guideId ?? null, known) ?? photoOf(content.photo ?? null, known);
  },
  strings: () => undefined,
  counts({ site_id }, { sites }) {
    return site_id === null || sites.has(site_id) ? undefined : `site ${site_id} is not in the archive`;
  },
  sheets: () => undefined,
  drafts({ id, guide_id, version, behind }, known) {
    known.drafts.add(id);
    if (behind > version) return 'it is further behind than it was ever changed';
    return guide_id === null ? undefined : guideOf(guide_id, known);
  },
  draft_edits: ({ draft_id }, { drafts }) => (drafts.has(draft_id) ? undefined : `draft ${draft_id} is not in the archive`),
  draft_reviews: ({ draft_id }, { drafts }) => (drafts.has(draft_id) ? undefined : `draft ${draft_id} is not in the archive`),
  pairings({ guide_id, content }, known) {
    return content.guideId === guide_id ? guideOf(guide_id, known) : 'its guide is not the one it says';
  },
  pens({ guide_id, content }, known) {
    return content.guideId === guide_id ? guideOf(guide_id, known) : 'its guide is not the one it says';
  },
  imports: () => undefined,
  office_files: () => undefined,
  recoveries: () => undefined,
  base_maps: () => undefined,
  checklists: () => undefined,
  checklist_names: () => undefined,
  corrections: () => undefined,
  practice_answers: ({ guide_id }, known) => guideOf(guide_id, known),
  practice_sets({ id, guide_id }, known) {
    known.sets.add(id);
    return guideOf(guide_id, known);
  },
  verifications({ specimen_id, individual_id, photo, file_hash }, known) {
    if (specimen_id !== null && !known.specimens.has(specimen_id)) return 'its specimen is not in the archive';
    if (individual_id !== null && !known.individuals.has(individual_id)) return 'its individual is not in the archive';
    if (file_hash !== null && !known.attachments.has(file_hash)) return `file ${file_hash} is not in the archive`;
    return photoOf(photo, known);
  },
  opinion_asks({ id, specimen_id }, { specimens, asks }) {
    asks.add(id);
    return specimens.has(specimen_id) ? undefined : 'its specimen is not in the archive';
  },
  opinions: ({ ask_id }, { asks }) => (asks.has(ask_id) ? undefined : `asking ${ask_id} is not in the archive`),
  reviews: ({ specimen_id }, { specimens }) => (specimens.has(specimen_id) ? undefined : 'its specimen is not in the archive'),
  stock_answers: ({ guide_id }, known) => guideOf(guide_id, known),
  remarks({ id, specimen_id, reply_to, place }, known) {
    if (!known.specimens.has(specimen_id)) return 'its specimen is not in the archive';
    if (reply_to === null) known.threads.add(id);
    else if (!known.threads.has(reply_to)) return `what it replies to, ${reply_to}, is not in the archive`;
    return photoOf(place?.photo ?? null, known);
  },
  practice_attempts({ set_id, account }, { sets, attempts }) {
    attempts.add(`${set_id} ${account}`);
    return sets.has(set_id) ? undefined : `set ${set_id} is not in the archive`;
  },
  practice_set_answers: ({ set_id, account }, { attempts }) =>
    attempts.has(`${set_id} ${account}`) ? undefined : `${account} has not begun set ${set_id}`,
  earlier_states: () => undefined,
  deeds: () => undefined,
  changes({ seq }, known) {
    if (seq <= known.seq) return 'changes are not in their order';
    known.seq = seq;
    return undefined;
  },
};

/** Once all versions are read: is each head’s newest there, and what it says it is? */
function checkHeads({ guides, guideVersions, keys, keyVersions }: Known): void {
  for (const [id, { version, hash }] of guides) {
    if (guideVersions.get(`${id} ${version}`) !== hash)
      throw unfit('guides', 0, `the newest version of guide ${id} is not in the archive`);
  }
  for (const [id, version] of keys) {
    if (!keyVersions.has(`${id} ${version}`)) throw unfit('keys', 0, `the newest version of key ${id} is not in the archive`);
  }
}

const unfit = (name: PartName, line: number, why: string) =>
  new Refused('archive-unfit', `${fileOf(name)}${line ? `, line ${line}` : ''}: ${why}. Nothing was imported.`);

/**
 * Hold every row of an unpacked archive against its shape and against what it refers to.
 *
 * @returns its photos and other files; those that are lost are left away.
 * @throws {Refused} with file and line of the first that does not fit.
 */
export async function checkRows(folder: string, manifest: Manifest, onProgress: (share: number) => void) {
  const known = new Known();
  const all = PART_NAMES.reduce((sum, name) => sum + manifest.parts[name].rows, 0);
  let seen = 0;
  for (const name of PART_NAMES) {
    let line = 0;
    for await (const text of createInterface({ input: createReadStream(join(folder, fileOf(name))), crlfDelay: Infinity })) {
      line++;
      if (++seen % 100 === 0) onProgress(Math.min(1, seen / all) * 0.8);
      const why = checkRow(name, text, known);
      if (why) throw unfit(name, line, why);
    }
    if (line !== manifest.parts[name].rows)
      throw unfit(name, 0, `it should have ${manifest.parts[name].rows} lines, and has ${line}`);
    if (name === 'key_versions') checkHeads(known);
  }
  const photos = await checkPhotos(folder, [...known.photos], (share) => onProgress(0.8 + share * 0.2));
  return { photos, attachments: await checkAttachments(folder, [...known.attachments]) };
}

function checkRow<N extends PartName>(name: N, text: string, known: Known): string | undefined {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return 'it is not JSON';
  }
  try {
    checkSent(json, 'the line');
  } catch (error) {
    if (error instanceof HttpProblem) return error.body.message.replace(/\.$/, '');
    throw error;
  }
  const parsed = PARTS[name].row.safeParse(json);
  if (!parsed.success) {
    const [{ path, message }] = unfolded(parsed.error.issues, 1);
    return `${fieldPath(path) || 'the line'}: ${message}`;
  }
  return CHECKS[name](parsed.data as Row<N>, known);
}

async function checkPhotos(folder: string, photos: readonly string[], onProgress: (share: number) => void) {
  const there: { hash: string; original: boolean }[] = [];
  for (const [i, hash] of photos.entries()) {
    onProgress(i / photos.length);
    const [original, whole, thumb] = await Promise.all(
      (['original', 'whole', 'thumb'] as const).map((size) =>
        readFile(join(folder, photoFile(hash, size))).catch(() => undefined),
      ),
    );
    if (!whole?.length || !thumb?.length) continue;
    if (formatOf(whole) !== 'jpeg' || formatOf(thumb) !== 'jpeg')
      throw new Refused('archive-unfit', `photos/${hash}: what is to be shown is not a JPEG. Nothing was imported.`);
    const own = original !== undefined && createHash('sha256').update(original).digest('hex') === hash;
    // Where the file as it was sent was never kept, what is shown stands in its place.
    if (original?.length && !own && !original.equals(whole))
      throw new Refused('archive-damaged', `photos/${hash}: the original is not what was written. Nothing was imported.`);
    if (own && !formatOf(original))
      throw new Refused('archive-unfit', `photos/${hash}: the original is not a photo. Nothing was imported.`);
    there.push({ hash, original: own });
  }
  return there;
}

async function checkAttachments(folder: string, attachments: readonly string[]): Promise<string[]> {
  const there: string[] = [];
  for (const hash of attachments) {
    const file = await readFile(join(folder, attachmentFile(hash))).catch(() => undefined);
    if (!file?.length) continue;
    if (createHash('sha256').update(file).digest('hex') !== hash)
      throw new Refused('archive-damaged', `${attachmentFile(hash)}: the file is not what was written. Nothing was imported.`);
    there.push(hash);
  }
  return there;
}
