import { RAD } from '../units';
import type { Figure, HeadShape, Limb, Point, Region } from './shapes';

/** What a layer of the drawing shows; the same list for every pose, so that a moving picture only changes outlines. */
export const LAYER_ROLES = [
  'wall',
  'wake',
  'rails',
  'board',
  'far',
  'body',
  'mark-under',
  'skin',
  'cap',
  'goggles',
  'mouth',
  'near-edge',
  'near',
  'mark',
  'bubbles',
  'splash',
  'strain',
] as const;
export type LayerRole = (typeof LAYER_ROLES)[number];

export interface Layer {
  readonly role: LayerRole;
  /** An SVG path in picture units. */
  readonly d: string;
}

/** Statures to picture units. */
export const UNITS = 400;

/** The part of the picture that each view shows, picture units. */
export const FRAME = {
  side: { x: -210, y: -130, width: 620, height: 310 },
  front: { x: -215, y: -125, width: 430, height: 290 },
  top: { x: -230, y: -185, width: 800, height: 370 },
} as const;

/** The frame of a turn reaches from behind the wall to the push-off. */
export const TURN_FRAME = { x: -200, y: -80, width: 620, height: 310 } as const;

/**
 * The drawing of a figure as filled and stroked outlines, from back to front.
 *
 * One drawing serves the screen, the printed sheet and the simulated clips.
 *
 * @param chosen the region to draw in the mark layers
 */
export function figureLayers(figure: Figure, chosen: Region | null = null): Layer[] {
  const { limbs, head, view } = figure;
  const trunk = (l: Limb) => l.region === 'body' || l.region === 'legs' || l.region === 'shoulders';
  const far = limbs.filter((l) => l.far);
  const body = limbs.filter((l) => !l.far && trunk(l));
  const near = limbs.filter((l) => !l.far && !trunk(l));
  const marked = limbs.filter((l) => l.region === chosen);
  const headShape = headPaths(head, view === 'side');
  const paths: Record<LayerRole, string> = {
    wall: figure.wallX === null ? '' : `M ${n(figure.wallX)} ${view === 'top' ? -185 : -20} V 240`,
    wake: wakePath(figure.wake),
    rails: figure.rails.map((at) => (view === 'top' ? `M -230 ${n(at)} H 20` : `M ${n(at)} -20 V 170`)).join(' '),
    board: figure.board ? boardPath(figure.board, view) : '',
    far: capsules(far),
    body: capsules(body),
    'mark-under': capsules(marked.filter((l) => l.far)),
    skin: headShape.skin,
    cap: headShape.cap,
    goggles: headShape.goggles,
    mouth: headShape.mouth,
    'near-edge': capsules(near),
    near: capsules(near),
    mark: chosen === 'head' ? headShape.skin : capsules(marked.filter((l) => !l.far)),
    bubbles: figure.bubbles.map((at, i) => circle(at.x * UNITS, at.y * UNITS, 3 + (i % 3))).join(' '),
    splash: view === 'top' || figure.splash.size <= 0 ? '' : splashPath(figure.splash),
    strain: figure.strain.map(strainPath).join(' '),
  };
  return LAYER_ROLES.map((role) => ({ role, d: paths[role] }));
}

/** The wanted line: thin strokes along the limbs, for a ghost behind the swimmer. */
export function ghostPath(figure: Figure): string {
  const limbs = figure.limbs
    .filter((l) => l.region !== 'body' || figure.view !== 'side')
    .map(({ from, to }) => `M ${n(from.x)} ${n(from.y)} L ${n(to.x)} ${n(to.y)}`);
  const { centre, radius } = figure.head;
  return [...limbs, circle(centre.x * UNITS, centre.y * UNITS, radius * UNITS)].join(' ');
}

const n = (statures: number): string => (statures * UNITS).toFixed(1);
const r1 = (value: number): string => value.toFixed(1);

function capsules(limbs: readonly Limb[]): string {
  return limbs.map(capsule).join(' ');
}

/** A tapered limb with round ends as one outline. */
function capsule({ from, to, r0, r1: end }: Limb): string {
  const [x0, y0, x1, y1, a, b] = [from.x, from.y, to.x, to.y, r0, end].map((v) => v * UNITS) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const length = Math.hypot(x1 - x0, y1 - y0);
  if (length < Math.abs(a - b) + 0.5) return circle(a > b ? x0 : x1, a > b ? y0 : y1, Math.max(a, b));
  // Tangent points of the outer tangents of two circles.
  const [ux, uy] = [(x1 - x0) / length, (y1 - y0) / length];
  const cos = (a - b) / length;
  const sin = Math.sqrt(Math.max(0, 1 - cos * cos));
  const left = [ux * cos - uy * sin, uy * cos + ux * sin] as const;
  const right = [ux * cos + uy * sin, uy * cos - ux * sin] as const;
  const p = (x: number, y: number) => `${r1(x)} ${r1(y)}`;
  return [
    `M ${p(x0 + left[0] * a, y0 + left[1] * a)} L ${p(x1 + left[0] * b, y1 + left[1] * b)}`,
    `A ${r1(b)} ${r1(b)} 0 0 0 ${p(x1 + right[0] * b, y1 + right[1] * b)}`,
    `L ${p(x0 + right[0] * a, y0 + right[1] * a)}`,
    `A ${r1(a)} ${r1(a)} 0 ${cos > 0 ? 1 : 0} 0 ${p(x0 + left[0] * a, y0 + left[1] * a)} Z`,
  ].join(' ');
}

