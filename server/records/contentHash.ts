import { createHash } from 'node:crypto';
import { stableJson } from '@plesion/core';

/** Hash of what a record holds, whatever the order its JSON came in: SHA-256 in hex. */
export const contentHash = (content: unknown): string => createHash('sha256').update(stableJson(content)).digest('hex');
