import type { SpecimenWrite } from '@plesion/contract';
import { keyedBy as cameTo } from '@plesion/core/analysis';
import type { Keyed } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import type { Key } from '@plesion/core/keys';

/** What a specimen's walk says to a guide whose school is the key; undefined before it has ended. */
export const keyedBy = (guide: Guide, key: Key, { walk, ...content }: SpecimenWrite): Keyed | undefined =>
  cameTo({ ...content, guide, ...(walk ? { walk: { key, answers: walk.answers, start: walk.start } } : {}) });
