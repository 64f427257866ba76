import { createClient, type Individual, type IndividualWrite, RequestProblem } from '@plesion/contract';
import type { Colony } from '@plesion/contract/colony';
import { colonyEndpoints } from '@plesion/contract/endpoints/colony';
import { IndividualWrite as IndividualShape } from '@plesion/contract/individuals';
import { type Pairing, type PairingWrite, PairingWrite as PairingShape } from '@plesion/contract/pairings';
import { type Pen, type PenWrite, PenWrite as PenShape } from '@plesion/contract/pens';
import { api, queryClient } from '../../lib/api';
import { createDrafts, type Drafts } from '../../lib/drafts';
import { omit } from '../../lib/omit';
import { plainKind } from '../../lib/plainKind';
import { withWaiting } from './waitingBook';

/** Calls of the keeper's book: their shapes are fetched with its pages. */
export const colonyApi = createClient('', undefined, colonyEndpoints);

/** Where the books lie in the cache: all of them, and one. */
export const COLONIES = ['colonies'] as const;
export const colonyKey = (guideId: string) => ['colony', guideId] as const;

/** What changed is asked for anew. */
export const refreshBook = (guideId: string | undefined, client = queryClient) =>
  Promise.all(
    [COLONIES, ['individual'], guideId === undefined ? ['colony'] : colonyKey(guideId)].map((queryKey) =>
      client.invalidateQueries({ queryKey }),
    ),
  );

/** What was just written stands in the book until that is answered anew: the book as it was before does not show through. */
const standIn = (kind: string, id: string, content: { guideId?: string }) => {
  const { guideId } = content;
  if (guideId !== undefined)
    queryClient.setQueryData<Colony>(colonyKey(guideId), (book) => book && withWaiting(book, guideId, [{ kind, id, content }]));
};

const saved = (kind: string, { id, ...content }: { id: string; guideId?: string }) => {
  standIn(kind, id, content);
  void refreshBook(content.guideId);
};

export const individualDrafts = createDrafts<IndividualWrite, Individual>({
  name: 'individual',
  schema: IndividualShape,
  kind: plainKind((stored) => omit(stored, 'id', 'createdAt', 'updatedAt')),
  send: (id, body) => api('writeIndividual', { params: { id }, body }),
  onSaved: (stored) => saved('individual', stored),
});

export const pairingDrafts = createDrafts<PairingWrite, Pairing>({
  name: 'pairing',
  schema: PairingShape,
  kind: plainKind((stored) => omit(stored, 'id', 'recordedBy', 'createdAt', 'updatedAt')),
  send: (id, body) => colonyApi('writePairing', { params: { id }, body }),
  onSaved: (stored) => saved('pairing', stored),
});

export const penDrafts = createDrafts<PenWrite, Pen>({
  name: 'pen',
  schema: PenShape,
  kind: plainKind((stored) => omit(stored, 'id', 'recordedBy', 'createdAt', 'updatedAt')),
  send: (id, body) => colonyApi('writePen', { params: { id }, body }),
  onSaved: (stored) => saved('pen', stored),
});

export const bookKinds = [individualDrafts, pairingDrafts, penDrafts];

/** Where something written is: with the server, or on this device until that can be reached. */
export type Sent = 'saved' | 'kept-here';

/**
 * Write a record of a book at once; where the server cannot be reached, it is kept on this device and sent later.
 *
 * @throws {RequestProblem} what is wrong with it, by its field; then nothing of it is kept.
 */
export async function sendRecord<C extends { version: number; guideId?: string }, S extends { version: number }>(
  drafts: Drafts<C, S>,
  station: string,
  id: string,
  content: C,
): Promise<Sent> {
  const before = drafts.keptContent(station, id);
  const open = drafts.draftOf(station, id);
  open?.change(() => content);
  const draft = open ?? drafts.startDraft(station, id, content);
  const saving = await draft.flush();
  if (saving.at === 'saved') return 'saved';
  if (saving.at !== 'refused' && saving.at !== 'conflict') {
    standIn(drafts.name, id, content);
    return 'kept-here';
  }
  // Whoever wrote it has it before them still. What was kept before it stays.
  if (before) draft.change(() => before.content);
  else drafts.takeBack(station, id);
  if (saving.at === 'refused')
    throw new RequestProblem(400, { code: 'refused', message: saving.message, ...(saving.field ? { field: saving.field } : {}) });
  throw new RequestProblem(409, {
    code: 'conflict',
    message: 'It was changed elsewhere meanwhile. The newest is fetched: look at it, and write yours once more.',
  });
}
