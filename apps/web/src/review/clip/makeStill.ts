// Makes a still of a video: the frame with its lines, the face covered where that is asked, as a small JPEG.
import { LARGEST_STILL, LONGEST_STILL, type ClipLine, type ClipStill } from '@upwell/contract/clips';
import type { FramePoint } from '@upwell/core/measures';

/** A still before it is made: its moment, its words, and where a face is covered. */
export interface StillDraft {
  readonly id: string;
  readonly timeS: number;
  readonly sentence: string;
  readonly cover: FramePoint | null;
}

/** Widths that are tried, and how finely: the first that is small enough is taken. */
const TRIES = [
  [640, 0.82],
  [640, 0.6],
  [480, 0.6],
  [320, 0.5],
] as const;
/** Radius of what covers a face, share of the width; and how many blocks it is made of across. */
const COVER = { radius: 0.09, blocks: 4 } as const;
/** Lines belong to a still when they were drawn so near to its moment, seconds. */
const SAME_MOMENT_S = 0.05;
const LINE = { under: '#0F1E20', over: '#FFD84A' } as const;

/** A video that cannot be made a still of. */
export class NoStill extends Error {}

export const linesOfStill = (lines: readonly ClipLine[], timeS: number): readonly ClipLine[] =>
  lines.filter((l) => Math.abs(l.timeS - timeS) <= SAME_MOMENT_S);

/**
 * Makes the picture of a still.
 *
 * @throws NoStill when the video cannot be shown, or no size is small enough
 */
export async function makeStill(
  address: string,
  { timeS, cover }: StillDraft,
  lines: readonly ClipLine[],
): Promise<Pick<ClipStill, 'width' | 'height' | 'image'>> {
  const video = await frameAt(address, timeS);
  try {
    for (const [width, quality] of TRIES) {
      const canvas = drawn(video, Math.min(width, video.videoWidth), cover, linesOfStill(lines, timeS));
      const image = canvas.toDataURL('image/jpeg', quality).split(',')[1] ?? '';
      if (image.length > 0 && image.length <= LONGEST_STILL)
        return { width: canvas.width, height: canvas.height, image };
    }
  } finally {
    video.removeAttribute('src');
    video.load();
  }
  throw new NoStill('This picture cannot be made small enough.');
}

/** The video at a moment, unseen. */
function frameAt(address: string, timeS: number): Promise<HTMLVideoElement> {
  const video = document.createElement('video');
  video.muted = true;
  video.preload = 'auto';
  return new Promise((resolve, reject) => {
    video.addEventListener('error', () => reject(new NoStill('This video cannot be shown here.')), { once: true });
    video.addEventListener('loadeddata', () => (video.currentTime = timeS), { once: true });
    video.addEventListener('seeked', () => resolve(video), { once: true });
    video.src = address;
  });
}

function drawn(
  video: HTMLVideoElement,
  width: number,
  cover: FramePoint | null,
  lines: readonly ClipLine[],
): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = Math.min(LARGEST_STILL, Math.max(16, Math.round((width * video.videoHeight) / video.videoWidth)));
  const context = canvas.getContext('2d')!;
  context.drawImage(video, 0, 0, canvas.width, canvas.height);
  if (cover) hide(context, cover);
  context.lineCap = 'round';
  for (const [colour, size] of [
    [LINE.under, width / 90],
    [LINE.over, width / 180],
  ] as const) {
    context.strokeStyle = colour;
    context.lineWidth = size;
    for (const { line } of lines) {
      context.beginPath();
      for (const { x, y } of line) context.lineTo(x * canvas.width, y * canvas.height);
      context.stroke();
    }
  }
  return canvas;
}

/** Puts a few large blocks in the place of a face: what was there is not in the picture any more. */
function hide(context: CanvasRenderingContext2D, { x, y }: FramePoint): void {
  const { width, height } = context.canvas;
  const radius = COVER.radius * width;
  const [left, top] = [x * width - radius, y * height - radius];
  const few = document.createElement('canvas');
  few.width = few.height = COVER.blocks;
  few.getContext('2d')!.drawImage(context.canvas, left, top, 2 * radius, 2 * radius, 0, 0, COVER.blocks, COVER.blocks);
  context.save();
  context.beginPath();
  context.arc(x * width, y * height, radius, 0, 2 * Math.PI);
  context.clip();
  // Nothing shines through where a corner of the picture has no colours to give.
  context.fillStyle = LINE.under;
  context.fillRect(0, 0, width, height);
  context.imageSmoothingEnabled = false;
  context.drawImage(few, left, top, 2 * radius, 2 * radius);
  context.restore();
}
