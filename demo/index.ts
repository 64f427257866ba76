import type { Guide } from '@plesion/core/guide';
import type { Key } from '@plesion/core/keys';
import { ledgeCrabs } from './ledgeCrabs';
import { strandBeetles } from './strandBeetles';
import { selwithKey, tolmarKey } from './strandBeetles/keys';
import { tentCones } from './tentCones';

export { ledgeCrabs, selwithKey, strandBeetles, tentCones, tolmarKey };
export { demoSpecimens, type DemoSpecimen } from './specimens';

/** The guides a new station starts with. */
export const demoGuides: Guide[] = [ledgeCrabs, tentCones, strandBeetles];

/** The keys a new station starts with, each to one of its guides. */
export const demoKeys: Key[] = [selwithKey, tolmarKey];
