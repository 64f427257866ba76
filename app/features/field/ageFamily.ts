import { done, failed, type Outcome } from '@plesion/core';
import type { AgeFamily } from '@plesion/core/fieldwork';
import { AgeFamily as Shape } from '@plesion/core/fieldwork/schema';
import { v7 as mintId } from 'uuid';

/** Codes of a family as they are typed: one a line, its parts between semicolons. */
export const writtenFamily = ({ codes }: AgeFamily): string =>
  codes.map(({ code, label, from, to }) => [code, label, from, ...(to === undefined ? [] : [to])].join('; ')).join('\n');

interface TypedFamily {
  /** Of a family that is changed. */
  id?: string;
  label: string;
  reference: string;
  codes: string;
}

/** A family of age codes of what was typed, or the first line that is none. */
export function familyTyped({ id, label, reference, codes }: TypedFamily, families: readonly AgeFamily[]): Outcome<AgeFamily> {
  const wrong = (message: string, field: string) => failed({ code: 'bad-family', message, field });
  if (!label.trim()) return wrong('Give the family a name.', 'label');
  if (families.some((one) => one.label === label.trim() && one.id !== id))
    return wrong('There is a family of that name already.', 'label');
  const lines = codes.split('\n').filter((line) => line.trim());
  if (!lines.length) return wrong('Write its codes, one a line.', 'codes');
  const read: AgeFamily['codes'] = [];
  for (const line of lines) {
    const [code = '', says = '', least = '', most = ''] = line.split(';').map((part) => part.trim());
    const [from, to] = [Number(least), Number(most)];
    if (!code || !says || !/^\d+$/.test(least) || (most !== '' && !/^\d+$/.test(most)))
      return wrong(`“${line.trim()}” is no code: write it as “J; hatched this year; 0; 0”.`, 'codes');
    if (most !== '' && to < from) return wrong(`“${line.trim()}”: at most is less than at least.`, 'codes');
    if (read.some((one) => one.code === code)) return wrong(`The code ${code} stands twice.`, 'codes');
    read.push({ code, label: says, from, ...(most === '' ? {} : { to }) });
  }
  const family = Shape.safeParse({ id: id ?? mintId(), label: label.trim(), reference: reference.trim(), codes: read });
  return family.success ? done(family.data) : wrong(`${family.error.issues[0].message}.`, String(family.error.issues[0].path[0]));
}
