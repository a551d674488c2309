import { armRole } from './armCycle';
import type { FigureParameters } from './parameters';
import type { Figure, Limb, Point } from './shapes';

/** Half the shoulder width, share of stature: where the rails run. */
export const HALF_SHOULDER = 0.115;

const RAD = Math.PI / 180;

/**
 * The swimmer from the front, coming toward the viewer, at a phase of the arm on the left of the
 * picture (the near arm of the side view). The surface is y = 0.
 */
export function frontView(p: FigureParameters, phase: number): Figure {
  const roll = p.roll * Math.cos(2 * Math.PI * (phase - 0.12));
  const centre: Point = { x: p.headSwing * 0.4, y: 0.075 };
  const shoulderAt = (side: -1 | 1): Point => ({
    x: centre.x + side * HALF_SHOULDER * Math.cos(roll * RAD),
    y: centre.y - side * HALF_SHOULDER * Math.sin(roll * RAD) * 0.75,
  });
  const hips: Point = { x: p.snake, y: 0.1 + p.trunk * 0.004 };
  const legSpread = 0.045 + p.scissor * 0.006;

  const limbs: Limb[] = [
    {
      region: 'legs',
      from: hips,
      to: { x: hips.x - legSpread + p.snake, y: hips.y + 0.05 + 0.03 * p.kickDepth + p.trunk * 0.006 },
      r0: 0.045,
      r1: 0.02,
      far: true,
    },
    {
      region: 'legs',
      from: hips,
      to: { x: hips.x + legSpread + p.snake, y: hips.y + 0.02 + p.trunk * 0.006 },
      r0: 0.045,
      r1: 0.02,
      far: true,
    },
    { region: 'body', from: { x: centre.x, y: centre.y + 0.015 }, to: hips, r0: 0.085, r1: 0.07, far: true },
    { region: 'shoulders', from: shoulderAt(-1), to: shoulderAt(1), r0: 0.042, r1: 0.042, far: false },
    ...frontArm(p, shoulderAt(-1), -1, phase),
    ...frontArm(p, shoulderAt(1), 1, phase + p.coordination),
  ];
  const head: Point = { x: centre.x + p.headSwing, y: centre.y - 0.062 - p.headLift };
  return {
    limbs,
    head: { centre: head, radius: 0.068, gaze: 90 + p.headTurn, facing: 1 - Math.min(1, (p.headTurn / 180) * 0.6) },
    bubbles:
      head.y + 0.03 > 0
        ? Array.from({ length: Math.round(p.bubbles * 4) }, (_, i) => ({
            x: head.x - 0.05 + i * 0.03,
            y: head.y + 0.075 + (i % 2) * 0.015,
          }))
        : [],
    splash: { at: { x: -HALF_SHOULDER + p.entryOffset * HALF_SHOULDER, y: 0 }, size: p.splash },
    rails: [-HALF_SHOULDER, HALF_SHOULDER],
  };
}

/** One arm from the front; `side` −1 is the left of the picture. The middle lies at +1 half-width inward. */
function frontArm(p: FigureParameters, shoulder: Point, side: -1 | 1, phase: number): Limb[] {
  const region = armRole(phase);
  const local = phase - Math.floor(phase);
  const inward = -side;
  let elbow: Point;
  let hand: Point;
  // A hand that reaches toward the viewer is nearer and so drawn larger.
  let handRadius = 0.016;
  if (region === 'front arm') {
    const rail = side * HALF_SHOULDER;
    hand = { x: rail + inward * p.entryOffset * HALF_SHOULDER, y: 0.07 + local * 0.35 + p.leadArmDrop * 0.004 };
    handRadius = 0.03;
    elbow = { x: (shoulder.x + hand.x) / 2 - inward * 0.02, y: (shoulder.y + hand.y) / 2 };
  } else if (region === 'pulling arm') {
    const share = (local - 0.22) / 0.42;
    const deep = Math.sin(Math.PI * Math.min(1, share + 0.12));
    const out = 0.07 * (1 - p.elbowDrop / 120);
    elbow = { x: shoulder.x - inward * out * deep, y: shoulder.y + (0.11 + p.elbowDrop * 0.0012) * deep * p.pullDepth };
    hand = {
      x: side * HALF_SHOULDER * 0.9 + inward * p.pullOffset * HALF_SHOULDER * deep,
      y: shoulder.y + 0.3 * deep * p.pullDepth + 0.03,
    };
  } else {
    const share = (local - 0.64) / 0.36;
    const high = Math.sin(Math.PI * Math.min(1, share * 0.9 + 0.08));
    elbow = { x: shoulder.x - inward * 0.09 * p.recoveryWidth * high, y: shoulder.y - 0.15 * p.recoveryHeight * high };
    hand = {
      x: elbow.x - inward * 0.05 * (p.recoveryWidth - 0.6),
      y: Math.min(shoulder.y - 0.02, elbow.y + 0.12 * (2 - p.recoveryHeight)),
    };
  }
  return [
    { region, from: shoulder, to: elbow, r0: 0.033, r1: 0.026, far: false },
    { region, from: elbow, to: hand, r0: 0.026, r1: handRadius, far: false },
  ];
}
