import { armRole, crawlArm } from './armCycle';
import {
  armBones,
  beside,
  bubbleTrail,
  FOREARM,
  gazeOf,
  HALF_HIP,
  HALF_SHOULDER,
  HAND,
  legBones,
  NOTHING_AROUND,
  signOf,
  strainPoints,
  TRUNK,
  trunkBones,
  UPPER_ARM,
  wakeOf,
} from './body';
import type { FigureParameters } from './parameters';
import { along, bell, ease, type Bone, type Point3, type Skeleton } from './shapes';

/** The share of a breath at a phase of the left arm: the face turns as that arm leaves the water. */
export function breathShare(phase: number, late = 0): number {
  const p = phase - Math.floor(phase);
  return ease(p, 0.44, 0.58) * (1 - ease(p, 0.76 + late, 0.9 + late));
}

/** The share of a look ahead, as the left arm reaches. */
const lookShare = (phase: number): number => bell(phase, 0.22, 0.2);

/**
 * The crawl swimmer in space, head to the left of a side view, breathing to the left side.
 *
 * @param phase 0 is the entry of the left hand; one whole cycle is 1
 */
export function crawlSkeleton(p: FigureParameters, phase: number): Skeleton {
  const breath = breathShare(phase, p.lateTurn);
  const look = lookShare(phase);
  const lift = p.headLift + p.breathLift * breath + p.lookLift * look;
  const trunk = p.trunk + p.breathTrunk * breath + p.lookTrunk * look;

  // The left shoulder is deepest in the reach and highest as that arm leaves.
  const swing = Math.cos(2 * Math.PI * (phase - 0.12));
  const amount = p.roll + p.breathRoll * breath + (swing < 0 ? p.rollSkew : -p.rollSkew);
  const roll = amount * swing;
  const wobble = Math.sin(2 * Math.PI * phase);
  const chest: Point3 = { x: 0, y: 0.06 - lift * 0.35 + p.bob * Math.cos(4 * Math.PI * phase), z: 0 };
  const seat = along(chest, 180 - trunk, TRUNK, p.snake * wobble);
  const shoulders = {
    left: beside(chest, 'left', HALF_SHOULDER, roll),
    right: beside(chest, 'right', HALF_SHOULDER, roll),
  };
  const hips = { left: beside(seat, 'left', HALF_HIP, roll * 0.6), right: beside(seat, 'right', HALF_HIP, roll * 0.6) };

  const arms = {
    left: p.board > 0 ? heldArm('left', shoulders.left) : crawlArmBones(p, 'left', shoulders.left, phase),
    right:
      p.board > 0
        ? heldArm('right', shoulders.right)
        : crawlArmBones(p, 'right', shoulders.right, phase + p.coordination),
  };
  const legs = (['right', 'left'] as const).map((side) => {
    const beat = phase * (p.beats / 2) + (side === 'left' ? 0 : 0.5);
    const swing = Math.sin(2 * Math.PI * beat);
    const depth = p.kickDepth * (1 + (p.breathKick - 1) * breath);
    const open = (p.scissor + p.breathScissor * breath) * signOf(side);
    // The knee bends on the way down, so the foot trails; on the way up the leg is nearly straight.
    const knee = p.kneeBend * (0.55 + 0.45 * swing) + 10 * Math.max(0, swing) * Math.min(1, depth);
    const apart = Math.min(0.5, Math.abs(open) * 0.012) - p.snake * wobble * signOf(side);
    return legBones(side, hips[side], {
      thigh: 180 - trunk - 7 * swing * depth - open,
      knee,
      foot: -p.ankle,
      out: apart,
      shankOut: apart,
      footOut: -0.12,
    });
  });

  const pitch = p.headPitch + p.breathPitch * breath + p.lookPitch * look;
  const neck = along(chest, -2 + pitch * 0.12, 0.105);
  const centre: Point3 = { x: neck.x, y: neck.y - 0.02 - lift, z: p.headSwing * wobble };
  const gaze = gazeOf(pitch, p.headTurn * breath);
  const mouth: Point3 = {
    x: centre.x + gaze.x * 0.045 - 0.012,
    y: centre.y + gaze.y * 0.045 + 0.012,
    z: centre.z + gaze.z * 0.045,
  };
  const hand = arms.left[2]!.to;
  return {
    bones: [...arms.right, ...legs[0]!, ...trunkBones(shoulders, hips, p.sag), ...legs[1]!, ...arms.left],
    head: { centre, gaze },
    bubbles: bubbleTrail(
      { ...mouth, y: breath > 0.5 && p.breathBubbles > 0 ? Math.max(mouth.y, 0.012) : mouth.y },
      p.bubbles * (1 - breath) + p.breathBubbles * breath,
    ),
    splash: { at: { ...hand, y: 0 }, size: p.splash },
    wake: wakeOf(p),
    strain: strainPoints(p, {
      neck: { x: -0.05, y: chest.y - 0.03, z: 0 },
      shoulder: shoulders.left,
      legs: legs[1]![0]!.to,
      chest: { ...chest, x: 0.08 },
    }),
    ...NOTHING_AROUND,
    board: p.board > 0 ? { x: -0.42, y: 0.01, z: 0 } : null,
  };
}

