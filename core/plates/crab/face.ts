import { discPath, INK, PAPER } from '../display';
import { curve, type Point } from '../geometry';
import { note, type Pen, shape, stroke } from '../pen';
import { type CrabModel, GROUNDS } from './model';

/** Eyes on their stalks, and antennae; drawn before the carapace that covers their roots. */
export function drawFace(pen: Pen, model: CrabModel): void {
  const w = model.width;
  const reach = model.eyes === 'long' ? 0.135 : 0.07;
  for (const side of [-1, 1]) {
    const mirror = ([x, y]: Point): Point => [x * side, y];
    if (pen.detail === 'full') {
      const feeler = curve(
        [
          [0.1, 0.02],
          [0.13, -0.1],
          [0.19, -0.19],
          [0.2, -0.34],
        ].map(([x, y]): Point => mirror([x * w, y * w])),
        [],
        false,
      );
      stroke(pen, 'eyes', feeler, 0.008);
    }
    const base: Point = [0.185 * w, 0.09 * w];
    const tip: Point = [(0.185 + reach * 0.22) * w, (0.035 - reach) * w];
    const stalk = curve(
      (
        [
          [base[0] - 0.026 * w, base[1]],
          [tip[0] - 0.021 * w, tip[1]],
          [tip[0] + 0.021 * w, tip[1]],
          [base[0] + 0.03 * w, base[1]],
        ] as Point[]
      ).map(mirror),
    );
    shape(pen, { outline: stalk, part: 'eyes', tint: GROUNDS[model.ground].limb, weight: 0.8 });
    const eye = mirror(tip);
    pen.inks.push({ d: discPath([{ at: eye, radius: 0.031 * w }]), part: 'eyes', fill: INK });
    if (pen.detail === 'full')
      pen.inks.push({
        d: discPath([{ at: [eye[0] - 0.01 * w, eye[1] - 0.011 * w], radius: 0.008 * w }]),
        part: 'eyes',
        fill: PAPER,
      });
    note(pen, 'eyes', [
      [eye[0] - 0.05 * w, eye[1] - 0.05 * w],
      [eye[0] + 0.05 * w, eye[1] + 0.1 * w],
    ]);
  }
}
