import { drillCard, type DrillId, DRILL_IDS, LADDER_IDS, ladderCard } from '../library';
import { CAUSE_IDS, SIGN_IDS } from '../review';
import { DRILL_POSES } from './drillPoses';
import {
  figureLayers,
  FLOOR,
  FRAME,
  NEUTRAL,
  pictured,
  pictureOfCause,
  pictureOfDrill,
  pictureOfLadder,
  pictureOfSign,
  skeletonOf,
  UNITS,
  type CardPicture,
  type Skeleton,
} from '.';

const drawn = (picture: CardPicture) => figureLayers(pictured(picture), picture.region).map((layer) => layer.d);

describe('the picture of a card', () => {
  it('can be drawn for every cause, sign and drill', () => {
    const pictures = [
      ...CAUSE_IDS.map(pictureOfCause),
      ...SIGN_IDS.map(pictureOfSign),
      ...DRILL_IDS.map((id) => pictureOfDrill(id)!),
    ];
    for (const picture of pictures) {
      expect(picture.phase).toBeGreaterThanOrEqual(0);
      expect(picture.phase).toBeLessThan(1);
      const outlines = drawn(picture).join(' ');
      expect(outlines.length).toBeGreaterThan(200);
      expect(outlines).not.toMatch(/NaN|undefined|Infinity/);
    }
  });

  it('shows a fault other than the stroke without one', () => {
    for (const picture of SIGN_IDS.map(pictureOfSign))
      expect(drawn(picture)).not.toEqual(drawn({ ...picture, posed: NEUTRAL }));
    for (const picture of CAUSE_IDS.map(pictureOfCause)) expect(picture.posed).not.toEqual(NEUTRAL);
  });

  it('stands or kneels on the floor for what is done on land', () => {
    // By hand: the four that are done on land alone.
    const onLand = DRILL_IDS.filter((id) => pictureOfDrill(id)!.land);
    expect(onLand).toEqual(DRILL_IDS.filter((id) => drillCard(id).places.join() === 'land'));
    expect([...onLand].sort()).toEqual(['ankle-mobility', 'barrel-reach', 'land-quick-hands', 'land-stroke']);
    for (const id of onLand) {
      const figure = pictured(pictureOfDrill(id)!);
      const lowest = Math.max(...figure.limbs.flatMap((l) => [l.from.y + l.r0, l.to.y + l.r1]));
      // Within a hundredth of a stature, and nothing hangs in the air or goes through the floor.
      expect(Math.abs(lowest - FLOOR)).toBeLessThan(0.012);
      expect(figure.bubbles).toEqual([]);
      // Face forward, to the left, and the head above the hips.
      expect(figure.head.face.x).toBeLessThan(0);
      expect(figure.head.centre.y).toBeLessThan(figure.limbs.find((l) => l.region === 'legs')!.from.y);
    }
  });

  it('lays the forearm over the barrel, and reaches long in front of the ear', () => {
    const near = (id: DrillId) => pictured(pictureOfDrill(id)!).limbs.slice(-3);
    const [, forearm] = near('barrel-reach');
    expect(forearm!.to.y).toBeGreaterThan(forearm!.from.y + 0.12);
    const [upper, , hand] = near('land-stroke');
    expect(hand!.to.x).toBeLessThan(upper!.from.x - 0.4);
  });

  it('is, of a ladder, that of its first drill', () => {
    // By hand: the first step of this one is done on land, kneeling.
    expect(pictureOfLadder('kick')).toEqual(pictureOfDrill('ankle-mobility'));
    for (const id of LADDER_IDS)
      if (ladderCard(id).steps.every((step) => !step.drill)) expect(pictureOfLadder(id)).toBeNull();
  });

  it('has poses of their own that differ from each other', () => {
    const own = Object.keys(DRILL_POSES).map((id) => JSON.stringify(DRILL_POSES[id as keyof typeof DRILL_POSES]));
    expect(own.length).toBeGreaterThan(58);
    // Three look the same: what is other in them cannot be seen from outside.
    expect(new Set(own).size).toBeGreaterThanOrEqual(own.length - 3);
  });

  it('has one for every drill in water', () => {
    expect(DRILL_IDS.filter((id) => !pictureOfDrill(id)!.land && !DRILL_POSES[id])).toEqual([]);
  });

  it('has two swimmers where one follows, clear of each other, and the one ahead paler', () => {
    const { stroke, posed, phase } = pictureOfDrill('following')!;
    const { bones, head } = skeletonOf(stroke, posed, phase);
    const [ahead, behind] = [bones.filter((b) => b.another), bones.filter((b) => !b.another)];
    // A body and a skull beside the one that is drawn as a head.
    expect(ahead).toHaveLength(behind.length + 1);
    const across = (of: typeof bones, sign: number) =>
      of.flatMap(({ from, to, r0, r1 }) => [from.z + sign * r0, to.z + sign * r1]);
    expect(Math.max(...across(ahead, 1))).toBeLessThan(Math.min(...across(behind, -1)));
    // At the hip: the head of the one behind is nearer to the hips of the one ahead than to its shoulders or feet.
    const along = ahead.filter((b) => b.region === 'legs').flatMap(({ from, to }) => [from.x, to.x]);
    const to = (x: number) => Math.abs(head.centre.x - x);
    expect(to(Math.min(...along))).toBeLessThan(Math.min(to(0), to(Math.max(...along))));
    const { limbs, rails } = pictured(pictureOfDrill('following')!);
    expect(limbs.filter((l) => l.far && l.from.y < 0)).toHaveLength(ahead.length);
    expect(rails).toEqual([]);
    const { x, y, width, height } = FRAME.top;
    for (const { from, to } of limbs)
      for (const at of [from, to]) {
        expect(at.x * UNITS).toBeGreaterThan(x);
        expect(at.x * UNITS).toBeLessThan(x + width);
        expect(Math.abs(at.y * UNITS)).toBeLessThan(Math.min(-y, y + height));
      }
  });

  it('has the wall at the hands where a drill holds it, and none elsewhere', () => {
    for (const id of DRILL_IDS) {
      const picture = pictureOfDrill(id)!;
      const { wallX, limbs } = pictured(picture);
      if (!picture.posed.atWall) {
        if (picture.stroke !== 'turn') expect(wallX).toBeNull();
        continue;
      }
      const arms = limbs.filter((l) => l.region.endsWith('arm')).map((l) => l.to.x);
      expect(Math.min(...arms) - wallX!).toBeGreaterThan(0);
      expect(Math.min(...arms) - wallX!).toBeLessThan(0.03);
    }
    // One stands with the head out of the water, held by the wall.
    const { head } = pictured(pictureOfDrill('wall-tries')!);
    expect(head.centre.y + head.radius).toBeLessThan(0);
    expect(head.face.x).toBeLessThan(-0.9);
  });

  it('lies on the back with the face up, the arms where the drill has them', () => {
    for (const id of ['back-scull', 'back-kick', 'star-float'] as const) {
      const picture = pictureOfDrill(id)!;
      const { head, limbs, bubbles } = pictured(picture);
      // From the side the face points up; from above it is seen.
      if (picture.view === 'side') expect(head.face.y).toBeLessThan(-0.9);
      else expect(head.facing).toBeGreaterThan(0.9);
      expect(bubbles).toEqual([]);
      const arms = limbs.filter((l) => l.region === 'front arm').map((l) => l.to.x);
      // A star has its hands before the head, the others beside the hips: 0.3 statures behind the shoulders at least.
      if (id === 'star-float') expect(Math.min(...arms)).toBeLessThan(head.centre.x);
      else expect(Math.max(...arms)).toBeGreaterThan(0.3);
      const { x, y, width, height } = FRAME[picture.view];
      for (const { to } of limbs) {
        expect([to.x * UNITS - x, x + width - to.x * UNITS].every((inside) => inside > 0)).toBe(true);
        expect([to.y * UNITS - y, y + height - to.y * UNITS].every((inside) => inside > 0)).toBe(true);
      }
    }
  });

  it('turns over about the long axis: what was deep is high, and the left is on the other side', () => {
    const prone = skeletonOf('breaststroke', NEUTRAL, 0.6);
    const supine = skeletonOf('breaststroke', { ...NEUTRAL, onBack: 1, armsWide: 90 }, 0.6);
    const foot = (of: Skeleton) => of.bones.filter((b) => b.region === 'legs' && b.side === 'left').at(-1)!.to;
    // By hand: turned about 0.045 statures under the surface.
    expect(foot(supine).y).toBeCloseTo(0.09 - foot(prone).y, 9);
    expect(foot(supine).z).toBeCloseTo(-foot(prone).z, 9);
    const hands = supine.bones.filter((b) => b.region === 'front arm').map((b) => b.to.z);
    expect(Math.max(...hands) + Math.min(...hands)).toBeCloseTo(0, 9);
    expect(Math.max(...hands)).toBeGreaterThan(0.4);
  });

  it('stands with the feet below the hips, or has both arms long in front, where the drill says so', () => {
    const limbs = (id: DrillId, region: string) =>
      pictured(pictureOfDrill(id)!).limbs.filter((l) => l.region === region);
    for (const id of ['walking-stroke', 'wall-breathing', 'stand-from-float', 'bob-ladder'] as const) {
      const [thigh] = limbs(id, 'legs');
      expect(Math.max(...limbs(id, 'legs').map((l) => l.to.y))).toBeGreaterThan(thigh!.from.y + 0.2);
    }
    for (const id of ['wall-kick', 'streamline-glide'] as const) {
      const { head } = pictured(pictureOfDrill(id)!);
      const hands = pictured(pictureOfDrill(id)!)
        .limbs.map((l) => l.to.x)
        .filter((x) => x < head.centre.x - 0.1);
      expect(hands.length).toBeGreaterThanOrEqual(2);
    }
  });

  it('shows what the coach would point at, by hand', () => {
    expect(pictureOfCause('looks-forward')).toMatchObject({ stroke: 'front-crawl', view: 'side', region: 'head' });
    expect(pictureOfSign('enters-past-middle')).toMatchObject({ view: 'front', phase: 0.03 });
    expect(pictureOfDrill('float-board-breathing')!.posed.board).toBe(1);
    expect(pictureOfDrill('pull-kick-glide')!.stroke).toBe('breaststroke');
    expect(pictureOfDrill('side-kick')!.posed.roll).toBe(84);
    expect(pictureOfDrill('barrel-reach')!.land!.legs).toBe('stand');
  });
});
