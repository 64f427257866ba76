import type { Session } from '@plesion/contract';
import { z } from 'zod';
import { page } from '../../lib/device';
import { keptIn } from '../../lib/kept';

/** Whose session ended by itself, and on which page they were. */
const kept = keptIn(page, 'plesion.lapsed', z.object({ station: z.string(), account: z.string(), at: z.string() }));

const here = () => (typeof window === 'undefined' || !window.location ? '/' : window.location.pathname + window.location.search);

/** A session has ended that nobody ended: who comes back finds the page and what they typed. */
export const noteLapsed = ({ station, account }: Session): void =>
  void kept.keep({ station: station.id, account: account.id, at: here() });

/** Is it who left without having wished to? Nobody else may find what they typed. */
export function isBack({ station, account }: Session): boolean {
  const left = kept.read();
  const same = left?.station === station.id && left.account === account.id;
  if (!same) kept.forget();
  return same;
}

/** The page to go back to, once. */
export function takeReturn(): string | undefined {
  const left = kept.read();
  kept.forget();
  return left && left.at !== here() ? left.at : undefined;
}
