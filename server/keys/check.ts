import type { Guide } from '@plesion/core/guide';
import type { Key } from '@plesion/core/keys';
import { type CheckedKey, checkKey } from '@plesion/core/keys/exchange';
import { LRUCache } from 'lru-cache';
import type { AnalysisPool } from '../analysis/pool';

/** Finds what is wrong with a key; `hash` is that of its content. */
export type KeyCheck = (key: Key, hash: string, behind?: { guide: Guide; hash: string }) => Promise<CheckedKey>;

/** What was found in keys, by the content of key and guide: neither changes. */
const found = new LRUCache<string, CheckedKey>({ max: 500 });

/** Off the thread that answers: a key of thousands of couplets takes seconds. */
export const checkInThread =
  (pool: AnalysisPool, stationId: string): KeyCheck =>
  async (key, hash, behind) => {
    const content = `${hash} ${behind?.hash ?? ''}`;
    const known = found.get(content) ?? (await pool.ask(stationId, 'checkKey', { key }, behind));
    found.set(content, known);
    return known;
  };

/** For keys that are known to be small: those that every station starts with. */
export const checkHere: KeyCheck = async (key, _hash, behind) => checkKey(key, behind?.guide);
