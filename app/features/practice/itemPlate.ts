import type { Guide } from '@plesion/core/guide';
import { type Detail, hideParts, type Plate } from '@plesion/core/plates';
import type { Item } from '@plesion/core/practice';
import { useEffect, useState } from 'react';
import { planOf } from '../records/plans';

const drawn = new WeakMap<Item, Plate>();

const draw = (guide: Guide, item: Item, detail: Detail): Plate =>
  hideParts(planOf(guide)!.draw(item.traits, item.view, detail), item.hidden, item.seed);

/** An item drawn, with leaves where it is behind them; once, however often it is looked at. */
export function itemPlate(guide: Guide, item: Item): Plate {
  const plate = drawn.get(item) ?? draw(guide, item, 'full');
  drawn.set(item, plate);
  return plate;
}

const flocks = new WeakMap<Item, Plate[]>();

/** The individuals of a flock, each as small as it will be; once. */
export function flockPlates(guide: Guide, item: Item): Plate[] {
  const plan = planOf(guide)!;
  const plates = flocks.get(item) ?? item.flock!.individuals.map(({ traits }) => plan.draw(traits, item.view, 'thumb'));
  flocks.set(item, plates);
  return plates;
}

/** The drawing of an item: where it was not made beforehand, without its finest strokes for a moment. */
export function useItemPlate(guide: Guide, item: Item): Plate {
  const [first, setFirst] = useState(() => (drawn.has(item) ? undefined : draw(guide, item, 'thumb')));
  useAfterPaint(() => setFirst(undefined));
  return first ?? itemPlate(guide, item);
}

/** What can wait until the screen has been painted once. */
export function useAfterPaint(act: () => void): void {
  useEffect(() => {
    const timer = setTimeout(act, 30);
    return () => clearTimeout(timer);
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- once
  }, []);
}
