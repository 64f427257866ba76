import type { Chart, ChartKin } from '@plesion/core/pedigree';

/** From one to another by an arrow key: a parent above, the first young below, a neighbour in the row. */
export function stepIn(kin: readonly ChartKin[], chart: Chart, id: string, key: string): string | undefined {
  const own = kin.find((one) => one.id === id);
  if (key === 'ArrowUp') return own?.fathers[0] ?? own?.mothers[0];
  if (key === 'ArrowDown') return kin.find(({ fathers, mothers }) => [...fathers, ...mothers].includes(id))?.id;
  const { generation } = chart.symbols.find((one) => one.id === id) ?? {};
  const row = chart.symbols.filter((one) => one.generation === generation);
  const at = row.findIndex((one) => one.id === id);
  return row[at + (key === 'ArrowLeft' ? -1 : 1)]?.id;
}
