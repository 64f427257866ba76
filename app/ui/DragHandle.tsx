import { createElement, type RefCallback } from 'react';
import { colour, radius, TOUCH } from '../theme';

interface Props {
  /** What is dragged by it. */
  of: string;
  /** The ref, attributes and listeners that make it draggable. */
  activator: RefCallback<HTMLElement>;
  attributes: object;
  listeners: object | undefined;
}

/** By which a row is dragged: with a finger, a mouse, or the keyboard. */
export const DragHandle = ({ of, activator, attributes, listeners }: Props) =>
  createElement(
    'button',
    { ref: activator, type: 'button', ...attributes, ...listeners, 'aria-label': `Drag ${of}`, style: HANDLE },
    '⠿',
  );

/** The page does not scroll under a finger that drags. */
const HANDLE = {
  width: TOUCH,
  height: TOUCH,
  border: 0,
  borderRadius: radius.s,
  background: 'transparent',
  color: colour.quiet,
  fontSize: 20,
  cursor: 'grab',
  touchAction: 'none',
};
