import { OfficeReceipt, OfficeRecoveries } from '@plesion/contract/office';
import type { Recovery } from '@plesion/contract';

/** Milliseconds that an answer of the office is waited for. */
const PATIENCE = 10_000;

/** What came of a try to send. */
export type Sent =
  | { state: 'taken'; receipt: OfficeReceipt }
  | { state: 'refused'; said: string }
  /** It is tried again. */
  | { state: 'waiting'; said: string };

/** The ringing office at an address; it knows a station by its id. */
export interface Office {
  send(id: string, station: string, csv: string): Promise<Sent>;
  recoveries(station: string): Promise<Recovery[]>;
}

export function officeAt(address: string): Office {
  const ask = (path: string, station: string, more: RequestInit = {}) =>
    fetch(new URL(path, address), {
      ...more,
      headers: { 'x-station': station, ...more.headers },
      signal: AbortSignal.timeout(PATIENCE),
      redirect: 'error',
    });
  return {
    async send(id, station, csv) {
      const answer = await ask(`/files/${id}`, station, {
        method: 'PUT',
        headers: { 'content-type': 'text/csv' },
        body: csv,
      }).catch(() => undefined);
      if (!answer) return { state: 'waiting', said: 'The office cannot be reached.' };
      if (answer.status >= 500 || answer.status === 429)
        return { state: 'waiting', said: `The office answers ${answer.status}: it cannot take files just now.` };
      const body: unknown = await answer.json().catch(() => undefined);
      if (!answer.ok) {
        const { message = `The office answered ${answer.status} and did not say why.` } = (body ?? {}) as { message?: string };
        return { state: 'refused', said: String(message).slice(0, 400) };
      }
      const receipt = OfficeReceipt.safeParse(body);
      return receipt.success
        ? { state: 'taken', receipt: receipt.data }
        : { state: 'waiting', said: 'The office’s answer was not understood.' };
    },
    async recoveries(station) {
      const answer = await ask('/recoveries', station);
      if (!answer.ok) throw new Error(`the office answers ${answer.status}`);
      return OfficeRecoveries.parse(await answer.json()).recoveries;
    },
  };
}
