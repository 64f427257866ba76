import type { KeyValueStore } from '../device';
import type { Outbox } from './outbox';

/** Where earlier versions kept what was not sent: text by `prefix + station + '.' + id`. */
const PREFIXES: Record<string, string> = { 'plesion.draft.': 'specimen', 'plesion.lot.': 'lot', 'plesion.key.': 'key' };

/** Take over what an earlier version kept; it is removed there only once it is kept here. */
export async function takeOver(older: KeyValueStore, outbox: Outbox): Promise<void> {
  for (const key of older.keys()) {
    const prefix = Object.keys(PREFIXES).find((one) => key.startsWith(one));
    const [station, id] = prefix ? key.slice(prefix.length).split('.') : [];
    const kept = prefix && id ? readJson(older.read(key)) : undefined;
    if (!kept) continue;
    await outbox.keep({ station, id, kind: PREFIXES[prefix!], content: kept.content, unanswered: kept.unanswered });
    older.remove(key);
  }
}

function readJson(text: string | undefined): { content: unknown; unanswered?: unknown } | undefined {
  try {
    const value: unknown = JSON.parse(text ?? '');
    return typeof value === 'object' && value !== null && 'content' in value ? value : undefined;
  } catch {
    return undefined;
  }
}
