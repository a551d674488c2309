// The map while a finger moves it.
import { useLayoutEffect, useRef } from 'react';
import type { View } from 'react-native';

/** The drawing is larger than what is seen by this on each side, pixels. */
export const ROOM = 96;
/** Dragged this far, it is drawn again. */
const DRAW_AT = 72;

/**
 * Moves a finished picture with the finger, without drawing it again: a layer that the browser shifts by itself.
 *
 * @param drawn changes when the picture was drawn again
 * @param draw draws it moved, pixels to the right and down
 */
export function useDragged(drawn: unknown, draw: (x: number, y: number) => void) {
  const layer = useRef<View>(null);
  // Pixels by which the picture is ahead of what was drawn, and how many of them are asked to be drawn.
  const state = useRef({ x: 0, y: 0, askedX: 0, askedY: 0 });
  const show = () => {
    const { x, y } = state.current;
    const { style } = (layer.current ?? {}) as unknown as Partial<HTMLElement>;
    if (style) style.transform = x === 0 && y === 0 ? '' : `translate(${x}px, ${y}px)`;
  };
  useLayoutEffect(() => {
    const now = state.current;
    state.current = { x: now.x - now.askedX, y: now.y - now.askedY, askedX: 0, askedY: 0 };
    show();
  }, [drawn]);
  const settle = () => {
    const now = state.current;
    const [x, y] = [now.x - now.askedX, now.y - now.askedY];
    if (x === 0 && y === 0) return;
    [now.askedX, now.askedY] = [now.x, now.y];
    draw(x, y);
  };
  const drag = (dx: number, dy: number) => {
    const now = state.current;
    now.x += dx;
    now.y += dy;
    show();
    if (Math.max(Math.abs(now.x - now.askedX), Math.abs(now.y - now.askedY)) >= DRAW_AT) settle();
  };
  return { layer, drag, settle };
}
