// What hands do on the map: dragging, two fingers, the wheel, arrow keys; taking hold of a handle, tapping the water.
import type { Place, Plane, PlanePoint } from '@upwell/core/water';
import { useEffect, useRef } from 'react';
import type { View } from 'react-native';
import { moved, toGround, toScreen, zoomed, type MapView, type Size } from './mapFrame';
import { useDragged } from './useDragged';

/** Something that can be taken hold of. */
export interface Handle {
  readonly id: string;
  readonly place: Place;
}

/** What comes of it. */
export interface MapAnswers {
  readonly onChoose?: (id: string | null) => void;
  /** A handle is dragged; `done` with the last one. */
  readonly onDrag?: (id: string, to: Place, done: boolean) => void;
  readonly onTapAt?: (place: Place) => void;
}

interface MapHands extends MapAnswers {
  readonly plane: Plane;
  readonly view: MapView | null;
  readonly size: Size;
  readonly handles: readonly Handle[];
  /** Looks elsewhere, from what is seen by then. */
  readonly look: (change: (view: MapView) => MapView) => void;
  readonly lookAtAll: () => void;
}

/** Farther than this a finger has moved, not tapped, pixels. */
const SLOP = 8;
/** A finger takes hold of what is this near, pixels. */
const REACH = 26;

interface Gesture {
  readonly pointers: Map<number, PlanePoint>;
  readonly from: PlanePoint;
  travelled: number;
  held: string | null;
}

/** @returns the layer that is shifted while it is dragged, and what the surface listens to */
export function useMapHands({ plane, view, size, handles, look, lookAtAll, onChoose, onDrag, onTapAt }: MapHands) {
  const { layer, drag, settle } = useDragged(view, (x, y) => look((now) => moved(now, x, y)));
  const box = useRef<View>(null);
  const gesture = useRef<Gesture | null>(null);
  const wheel = useRef<(event: WheelEvent) => void>(() => undefined);
  useEffect(() => {
    wheel.current = (event) => {
      if (!view) return;
      event.preventDefault();
      settle();
      const frame = (event.currentTarget as HTMLElement).getBoundingClientRect();
      const at = { x: event.clientX - frame.left, y: event.clientY - frame.top };
      look((now) => zoomed(now, Math.exp(-event.deltaY / 400), at, size));
    };
  });
  useEffect(() => {
    const node = box.current as unknown as HTMLElement | null;
    // Paper's views take no wheel; the page must not scroll while the map zooms.
    const turn = (event: WheelEvent) => wheel.current(event);
    node?.addEventListener?.('wheel', turn, { passive: false });
    return () => node?.removeEventListener?.('wheel', turn);
  }, []);

  const spot = (event: PointerLike): PlanePoint => {
    const frame = (box.current as unknown as HTMLElement).getBoundingClientRect();
    return { x: event.nativeEvent.clientX - frame.left, y: event.nativeEvent.clientY - frame.top };
  };
  const placeAt = (at: PlanePoint) => plane.toPlace(toGround(at, view!, size));
  const down = (event: PointerLike) => {
    if (!view) return;
    const at = spot(event);
    const now = gesture.current;
    if (now) {
      now.pointers.set(event.nativeEvent.pointerId, at);
      return;
    }
    const near = handles
      .map((h) => ({ id: h.id, away: distance(toScreen(plane.toPlane(h.place), view, size), at) }))
      .filter((h) => h.away <= REACH)
      .sort((a, b) => a.away - b.away)[0];
    (box.current as unknown as HTMLElement).setPointerCapture?.(event.nativeEvent.pointerId);
    gesture.current = {
      pointers: new Map([[event.nativeEvent.pointerId, at]]),
      from: at,
      travelled: 0,
      held: near?.id ?? null,
    };
  };
  const move = (event: PointerLike) => {
    const now = gesture.current;
    const before = now?.pointers.get(event.nativeEvent.pointerId);
    if (!now || !before || !view) return;
    const at = spot(event);
    now.travelled = Math.max(now.travelled, distance(now.from, at));
    if (now.pointers.size === 2) {
      const other = [...now.pointers].find(([id]) => id !== event.nativeEvent.pointerId)![1];
      const by = distance(other, at) / Math.max(1, distance(other, before));
      settle();
      look((now) => zoomed(now, by, other, size));
    } else if (now.held && now.travelled > SLOP) onDrag?.(now.held, placeAt(at), false);
    else if (!now.held && now.travelled > SLOP) drag(at.x - before.x, at.y - before.y);
    now.pointers.set(event.nativeEvent.pointerId, at);
  };
  const up = (event: PointerLike) => {
    const now = gesture.current;
    if (!now || !view) return;
    now.pointers.delete(event.nativeEvent.pointerId);
    if (now.pointers.size > 0) return;
    gesture.current = null;
    settle();
    const at = spot(event);
    if (now.travelled > SLOP) {
      if (now.held) onDrag?.(now.held, placeAt(at), true);
    } else if (now.held) onChoose?.(now.held);
    else if (onTapAt) onTapAt(placeAt(at));
    else onChoose?.(null);
  };
  const key = (event: { key: string; preventDefault(): void }) => {
    if (!view) return;
    const middle = { x: size.width / 2, y: size.height / 2 };
    const step = Math.min(size.width, size.height) / 8;
    const next: Record<string, (now: MapView) => MapView> = {
      ArrowLeft: (now) => moved(now, step, 0),
      ArrowRight: (now) => moved(now, -step, 0),
      ArrowUp: (now) => moved(now, 0, step),
      ArrowDown: (now) => moved(now, 0, -step),
      '+': (now) => zoomed(now, 1.4, middle, size),
      '-': (now) => zoomed(now, 1 / 1.4, middle, size),
    };
    const to = next[event.key];
    if (!to && event.key !== '0') return;
    event.preventDefault();
    if (to) look(to);
    else lookAtAll();
  };

  const surface = {
    ref: box,
    onPointerDown: down,
    onPointerMove: move,
    onPointerUp: up,
    onPointerCancel: up,
    onKeyDown: key,
    tabIndex: 0,
  } as object;
  return { layer, surface };
}

interface PointerLike {
  readonly nativeEvent: { readonly clientX: number; readonly clientY: number; readonly pointerId: number };
}
const distance = (a: PlanePoint, b: PlanePoint) => Math.hypot(a.x - b.x, a.y - b.y);
