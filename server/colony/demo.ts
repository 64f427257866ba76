import type { SpecimenWrite } from '@plesion/contract';
import { type DemoKept, type DemoLook, demoColony, demoLooks, demoPairings, demoPens, demoWeights } from '@plesion/demo/colony';
import type { Kept } from '@plesion/core/colony/schema';
import type { Em } from '../database/orm';
import { IndividualEntity } from '../database/entities';
import { writeIndividual } from '../individuals/service';
import type { Parts } from '../parts';
import type { Caller } from '../http/route';
import { writeSpecimen } from '../specimens/service';
import { idOf } from '../verifications/demoRecords';
import { writePairing } from './pairings';
import { writePen } from './pens';

const idFor = (no: number): string => idOf(485, no);
const pairingFor = (no: number): string => idOf(486, no);
const penFor = (no: number): string => idOf(488, no);
const lookFor = (no: number): string => idOf(489, no);
const clutchFor = (no: number, i: number): string => idOf(487, 100 * no + i);

/** The moth cages of the demo, made once; what visitors wrote in them stays. */
export async function putDemoColony(
  em: Em,
  { weighing }: Pick<Parts, 'weighing'>,
  writer: Caller,
  guides: ReadonlyMap<string, string>,
): Promise<void> {
  const guideId = guides.get('lantern-moths');
  if (!guideId || (await em.count(IndividualEntity, { stationId: writer.stationId, id: idFor(demoColony[0].no) }))) return;
  for (const one of demoColony)
    await writeIndividual(em, writer, idFor(one.no), {
      ...{ version: 0, guideId, label: `Moth ${one.no}`, hidden: false, kept: keptOf(one) },
      ...(one.note ? { note: one.note } : {}),
    });
  for (const { no, ...pen } of demoPens) await writePen(em, writer, penFor(no), { version: 0, hidden: false, guideId, ...pen });
  for (const { no, fathers, mothers, clutches, ...more } of demoPairings)
    await writePairing(em, writer, pairingFor(no), {
      ...{ version: 0, hidden: false, guideId, ...more, fathers: fathers.map(idFor), mothers: mothers.map(idFor) },
      clutches: clutches.map((clutch, i) => ({ id: clutchFor(no, i), ...clutch })),
    });
  for (const look of demoLooks) await writeSpecimen(em, weighing, writer, lookFor(look.no), lookedAt(look, guideId));
}

/** What was read of one of the cages. */
function lookedAt({ no, on, antenna, claspers, wing }: DemoLook, guideId: string): SpecimenWrite {
  const state = (character: string, seen: string) => ({ id: `${character}-1`, character, states: [seen] });
  return {
    ...{ version: 0, guideId, hidden: false, individualId: idFor(no), label: `Moth ${no}`, determinations: [] },
    situation: {
      ...{ subject: 'live', views: ['spread', 'below'], distance: 'hand', light: 'lamp', handling: 'instrument' },
      ...{ place: 'Breeding room', region: 'quell-harbour', habitat: 'cage', date: on },
    },
    readings: [
      ...(antenna
        ? [state('antenna', antenna)]
        : [{ id: 'antenna-1', character: 'antenna', status: 'not-visible' as const, reason: 'worn off' }]),
      ...(claspers ? [state('bulge', claspers)] : []),
      { id: 'wing-length-1', character: 'wing-length', value: wing, error: 0.4 },
    ],
  };
}

/** The clutch of a pairing that one is of, where it is written down. */
function clutchOf({ hatched, father, fathers, mother }: DemoKept): { clutch?: string } {
  const own = [fathers ?? father ?? []].flat();
  for (const pairing of demoPairings) {
    const i = pairing.clutches.findIndex((one) => one.hatched === hatched);
    if (i >= 0 && mother !== undefined && pairing.mothers.includes(mother) && own.every((one) => pairing.fathers.includes(one)))
      return { clutch: clutchFor(pairing.no, i) };
  }
  return {};
}

const keptOf = (one: DemoKept): Kept => {
  const { sex, certainty = 1, hatched, father, fathers, mother, strain, pen, status = 'here', morph, seenRightly } = one;
  const weights = demoWeights[one.no];
  return {
    ...(sex ? { sex: { called: sex, certainty } } : {}),
    ...{ hatched, strain, pen, status },
    ...clutchOf(one),
    ...(weights ? { weights: [...weights] } : {}),
    ...(father === undefined ? {} : { father: idFor(father) }),
    ...(fathers ? { fathers: fathers.map(idFor) } : {}),
    ...(mother === undefined ? {} : { mother: idFor(mother) }),
    phenotypes: morph ? { morph: seenRightly === undefined ? morph : { states: [morph], certainty: seenRightly } } : {},
  };
};
