import type { Face } from './fonts';

/** What a laid-out page is made of, in points from the upper left; drawn in this order by either printer. */
export type Item =
  | {
      kind: 'path';
      d: string;
      scale: number;
      dx: number;
      dy: number;
      fill?: string;
      stroke?: string;
      width?: number;
      opacity?: number;
      /** Strokes and gaps, in the units of the path. */
      dash?: [number, number];
      cut?: Box;
    }
  | { kind: 'line'; from: [number, number]; to: [number, number]; stroke: string; width: number }
  | { kind: 'disc'; at: [number, number]; radius: number; fill: string; stroke?: string; width?: number }
  | { kind: 'panel'; box: Box; fill: string; stroke?: string; radius: number }
  | { kind: 'text'; text: string; face: Face; size: number; x: number; y: number; colour: string; middle?: boolean }
  | { kind: 'photo'; jpeg: Buffer; box: Box };

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface Page {
  width: number;
  height: number;
  title: string;
  items: Item[];
}
