import type { PixelPoint } from '@plesion/core/measure';
import { createElement, useEffect, useMemo, useRef, useState } from 'react';
import type { Part } from './looking';
import { LargePhoto, SQUARE } from './LargePhoto';
import { Loupe } from './Loupe';
import { useLevels } from './pixelSource';
import { PointMarks } from './PointMarks';
import { pointsOf, type Step } from './steps';
import { heldPoint, type Held, hold, keyed, move, nearest, place, type Table } from './table';
import { tableKey } from './tableKeys';
import { useKeys } from './useKeys';
import { usePointers } from '../../lib/usePointers';
import { Box } from '../../ui/Box';
import { ZoomButtons } from '../../ui/ZoomButtons';
import {
  fit,
  inSight,
  moved,
  onPhoto,
  pinched,
  type Size,
  toPhoto,
  toScreen,
  type View as Placed,
  wheeled,
  zoomAt,
} from './view';

/** A point is taken hold of from so near, in pixels of the screen. */
const GRIP = 26;

interface PhotoTableProps {
  image: HTMLImageElement;
  steps: readonly Step[];
  table: Table;
  /** Is there something to be set yet? */
  setting: boolean;
  /** Does one finger move the photo, instead of setting points? */
  panning: boolean;
  onTable: (next: (table: Table) => Table) => void;
  /** Where more is to be done with a place than to set the next point there. */
  onPlace?: (at: PixelPoint) => void;
  /** Told what is in sight of the photo. */
  onSeen?: (part: Part) => void;
  /** Told where the finger aims; undefined once it does not. */
  onAim?: (at: PixelPoint | undefined) => void;
  /** A path that is being drawn, to where the finger aims. */
  ahead?: readonly PixelPoint[];
  /** What a screen reader says of the table. */
  says: string;
}

