/** How each layer of the figure is painted by day and by night. */
import type { LayerRole } from '@upwell/core/figure';
import type { Theme } from '@/ui/theme';

export interface Paint {
  readonly fill: string;
  readonly stroke: string;
  readonly width: number;
  readonly dash?: string;
  readonly opacity?: number;
}

const filled = (fill: string, opacity?: number): Paint => ({
  fill,
  stroke: 'none',
  width: 0,
  ...(opacity === undefined ? {} : { opacity }),
});
const line = (stroke: string, width: number, dash?: string): Paint => ({
  fill: 'none',
  stroke,
  width,
  ...(dash === undefined ? {} : { dash }),
});

export function layerPaint({ own, colors }: Theme): Readonly<Record<LayerRole, Paint>> {
  return {
    wall: line(colors.outline, 8),
    wake: filled(colors.primary, 0.7),
    rails: line(colors.primary, 1.5, '3 7'),
    board: filled(own.kelp),
    far: filled(own.skinFar),
    body: filled(own.skin),
    'mark-under': filled(colors.error, 0.6),
    skin: filled(own.skin),
    cap: filled(own.kelp),
    goggles: filled(own.water),
    mouth: filled(colors.error),
    'near-edge': line(own.waterDeep, 3),
    near: filled(own.skin),
    mark: filled(colors.error),
    bubbles: filled(colors.background, 0.85),
    splash: line(colors.primary, 2.5),
    strain: line(colors.error, 4),
  };
}
