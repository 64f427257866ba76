import type { Match } from '@plesion/core/measure';
import { createElement, type ReactNode } from 'react';
import type { View as Placed } from '../measure/view';
import { PlateView } from '../plates/PlateView';
import { cssMatrix } from './layers';
import type { Picture } from './pictures';

interface LayerProps {
  picture: Picture;
  view: Placed;
  match: Match;
}

/** A picture where it lies on the table, turned and enlarged as it is matched. */
export function Layer({ picture, view, match }: LayerProps): ReactNode {
  const { width, height } = picture;
  const style = {
    position: 'absolute',
    left: 0,
    top: 0,
    width,
    height,
    transformOrigin: '0 0',
    transform: cssMatrix(view, match),
  };
  if (picture.kind === 'photo')
    return createElement('img', {
      src: picture.uri,
      alt: '',
      draggable: false,
      style: { ...style, maxWidth: 'none', filter: 'var(--photo)' },
    });
  return createElement('div', { style }, createElement(PlateView, { plate: picture.plate, width, height }));
}
