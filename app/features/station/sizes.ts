const UNITS = ['kB', 'MB', 'GB', 'TB'];

/** Bytes as people say them: “12 MB”, “1.4 GB”. */
export function sayBytes(bytes: number): string {
  let [amount, unit] = [bytes / 1024, 0];
  while (amount >= 1000 && unit < UNITS.length - 1) [amount, unit] = [amount / 1024, unit + 1];
  return `${amount >= 10 || unit === 0 ? Math.ceil(amount) : Number(amount.toFixed(1))} ${UNITS[unit]}`;
}

/** A number with its thousands apart: “200 000”. */
export const sayCount = (count: number): string => String(count).replace(/\B(?=(\d{3})+$)/g, '\u202f');
