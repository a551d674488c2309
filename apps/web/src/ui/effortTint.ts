import type { OwnColours } from './theme';

/** Lowest and highest effort that the tint tells apart. */
const RANGE = [0.55, 1] as const;

export interface Tint {
  readonly background: string;
  /** Contrast of the text on the background, at least 4.5. */
  readonly contrast: number;
  /** Black or white, whichever reads better on it. */
  readonly text: string;
}

/** Effort is depth: the harder, the deeper the colour; the word stands beside it. */
export function effortTint(effort: number, { shallow, deep }: OwnColours): Tint {
  const linear = Math.min(1, Math.max(0, (effort - RANGE[0]) / (RANGE[1] - RANGE[0])));
  // The middle of the ramp is left out: there neither light nor dark text would reach 4.5 : 1.
  const share = linear < 0.5 ? linear * 0.5 : 0.65 + (linear - 0.5) * 0.7;
  const rgb = shallow.map((from, i) => Math.round(from + (deep[i]! - from) * share)) as [number, number, number];
  const light = luminance(rgb);
  const onWhite = 1.05 / (light + 0.05);
  const onInk = (light + 0.05) / (luminance([11, 34, 38]) + 0.05);
  return {
    background: `rgb(${rgb.join(', ')})`,
    text: onWhite > onInk ? '#FFFFFF' : '#0B2226',
    contrast: Math.max(onWhite, onInk),
  };
}

/** Relative luminance (WCAG 2.2). */
function luminance(rgb: readonly number[]): number {
  const [r, g, b] = rgb.map((v) => {
    const s = v / 255;
    return s <= 0.04045 ? s / 12.92 : ((s + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
