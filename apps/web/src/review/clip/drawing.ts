/** The cross on a frame: it is moved by keys or by a thumb, and set where it stands. */
import type { FramePoint } from '@upwell/core/measures';
import { useState } from 'react';

export interface Drawing {
  /** Where the cross stands, shares of the frame; null until it is moved. */
  readonly cross: FramePoint | null;
  readonly move: (dx: number, dy: number) => void;
  /** Sets a point where it was pressed, or where the cross stands. */
  readonly set: (at?: FramePoint) => void;
}

const MIDDLE: FramePoint = { x: 0.5, y: 0.5 };
const inside = (share: number) => Math.min(1, Math.max(0, share));

export function useDrawing(onPoint: (point: FramePoint) => void): Drawing {
  const [cross, setCross] = useState<FramePoint | null>(null);
  return {
    cross,
    move: (dx, dy) => setCross((at) => ({ x: inside((at ?? MIDDLE).x + dx), y: inside((at ?? MIDDLE).y + dy) })),
    set: (at) => onPoint(at ?? cross ?? MIDDLE),
  };
}
