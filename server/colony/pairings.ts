import type { ColonyMember } from '@plesion/contract/colony';
import type { Pairing, PairingWrite, YoungAnswer, YoungWrite } from '@plesion/contract/pairings';
import { keptOfYoung, pairedInNow, type PenName } from '@plesion/core/colony';
import type { Pairing as Content } from '@plesion/core/colony/schema';
import type { Guide } from '@plesion/core/guide';
import { mixedBy } from '@plesion/core/heredity';
import { strainsOf } from '@plesion/core/pedigree';
import { type PairingRecord, PairingEntity } from '../database/colonyEntities';
import type { Em } from '../database/orm';
import { fieldKind, wireOf, writeField } from '../fieldwork/records';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem } from '../http/errors';
import { writeIndividual } from '../individuals/service';
import { findRecord, type Writer } from '../records/write';
import { membersOf } from './members';
import { penNamesOf } from './pens';

const PAIRING = fieldKind<PairingRecord, PairingWrite>('pairing', PairingEntity, ({ guideId }) => ({ guideId }));

export const findPairing = (em: Em, stationId: string, id: string): Promise<Pairing> => findRecord(em, PAIRING, stationId, id);

/** Pairings of a book, the latest first. */
export async function pairingsOf(em: Em, stationId: string, guideId: string, known?: PenName): Promise<Pairing[]> {
  const rows = await em.find(
    PairingEntity,
    { stationId, guideId, hidden: false },
    { orderBy: { createdAt: 'desc', id: 'desc' } },
  );
  const now = known ?? (await penNamesOf(em, stationId, guideId));
  return rows
    .map((row) => pairedInNow(wireOf<PairingWrite>(row), now))
    .sort((a, b) => (a.from > b.from ? -1 : a.from < b.from ? 1 : 0));
}

const refused = (field: string, code: string, message: string) => badRequest([{ field, code, message }]);

/** Write who was put together. @throws 400 by the field; where strains are mixed that the guide keeps apart, unless it says why. */
export async function writePairing(em: Em, writer: Writer, id: string, sent: PairingWrite): Promise<Pairing> {
  const before = sent.version ? await em.findOne(PairingEntity, { stationId: writer.stationId, id }) : null;
  const { guide } = await findGuide(em, writer.stationId, sent.guideId);
  checkPairing(guide, await membersOf(em, writer.stationId, sent.guideId), sent, before?.content);
  return writeField(em, PAIRING, writer, id, sent);
}

/**
 * @param before as it stood: who is in it already stays, whatever was found out of them since.
 * @throws 400 by the field.
 */
export function checkPairing(guide: Guide, members: readonly ColonyMember[], sent: Content, before?: Content): void {
  const { fathers, mothers, from, until, clutches } = sent;
  const byId = new Map(members.map((one) => [one.id, one]));
  for (const [role, ids, other] of [
    ['fathers', fathers, 'female'],
    ['mothers', mothers, 'male'],
  ] as const)
    ids.forEach((parent, i) => {
      const one = byId.get(parent);
      const field = `${role}[${i}]`;
      if (ids.indexOf(parent) < i) throw refused(field, 'twice', 'This one stands here twice.');
      if (before?.[role].includes(parent)) return;
      if (!one) throw refused(field, 'unknown-individual', 'This one is not in the book of the guide; write it down first.');
      if (one.kept.sex?.called === other && one.kept.sex.certainty === 1)
        throw refused(field, 'wrong-sex', `“${one.name}” is a ${other} for certain. Change that, or leave it out.`);
    });
  const both = fathers.find((one) => mothers.includes(one));
  if (both !== undefined && fathers.length === 1 && mothers.length === 1)
    throw refused('mothers[0]', 'own-mate', 'Nobody is its own mate.');
  if (until !== undefined && until < from) throw refused('until', 'before', `It ends before it began, on ${from}.`);
  clutches.forEach((clutch, i) => {
    const field = `clutches[${i}]`;
    if (clutches.findIndex(({ id }) => id === clutch.id) < i)
      throw refused(`${field}.id`, 'twice', 'This clutch stands here twice.');
    if (clutch.laid < from) throw refused(`${field}.laid`, 'before', `It was laid before they were put together, on ${from}.`);
    if (clutch.hatched !== undefined && clutch.hatched < clutch.laid)
      throw refused(`${field}.hatched`, 'before', `It hatched before it was laid, on ${clutch.laid}.`);
    if (clutch.young !== undefined && clutch.hatched === undefined)
      throw refused(`${field}.hatched`, 'no-day', 'Say on which day they hatched.');
    if ((clutch.young ?? 0) + (clutch.lost ?? 0) > clutch.eggs)
      throw refused(`${field}.young`, 'too-many', `There were ${clutch.eggs} eggs; hatched and lost come to more.`);
  });
  const same = (role: 'fathers' | 'mothers') => before !== undefined && sent[role].every((one) => before[role].includes(one));
  if (sent.override !== undefined || (same('fathers') && same('mothers'))) return;
  const shares = strainsOf(members);
  const rules = guide.heredity?.neverMix ?? [];
  const broken = fathers.flatMap((father) =>
    mothers.flatMap((mother) => mixedBy(rules, shares.get(father) ?? {}, shares.get(mother) ?? {})),
  );
  if (!broken.length) return;
  const [{ strains, why }] = broken;
  throw refused(
    'override',
    'never-mix',
    `${strains.join(' and ')} are kept apart: ${why} Say why they are paired all the same, or pair others.`,
  );
}

/** Write the young of a clutch into the book: all of them, or none. @throws 400 by the field, 409 where the clutch has not hatched. */
export async function writeYoung(em: Em, writer: Writer, id: string, { clutch, young }: YoungWrite): Promise<YoungAnswer> {
  const pairing = await findPairing(em, writer.stationId, id);
  const own = pairing.clutches.find((one) => one.id === clutch);
  if (!own) throw refused('clutch', 'unknown-clutch', 'The pairing has no such clutch; write it down first.');
  if (own.hatched === undefined)
    throw new HttpProblem(409, { code: 'not-hatched', message: 'Say first on which day the clutch hatched.', field: 'clutch' });
  const twice = young.findIndex((one, i) => young.findIndex(({ label }) => label === one.label) < i);
  if (twice >= 0)
    throw refused(`young[${twice}].label`, 'twice', `“${young[twice].label}” stands here twice; give each its own mark.`);
  await em.transactional(async (tx) => {
    for (const [i, one] of young.entries()) {
      const kept = keptOfYoung(pairing, own, one);
      await writeIndividual(tx, writer, one.id, {
        version: 0,
        guideId: pairing.guideId,
        label: one.label,
        hidden: false,
        kept,
      }).catch((error: unknown) => {
        throw error instanceof HttpProblem && error.body.field
          ? new HttpProblem(error.status, { ...error.body, field: `young[${i}].${error.body.field}` })
          : error;
      });
    }
  });
  return { young: young.map(({ id: own, label }) => ({ id: own, label })) };
}
