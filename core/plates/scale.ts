import type { Plate } from './display';

/** A length to stand beside a plate, round in the unit it is said in. */
export interface ScaleBar {
  mm: number;
  label: string;
}

const ROUND = [1, 2, 5];

/**
 * The longest round length (1, 2 or 5 times a power of ten) that is at most a
 * quarter of the plate's width; from a metre on in metres, from a centimetre on
 * in centimetres where it is whole. None for a plate that is not to scale.
 *
 * @example scaleBar({ box: { width: 900, … } }) // { mm: 200, label: '20 cm' }
 */
export function scaleBar(of: { box: Pick<Plate['box'], 'width'>; unscaled?: undefined }): ScaleBar;
export function scaleBar(of: { box: Pick<Plate['box'], 'width'>; unscaled?: true }): ScaleBar | undefined;
export function scaleBar({ box, unscaled }: { box: Pick<Plate['box'], 'width'>; unscaled?: true }): ScaleBar | undefined {
  if (unscaled) return undefined;
  const most = box.width / 4;
  const power = 10 ** Math.floor(Math.log10(most));
  const mm = [...ROUND]
    .reverse()
    .map((n) => n * power)
    .find((n) => n <= most)!;
  const tidy = Number(mm.toPrecision(1));
  return { mm: tidy, label: tidy >= 1000 ? `${tidy / 1000} m` : tidy >= 20 ? `${tidy / 10} cm` : `${tidy} mm` };
}
