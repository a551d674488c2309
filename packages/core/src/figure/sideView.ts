import { armRole, crawlArm } from './armCycle';
import type { FigureParameters } from './parameters';
import { along, type Figure, type Limb, type Point } from './shapes';

/** Segment lengths as shares of stature (after Drillis & Contini 1964). */
const UPPER_ARM = 0.186;
const FOREARM = 0.146;
const HAND = 0.095;
const TRUNK = 0.29;
const THIGH = 0.245;
const SHANK = 0.246;
const FOOT = 0.12;
const HEAD_RADIUS = 0.062;

const RAD = Math.PI / 180;

/**
 * The swimmer from the side, swimming to the left, at a phase of the near arm.
 *
 * A pure function of the parameters and the phase; the surface is y = 0.
 *
 * @param phase 0 is the entry of the near hand; one whole cycle is 1
 */
export function sideView(p: FigureParameters, phase: number): Figure {
  // The near shoulder is deepest in the reach and highest at the end of the push.
  const rollNow = p.roll * Math.cos(2 * Math.PI * (phase - 0.12));
  const shoulder: Point = { x: 0, y: 0.055 - p.headLift * 0.35 };
  const lift = Math.sin(rollNow * RAD) * 0.05;
  const near: Point = { x: 0.01, y: shoulder.y + lift };
  const far: Point = { x: 0.01, y: shoulder.y - lift };
  const middle = along(shoulder, 180 - p.trunk, TRUNK / 2);
  const belly: Point = { x: middle.x, y: middle.y + p.sag };
  const hip = along(shoulder, 180 - p.trunk, TRUNK);

  const limbs: Limb[] = [
    ...arm(p, far, phase + p.coordination, true),
    ...leg(p, hip, phase + 0.5, true),
    { region: 'body', from: shoulder, to: belly, r0: 0.058, r1: 0.056, far: false },
    { region: 'body', from: belly, to: hip, r0: 0.056, r1: 0.05, far: false },
    ...leg(p, hip, phase, false),
    {
      region: 'shoulders',
      from: { x: near.x - 0.015, y: near.y },
      to: { x: near.x + 0.03, y: near.y + 0.004 },
      r0: 0.046,
      r1: 0.046,
      far: false,
    },
    ...arm(p, near, phase, false),
  ];

  const neck = along(shoulder, -2 + p.headPitch * 0.12, 0.1);
  const centre: Point = { x: neck.x, y: neck.y - 0.022 - p.headLift };
  const mouth: Point = { x: centre.x - 0.03, y: centre.y + 0.045 };
  const under = mouth.y > 0.005;
  return {
    limbs,
    head: {
      centre,
      radius: HEAD_RADIUS,
      gaze: 90 + p.headPitch,
      facing: Math.min(1, Math.abs(Math.sin(Math.min(p.headTurn, 90) * RAD))),
    },
    bubbles: under ? bubbleTrail(mouth, p.bubbles) : [],
    splash: { at: handOf(limbs, false), size: p.splash },
    rails: [],
  };
}

function arm(p: FigureParameters, shoulder: Point, phase: number, far: boolean): Limb[] {
  const region = armRole(phase);
  const angles = crawlArm(phase);
  const local = phase - Math.floor(phase);
  const leading = local < 0.3 ? 1 - Math.max(0, local - 0.2) * 10 : 0;
  const catching = bell(local, 0.28, 0.16);
  const pulling = bell(local, 0.42, 0.2);
  const recovering = bell(local, 0.83, 0.16);

  const upper = angles.upper + p.leadArmDrop * leading + p.elbowDrop * 0.5 * catching;
  const fore = angles.fore + p.leadArmDrop * leading - p.elbowDrop * 0.6 * catching + p.leadArmBend * 28 * leading;
  const upperLength =
    UPPER_ARM * angles.seen * (1 - 0.45 * p.leadArmBend * leading) * (1 + (p.recoveryHeight - 1) * 0.7 * recovering);
  const shallow = 1 + (p.pullDepth - 1) * 0.55 * pulling;
  const elbow = along(shoulder, upper, upperLength * shallow);
  const wrist = along(elbow, fore, FOREARM * shallow);
  const tip = along(wrist, angles.hand + p.leadArmDrop * leading - p.elbowDrop * 0.5 * catching, HAND);
  return [
    { region, from: shoulder, to: elbow, r0: 0.034, r1: 0.026, far },
    { region, from: elbow, to: wrist, r0: 0.026, r1: 0.018, far },
    { region, from: wrist, to: tip, r0: 0.019, r1: 0.011, far },
  ];
}

function leg(p: FigureParameters, hip: Point, phase: number, far: boolean): Limb[] {
  // Six beats a cycle: three sines of each leg.
  const swing = Math.sin(2 * Math.PI * 3 * phase);
  const open = p.scissor * (far ? -1 : 1);
  const thighAngle = 180 - p.trunk - 7 * swing * p.kickDepth - open;
  // The knee bends on the way down, so the foot trails; on the way up the leg is nearly straight.
  const bend = p.kneeBend * (0.55 + 0.45 * swing) + 10 * Math.max(0, swing) * Math.min(1, p.kickDepth);
  const knee = along(hip, thighAngle, THIGH);
  const ankle = along(knee, thighAngle + bend, SHANK);
  const toe = along(ankle, thighAngle + bend - p.ankle, FOOT);
  return [
    { region: 'legs', from: hip, to: knee, r0: 0.05, r1: 0.032, far },
    { region: 'legs', from: knee, to: ankle, r0: 0.032, r1: 0.02, far },
    { region: 'legs', from: ankle, to: toe, r0: 0.019, r1: 0.01, far },
  ];
}

/** A smooth bump of height 1 around a phase. */
function bell(phase: number, centre: number, width: number): number {
  const away = Math.abs(((phase - centre + 1.5) % 1) - 0.5);
  return away > width ? 0 : Math.cos((away / width) * (Math.PI / 2)) ** 2;
}

function handOf(limbs: readonly Limb[], far: boolean): Point {
  const hands = limbs.filter((limb) => limb.far === far && limb.region !== 'legs' && limb.r1 < 0.012);
  return hands[hands.length - 1]!.to;
}

function bubbleTrail(mouth: Point, amount: number): Point[] {
  const count = Math.round(amount * 6);
  return Array.from({ length: count }, (_, i) => ({
    x: mouth.x + 0.02 + i * 0.022,
    y: Math.max(0.012, mouth.y - i * 0.006 + (i % 2) * 0.014),
  }));
}
