import type { DrawnTile } from '../../guide/tileSchema';
import { cropPlate, type Plate, squareRound } from '../display';
import { finish, newPen } from '../pen';
import { drawBlade } from './blade';
import { drawCap } from './cap';
import { drawFin } from './fin';
import { drawBars, drawSwatch } from './plain';

/** What the lines of a tile weigh by. */
const SIZE = 40;

/** A tile that a guide describes by itself, without a body plan; square. */
export function drawTile(tile: DrawnTile): Plate {
  const pen = newPen(SIZE, 'tile');
  if (tile.draw === 'blade') drawBlade(pen, tile);
  else if (tile.draw === 'cap') drawCap(pen, tile);
  else if (tile.draw === 'fin') drawFin(pen, tile);
  else if (tile.draw === 'bars') drawBars(pen, tile);
  else drawSwatch(pen, tile);
  const whole = finish(pen);
  return cropPlate(whole, squareRound(whole.box, 0.02));
}
