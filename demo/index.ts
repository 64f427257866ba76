import type { Guide } from '@plesion/core/guide';
import { ledgeCrabs } from './ledgeCrabs';
import { tentCones } from './tentCones';

export { ledgeCrabs, tentCones };
export { demoSpecimens, type DemoSpecimen } from './specimens';

/** The guides a new station starts with. */
export const demoGuides: Guide[] = [ledgeCrabs, tentCones];
