import type { Guide } from '@plesion/core/guide';
import { type Detail, hideParts, type Plate } from '@plesion/core/plates';
import type { Item } from '@plesion/core/practice';
import { useEffect, useState } from 'react';
import { planOf } from '../records/plans';

/** By what it is made from: the same individual is drawn once, whatever is told of it meanwhile. */
const drawn = new WeakMap<Item['traits'], Map<string, Plate>>();

const draw = (guide: Guide, item: Item, view: string, detail: Detail): Plate =>
  hideParts(planOf(guide)!.draw(item.traits, view, detail), item.hidden, item.seed);

/** An item drawn, with leaves where it is behind them; once, however often it is looked at. */
export function itemPlate(guide: Guide, item: Item, view = item.view): Plate {
  const byView = drawn.get(item.traits) ?? new Map<string, Plate>();
  drawn.set(item.traits, byView);
  const plate = byView.get(view) ?? draw(guide, item, view, 'full');
  byView.set(view, plate);
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
export function useItemPlate(guide: Guide, item: Item, view = item.view): Plate {
  const [first, setFirst] = useState(() => (drawn.get(item.traits)?.has(view) ? undefined : draw(guide, item, view, 'thumb')));
  useAfterPaint(() => setFirst(undefined));
  return first ?? itemPlate(guide, item, view);
}

/** What can wait until the screen has been painted once. */
export function useAfterPaint(act: () => void): void {
  useEffect(() => {
    const timer = setTimeout(act, 30);
    return () => clearTimeout(timer);
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- once
  }, []);
}
