import { closeSync, mkdirSync, openSync, writeSync } from 'node:fs';
import path from 'node:path';
import { simulatedClip, type SimulatedClip } from '@upwell/core/find';
import { WITH_CAMERA } from './chromium';

/** Grey pictures, one after the other. */
interface Pictures {
  readonly width: number;
  readonly height: number;
  readonly fps: number;
  readonly count: number;
  /** Writes the brightness of one picture, row by row. */
  readonly draw: (picture: number, into: Uint8Array) => void;
}

/** A file that Chromium plays as its camera, again and again. */
function written(name: string, { width, height, fps, count, draw }: Pictures): string {
  mkdirSync('.cache', { recursive: true });
  const file = path.resolve('.cache', `${name}-${process.pid}.y4m`);
  const out = openSync(file, 'w');
  const picture = new Uint8Array(width * height);
  const colours = new Uint8Array((width * height) / 2).fill(128);
  writeSync(out, `YUV4MPEG2 W${width} H${height} F${fps}:1 Ip A1:1 C420\n`);
  for (let i = 0; i < count; i++) {
    draw(i, picture);
    writeSync(out, 'FRAME\n');
    writeSync(out, picture);
    writeSync(out, colours);
  }
  closeSync(out);
  return file;
}

/** How Chromium is started so that its camera shows a file. */
export const withCamera = (file: string) => ({
  ...WITH_CAMERA,
  args: [...WITH_CAMERA.args, '--use-fake-device-for-media-stream', `--use-file-for-fake-video-capture=${file}`],
});

/** A camera before which a simulated swimmer swims. */
export function swimmerOnCamera(name: string, clip: SimulatedClip): string {
  const { frames } = simulatedClip(clip);
  const { width, height, grey } = frames;
  // Twice the size: a camera has no pictures as small as those that are looked at.
  return written(name, {
    ...{ width: 2 * width, height: 2 * height, fps: clip.fps, count: frames.timesS.length },
    draw: (picture, into) => {
      const from = picture * width * height;
      for (let y = 0; y < 2 * height; y++)
        for (let x = 0; x < 2 * width; x++) into[y * 2 * width + x] = grey[from + (y >> 1) * width + (x >> 1)]!;
    },
  });
}

/** Pictures that show their number in bars: black for 0, white for 1, the lowest first. */
export const CLOCK = { bits: 10, width: 320, height: 90, fps: 25 } as const;

export function clockOnCamera(name: string): string {
  const { bits, width, height, fps } = CLOCK;
  return written(name, {
    ...{ width, height, fps, count: 2 ** bits },
    draw: (picture, into) => {
      for (let y = 0; y < height; y++)
        for (let x = 0; x < width; x++)
          into[y * width + x] = (picture >> Math.floor((x * bits) / width)) & 1 ? 235 : 16;
    },
  });
}
