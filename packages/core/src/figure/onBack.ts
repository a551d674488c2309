// The swimmer on the back: the same body turned over, with long arms that lie on the water.
import { RAD } from '../units';
import { armBones, FOREARM, HAND, signOf, UPPER_ARM } from './body';
import type { FigureParameters } from './parameters';
import type { Bone, Point3, Skeleton } from './shapes';

/** Depth about which the body turns over, statures: the face lies at the surface. */
const AXIS = 0.045;

const turned = ({ x, y, z }: Point3): Point3 => ({ x, y: 2 * AXIS - y, z: -z });
const direction = ({ x, y, z }: Point3): Point3 => ({ x, y: -y, z: -z });

/**
 * A swimmer turned over about the long axis, both arms straight at `armsWide` degrees from the head: 45 is a star, 170
 * has the hands by the hips. Nobody blows bubbles there.
 */
export function onBack(skeleton: Skeleton, { armsWide }: Pick<FigureParameters, 'armsWide'>): Skeleton {
  const body = skeleton.bones
    .filter(({ region }) => !region.endsWith('arm'))
    .map((bone): Bone => ({ ...bone, from: turned(bone.from), to: turned(bone.to) }));
  const arms = (['right', 'left'] as const).map((side) => {
    // Turned over, the left arm lies where the right one was.
    const shoulder = turned(skeleton.bones.find((bone) => bone.side === side && bone.region.endsWith('arm'))!.from);
    const [forward, out] = [Math.cos(armsWide * RAD), -signOf(side) * Math.sin(armsWide * RAD)];
    const at = (length: number): Point3 => ({
      x: shoulder.x - forward * length,
      y: shoulder.y,
      z: shoulder.z + out * length,
    });
    const joints = [UPPER_ARM, UPPER_ARM + FOREARM, UPPER_ARM + FOREARM + HAND].map(at) as [Point3, Point3, Point3];
    return armBones('front arm', side, [shoulder, ...joints]);
  });
  return {
    ...skeleton,
    bones: [...arms[0]!, ...body, ...arms[1]!],
    head: { centre: turned(skeleton.head.centre), gaze: direction(skeleton.head.gaze) },
    bubbles: [],
    strain: skeleton.strain.map(turned),
  };
}