/** One arm: upper arm by the table, forearm toward the line where the hand should run. */
function crawlArmBones(p: FigureParameters, side: 'left' | 'right', shoulder: Point3, phase: number): Bone[] {
  const s = signOf(side);
  const region = armRole(phase);
  const angles = crawlArm(phase);
  const local = phase - Math.floor(phase);
  const leading = local < 0.3 ? 1 - Math.max(0, local - 0.2) * 10 : 0;
  const entering = Math.max(leading, ease(local, 0.9, 1));
  const catching = bell(local, 0.28, 0.16);
  const pulling = bell(local, 0.42, 0.22);
  const recovering = bell(local, 0.83, 0.17);

  const upper = angles.upper + p.leadArmDrop * leading + p.elbowDrop * 0.5 * catching;
  const fore = angles.fore + p.leadArmDrop * leading - p.elbowDrop * 0.6 * catching + p.leadArmBend * 28 * leading;
  const shallow = 1 + (p.pullDepth - 1) * 0.55 * pulling;
  const length =
    UPPER_ARM * (1 - 0.45 * p.leadArmBend * leading) * (1 + (p.recoveryHeight - 1) * 0.7 * recovering) * shallow;

  // Where across the body the hand should be: on its rail, unless something leads it inward.
  const rail = HALF_SHOULDER * (0.95 + 1.15 * recovering);
  const wanted =
    s *
    (rail -
      HALF_SHOULDER * (p.entryOffset * entering + p.pullOffset * pulling) +
      0.12 * (p.recoveryWidth - 1) * recovering);
  const out =
    s * UPPER_ARM * Math.sqrt(Math.max(0, 1 - angles.seen ** 2)) * (1 + (p.recoveryWidth - 1) * 0.5 * recovering);
  const inward =
    0.45 * (wanted - (shoulder.z + out)) * Math.max(entering * (p.entryOffset === 0 ? 0.3 : 1), pulling * 0.5);
  const elbow = along(shoulder, upper, length * angles.seen, out + inward);

  const reach = FOREARM * shallow;
  const across = Math.max(-0.85 * reach, Math.min(0.85 * reach, wanted - elbow.z));
  const wrist = along(elbow, fore, Math.sqrt(reach ** 2 - across ** 2), across);
  const palm = HAND * (1 - 0.3 * p.fist);
  const tip = along(wrist, angles.hand + p.leadArmDrop * leading - p.elbowDrop * 0.5 * catching, palm, across * 0.15);
  return [
    { region, side, from: shoulder, to: elbow, r0: 0.034, r1: 0.026 },
    { region, side, from: elbow, to: wrist, r0: 0.026, r1: 0.018 },
    { region, side, from: wrist, to: tip, r0: 0.019 + 0.006 * p.fist, r1: 0.011 + 0.009 * p.fist },
  ];
}

/** An arm that rests on a board. */
function heldArm(side: 'left' | 'right', shoulder: Point3): Bone[] {
  const inward = -signOf(side) * 0.03;
  const elbow = along(shoulder, -8, UPPER_ARM, inward);
  const wrist = along(elbow, -4, FOREARM, inward);
  const tip = along(wrist, 0, HAND, inward * 0.5);
  return armBones('front arm', side, [shoulder, elbow, wrist, tip]);
}
