import { RequestProblem, type Specimen, type SpecimenWrite } from '@plesion/contract';
import { api, queryClient } from '../../lib/api';
import { device } from '../../lib/device';
import { createDraft, type Draft, contentOf, type Kept } from './draft';

const PREFIX = 'plesion.draft.';
const drafts = new Map<string, Draft>();

const keyOf = (station: string, id: string) => `${PREFIX}${station}.${id}`;

function remember(specimen: Specimen): void {
  queryClient.setQueryData(['specimen', specimen.id], specimen);
  void queryClient.invalidateQueries({ queryKey: ['specimens'] });
}

/** Whoever was signed out meanwhile is shown the door; what they wrote stays on the device. */
async function send(id: string, body: SpecimenWrite): Promise<Specimen> {
  try {
    return await api('writeSpecimen', { params: { id }, body });
  } catch (error) {
    if (error instanceof RequestProblem && error.status === 401) void queryClient.invalidateQueries({ queryKey: ['session'] });
    throw error;
  }
}

function open(station: string, id: string, { content, unanswered }: Kept, dirty: boolean): Draft {
  const draft = createDraft({
    id,
    content,
    dirty,
    unanswered,
    keeper: device,
    key: keyOf(station, id),
    send,
    onSaved: remember,
  });
  drafts.set(keyOf(station, id), draft);
  return draft;
}

/** What this device holds of a specimen and has not been able to send. */
export function keptContent(station: string, id: string): Kept | undefined {
  const text = device.read(keyOf(station, id));
  return text === undefined ? undefined : (JSON.parse(text) as Kept);
}

/** The draft of a specimen: one already open, what the device kept, or what the server has. */
export function draftOf(station: string, id: string, stored?: Specimen): Draft | undefined {
  const known = drafts.get(keyOf(station, id));
  if (known) {
    const { saving, content } = known.get();
    if (!stored || saving.at !== 'saved' || stored.version <= content.version) return known;
  }
  const kept = keptContent(station, id);
  if (kept) {
    const draft = open(station, id, kept, true);
    void draft.flush();
    return draft;
  }
  return stored && open(station, id, { content: contentOf(stored) }, false);
}

/** A new specimen, kept here and sent at once. */
export function startDraft(station: string, id: string, content: SpecimenWrite): Draft {
  const draft = open(station, id, { content }, true);
  device.write(keyOf(station, id), JSON.stringify({ content } satisfies Kept));
  void draft.flush();
  return draft;
}

/** Ids of the specimens of a station with changes that only this device has. */
export function unsentIds(station: string): string[] {
  const start = keyOf(station, '');
  return device
    .keys()
    .filter((key) => key.startsWith(start))
    .map((key) => key.slice(start.length));
}

/** Try to send everything that waits. */
export async function sendUnsent(station: string): Promise<void> {
  for (const id of unsentIds(station)) await draftOf(station, id)?.flush();
}
