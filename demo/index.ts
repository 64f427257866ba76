import type { Guide } from '@plesion/core/guide';
import type { Key } from '@plesion/core/keys';
import { bogUmbels } from './bogUmbels';
import { stepAwayKey } from './bogUmbels/keys';
import { lanternMoths } from './lanternMoths';
import { throughGlassKey } from './lanternMoths/keys';
import { ledgeCrabs } from './ledgeCrabs';
import { oarCaps } from './oarCaps';
import { poolSnails } from './poolSnails';
import { dallowLichens } from './rockLichens';
import { strandBeetles } from './strandBeetles';
import { selwithKey, tolmarKey } from './strandBeetles/keys';
import { tentCones } from './tentCones';
import { terns } from './terns';
import { dallowKey } from './terns/keys';

export {
  bogUmbels,
  dallowKey,
  dallowLichens,
  lanternMoths,
  ledgeCrabs,
  oarCaps,
  poolSnails,
  selwithKey,
  stepAwayKey,
  strandBeetles,
  tentCones,
  terns,
  throughGlassKey,
  tolmarKey,
};
import { harbourSpecimens } from './harbourSpecimens';
import { beetleSpecimens } from './lots';
import { type DemoSpecimen, shoreSpecimens } from './specimens';

export { type DemoFieldwork, demoFieldwork } from './fieldwork';
export { demoLots, type DemoLot } from './lots';
export { type DemoSpecimen };

/** The daybook of the demo station. */
export const demoSpecimens: DemoSpecimen[] = [...harbourSpecimens, ...shoreSpecimens, ...beetleSpecimens];

/** The guides a new station starts with. */
export const demoGuides: Guide[] = [terns, bogUmbels, lanternMoths, ledgeCrabs, tentCones, strandBeetles];

/** The keys a new station starts with, each to one of its guides. */
export const demoKeys: Key[] = [selwithKey, tolmarKey, dallowKey, stepAwayKey, throughGlassKey];
