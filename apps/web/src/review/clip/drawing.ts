/** The cross on a frame: it is moved by keys or by a thumb, and set where it stands; and lines drawn with it. */
import type { FrameLine, FramePoint, LineKind } from '@upwell/core/measures';
import { useState } from 'react';
import type { Video } from './useVideo';

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

/** A line is drawn by its two ends, on the frame that is shown when the second is set. */
export interface LinePen {
  readonly kind: LineKind;
  /** The first end, once it is set. */
  readonly pending: FramePoint | null;
  readonly drawing: Drawing;
  readonly choose: (kind: LineKind) => void;
  /** Forgets the first end. */
  readonly lift: () => void;
}

export function useLinePen(video: Video, onLine: (kind: LineKind, line: FrameLine) => void): LinePen {
  const [kind, setKind] = useState<LineKind>('trunk');
  const [pending, setPending] = useState<FramePoint | null>(null);
  const drawing = useDrawing((point) => {
    video.pause();
    setPending(pending ? null : point);
    if (pending && (pending.x !== point.x || pending.y !== point.y)) onLine(kind, [pending, point]);
  });
  return {
    ...{ kind, pending, drawing },
    choose: (next) => {
      setKind(next);
      setPending(null);
    },
    lift: () => setPending(null),
  };
}