function circle(x: number, y: number, r: number): string {
  return `M ${r1(x - r)} ${r1(y)} A ${r1(r)} ${r1(r)} 0 1 0 ${r1(x + r)} ${r1(y)} A ${r1(r)} ${r1(r)} 0 1 0 ${r1(x - r)} ${r1(y)} Z`;
}

function headPaths({ centre, radius, face, facing }: HeadShape, side: boolean) {
  const [x, y, r] = [centre.x * UNITS, centre.y * UNITS, radius * UNITS];
  const flat = Math.hypot(face.x, face.y);
  // Toward the face in the picture; a face straight at the viewer has no direction and keeps looking down.
  const [dx, dy] = flat > 0.05 ? [face.x / flat, face.y / flat] : [0, 1];
  const at = (forward: number, aside = 0) =>
    [x + (dx * forward - dy * aside) * r, y + (dy * forward + dx * aside) * r] as const;
  const away = flat * 0.95;
  // The cap ends at a line between forehead and neck, which moves away as the face turns to the viewer.
  const edge = 0.12 + 0.5 * Math.max(0, facing) - 0.75 * Math.max(0, -facing);
  const half = Math.sqrt(Math.max(0.05, 1 - edge * edge)) * 1.04;
  const [ax, ay] = at(-edge, -half);
  const [bx, by] = at(-edge, half);
  const [qx, qy] = at(-edge * 0.4 + 0.12 * flat);
  const big = edge < 0 ? 1 : 0;
  const p = (v: readonly [number, number]) => `${r1(v[0])} ${r1(v[1])}`;
  const eyes: string[] = [];
  const forward = 0.62 * away;
  for (const aside of facing > 0.35 || !side ? [-0.32, 0.32] : [-0.12]) {
    if (facing < -0.45) continue;
    const spread = aside * (facing > 0.35 ? 1 : 0.7 + 0.3 * Math.max(0, facing));
    const [ex, ey] = at(forward, facing > 0.35 || !side ? spread : -0.1);
    eyes.push(ellipse(ex, ey, r * 0.2, r * 0.16));
  }
  const [mx, my] = at(Math.min(0.85, away * 0.9), side ? -0.52 : 0);
  const mouthShown = facing > 0.3 && side;
  return {
    skin: circle(x, y, r),
    cap: `M ${r1(ax)} ${r1(ay)} A ${r1(r * 1.05)} ${r1(r * 1.05)} 0 ${big} 0 ${r1(bx)} ${r1(by)} Q ${p([qx, qy])} ${r1(ax)} ${r1(ay)} Z`,
    goggles: eyes.join(' '),
    mouth: mouthShown ? ellipse(mx, my, r * 0.14, r * 0.11) : '',
  };
}

function ellipse(x: number, y: number, rx: number, ry: number): string {
  return `M ${r1(x - rx)} ${r1(y)} A ${r1(rx)} ${r1(ry)} 0 1 0 ${r1(x + rx)} ${r1(y)} A ${r1(rx)} ${r1(ry)} 0 1 0 ${r1(x - rx)} ${r1(y)} Z`;
}

function wakePath(points: readonly Point[]): string {
  return points.map(({ x, y }) => circle(x * UNITS, y * UNITS, 6)).join(' ');
}

function boardPath(at: Point, view: Figure['view']): string {
  const [x, y] = [at.x * UNITS, at.y * UNITS];
  if (view === 'side') return `M ${r1(x - 55)} ${r1(y - 4)} h 90 a 5 5 0 0 1 0 10 h -90 a 5 5 0 0 1 0 -10 Z`;
  if (view === 'front') return `M ${r1(x - 60)} ${r1(y - 6)} h 120 v 12 h -120 Z`;
  return `M ${r1(x + 35)} ${r1(y - 45)} v 90 h -70 q -25 -45 0 -90 Z`;
}

function splashPath({ at, size }: Figure['splash']): string {
  const x0 = at.x * UNITS;
  return [-18, -8, 2, 12, 22]
    .map(
      (dx, i) =>
        `M ${r1(x0 + dx)} 0 q ${r1(dx / 3)} ${r1(-18 * size - i * 3)} ${r1(dx / 1.5)} ${r1(-30 * size - ((i * 7) % 12))}`,
    )
    .join(' ');
}

/** Short rays around a place that hurts or labours. */
function strainPath({ x, y }: Point): string {
  const [cx, cy] = [x * UNITS, y * UNITS];
  return [200, 235, 270, 305, 340]
    .map((deg) => {
      const [c, s] = [Math.cos(deg * RAD), Math.sin(deg * RAD)];
      return `M ${r1(cx + c * 26)} ${r1(cy + s * 26)} L ${r1(cx + c * 42)} ${r1(cy + s * 42)}`;
    })
    .join(' ');
}