/** The photo with the points that were set: moved and enlarged by fingers, wheel or keys, with a loupe beside the finger. */
export function PhotoTable({
  image,
  steps,
  table,
  setting,
  panning,
  onTable,
  onPlace = (at) => onTable((so) => place(so, steps, at)),
  onSeen,
  onAim,
  ahead,
  says,
}: PhotoTableProps) {
  const surface = useRef<HTMLElement>(null);
  const photo = useMemo<Size>(() => ({ width: image.naturalWidth, height: image.naturalHeight }), [image]);
  const levels = useLevels(image);
  const [room, setRoom] = useState<Size>();
  const [chosen, setView] = useState<Placed>();
  const view = room && (chosen ?? fit(photo, room));
  /** Where the finger or the cross-hair aims, while it does. */
  const [aim, putAim] = useState<PixelPoint>();
  const setAim = (at: PixelPoint | undefined) => {
    putAim(at);
    onAim?.(at);
  };
  const [byKeys, setByKeys] = useState(false);
  const change = (next: (view: Placed, room: Size) => Placed) => view && room && setView(next(view, room));
  /** What the finger does: move the photo, a point it took hold of, or set one where it goes up. */
  const doing = useRef<{ kind: 'pan' } | { kind: 'aim' } | { kind: 'hold'; held: Held; at: PixelPoint; moved: boolean }>(
    undefined,
  );
  usePointers(surface, {
    onBegin(at, aside) {
      if (!view) return;
      setByKeys(false);
      const finger = toPhoto(view, at);
      const held = nearest(table.points, steps, finger, GRIP / view.scale);
      if (panning || aside) doing.current = { kind: 'pan' };
      else if (held) doing.current = { kind: 'hold', held, at: pointsOf(table.points, held.id)[held.n], moved: false };
      else doing.current = { kind: 'aim' };
      if (doing.current.kind === 'aim') setAim(onPhoto(finger, photo));
    },
    onDrag(at, by) {
      const now = doing.current;
      if (!view || !now) return;
      if (now.kind === 'pan') return change((so, size) => moved(so, by, photo, size));
      if (now.kind === 'aim') return setAim(onPhoto(toPhoto(view, at), photo));
      // It moves along with the finger, and does not jump under it.
      const next = onPhoto([now.at[0] + by[0] / view.scale, now.at[1] + by[1] / view.scale], photo);
      onTable((so) => move(so, now.held, next, now.moved));
      setAim(next);
      doing.current = { ...now, at: next, moved: true };
    },
    onEnd(at, cancelled) {
      const now = doing.current;
      doing.current = undefined;
      setAim(undefined);
      if (!view || cancelled || now?.kind === 'pan') return;
      if (now?.kind === 'aim') onPlace(onPhoto(toPhoto(view, at), photo));
      // A tap near a point sets the next one all the same, as long as there is one to set.
      if (now?.kind === 'hold' && !now.moved) {
        if (setting) onPlace(onPhoto(toPhoto(view, at), photo));
        else onTable((so) => hold(so, now.held));
      }
    },
    onPinch: (factor, about, by) => change((so, size) => pinched(so, factor, about, by, photo, size)),
    onWheel: (by, at, sideways) => change((so, size) => wheeled(so, by, at, sideways, photo, size)),
  });
  // Keys move the point that is held, or else a cross-hair that Enter sets a point at.
  const hear = (event: KeyboardEvent) => {
    const key = tableKey(event);
    if (!key || !view || !room) return;
    event.preventDefault();
    event.stopPropagation();
    setByKeys(true);
    const middle: PixelPoint = [room.width / 2, room.height / 2];
    const aimed = aim ?? onPhoto(toPhoto(view, middle), photo);
    if (key.kind === 'zoom') return change((so, size) => zoomAt(so, key.by, aim ? toScreen(so, aim) : middle, photo, size));
    if (key.kind === 'fit') return setView(undefined);
    if (key.kind === 'move' && !table.held) {
      const at = onPhoto([aimed[0] + key.by[0], aimed[1] + key.by[1]], photo);
      setAim(at);
      return change((so, size) => inSight(so, at, photo, size));
    }
    if (key.kind === 'set') {
      if (!table.held) onPlace(aimed);
      return setAim(aimed);
    }
    if (key.kind === 'free') setAim(aimed);
    onTable((so) => keyed(so, steps, key));
  };
  useKeys(surface, hear);
  const heldAt = heldPoint(table);
  const [hx, hy] = heldAt ?? [];
  // A point that is moved by keys stays in sight.
  useEffect(() => {
    if (byKeys && hx !== undefined && hy !== undefined) change((so, size) => inSight(so, [hx, hy], photo, size));
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- only where the point itself moved
  }, [hx, hy, byKeys]);
  const looked = aim && (!byKeys || !table.held) ? aim : byKeys ? heldAt : undefined;
  useEffect(() => {
    if (view && room) onSeen?.(inSightOf(view, photo, room));
  }, [view, room, photo, onSeen]);
  const nearer = (factor: number) => change((so, size) => zoomAt(so, factor, [size.width / 2, size.height / 2], photo, size));
  return (
    <Box fill leastTall={240}>
      <Box
        ref={surface as never}
        role="application"
        tabIndex={0}
        aria-label={says}
        testID="photo-table"
        onLayout={({ nativeEvent: { layout } }) => setRoom({ width: layout.width, height: layout.height })}
        fill
        ruled="round"
        ruledIn="hairline"
        clip
        round="m"
        tone="edge"
        style={NO_SCROLL}
      >
        {view && (
          <>
            {levels ? (
              <LargePhoto levels={levels} view={view} room={room} />
            ) : (
              createElement('div', { style: layerOf(view) }, createElement(Drawn, { image, large: view.scale > SQUARE }))
            )}
            <PointMarks
              steps={steps}
              table={table}
              view={view}
              room={room}
              aim={byKeys && !table.held ? aim : undefined}
              ahead={ahead}
            />
            {looked && (
              <Loupe
                image={image}
                at={looked}
                scale={Math.min(24, Math.max(4, view.scale * 3))}
                away={toScreen(view, looked)}
                room={room}
              />
            )}
          </>
        )}
      </Box>
      <ZoomButtons what="photo" nearer={nearer} all={() => setView(undefined)} />
    </Box>
  );
}

/** The part of the photo that is in sight, in its pixels. */
function inSightOf(view: Placed, photo: Size, room: Size): Part {
  const [left, top] = onPhoto(toPhoto(view, [0, 0]), photo).map(Math.floor);
  const [right, foot] = onPhoto(toPhoto(view, [room.width, room.height]), photo).map(Math.ceil);
  return { left, top, width: Math.max(1, right - left), height: Math.max(1, foot - top) };
}

const layerOf = ({ scale, x, y }: Placed) => ({
  position: 'absolute' as const,
  left: 0,
  top: 0,
  transformOrigin: '0 0',
  transform: `translate(${x}px, ${y}px) scale(${scale})`,
  willChange: 'transform',
});

/** The very image that was decoded, so that nothing is fetched or decoded twice; single pixels stay square from near. */
function Drawn({ image, large }: { image: HTMLImageElement; large: boolean }) {
  const holder = useRef<HTMLElement>(null);
  useEffect(() => {
    holder.current?.replaceChildren(image);
  }, [image]);
  useEffect(() => {
    image.style.imageRendering = large ? 'pixelated' : 'auto';
    image.style.filter = 'var(--photo)';
    image.draggable = false;
    image.alt = '';
  }, [image, large]);
  return createElement('div', { ref: holder });
}

const NO_SCROLL = { touchAction: 'none', cursor: 'crosshair', userSelect: 'none' } as object;
