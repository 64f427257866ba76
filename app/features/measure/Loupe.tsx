import type { PixelPoint } from '@plesion/core/measure';
import { createElement, useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour } from '../../theme';
import { pixelSource } from './pixelSource';
import type { Size } from './view';

const ACROSS = 132;

interface LoupeProps {
  image: HTMLImageElement;
  at: PixelPoint;
  /** Pixels of the screen to one of the photo. */
  scale: number;
  /** Where the finger is: the loupe stands in the upper corner on the other side. */
  away: PixelPoint;
  room: Size;
}

/** What lies under the finger, enlarged, beside it and never under it. */
export function Loupe({ image, at: [x, y], scale, away, room }: LoupeProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const paper = canvas.current?.getContext?.('2d', { willReadFrequently: true });
    if (!paper) return;
    const seen = ACROSS / scale;
    paper.imageSmoothingEnabled = false;
    paper.clearRect(0, 0, ACROSS, ACROSS);
    paper.drawImage(pixelSource(image), x - seen / 2, y - seen / 2, seen, seen, 0, 0, ACROSS, ACROSS);
    const middle = ACROSS / 2;
    // A pale line on a dark one is seen on any ground.
    for (const [width, ink] of [
      [3, 'rgba(0,0,0,.55)'],
      [1, '#fff'],
    ] as const) {
      paper.lineWidth = width;
      paper.strokeStyle = ink;
      paper.beginPath();
      for (const [a, b] of [
        [0, middle - 7],
        [middle + 7, ACROSS],
      ]) {
        paper.moveTo(a, middle);
        paper.lineTo(b, middle);
        paper.moveTo(middle, a);
        paper.lineTo(middle, b);
      }
      paper.stroke();
    }
  }, [image, x, y, scale]);
  const left = away[0] > room.width / 2;
  const low = away[1] < ACROSS + 40 && (left ? away[0] < ACROSS + 60 : away[0] > room.width - ACROSS - 60);
  return (
    <View style={[styles.loupe, left ? { left: 8 } : { right: 8 }, low ? { bottom: 8 } : { top: 8 }]} aria-hidden>
      {createElement('canvas', { ref: canvas, width: ACROSS, height: ACROSS, style: { filter: 'var(--photo)' } })}
    </View>
  );
}

const styles = StyleSheet.create({
  loupe: {
    position: 'absolute',
    width: ACROSS,
    height: ACROSS,
    borderRadius: ACROSS / 2,
    overflow: 'hidden',
    borderWidth: 2,
    borderColor: colour.kelp,
    backgroundColor: colour.mist,
    boxSizing: 'content-box',
    pointerEvents: 'none',
  },
});
