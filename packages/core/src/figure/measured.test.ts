// What is measured on the simulated swimmer is what it was made to show.
import { handPastMiddleCm } from '../measures';
import { sightingIn, bandsOf, type SignId } from '../review';
import { posedBy, skeletonOf } from '.';

/** Hand and shoulders from the front at the moment of entry, as a coach would click them. */
function clicked(signs: readonly SignId[], severity = 1) {
  const { bones } = skeletonOf(
    'front-crawl',
    posedBy(signs, () => severity),
    0.03,
  );
  const arms = bones.filter((bone) => bone.region.endsWith('arm'));
  const at = ({ z, y }: { z: number; y: number }) => ({ x: z, y });
  const shoulder = (side: 'left' | 'right') => at(arms.find((bone) => bone.side === side)!.from);
  const front = arms.filter((bone) => bone.region === 'front arm');
  return {
    hand: [at(front[0]!.from), at(front.at(-1)!.to)] as const,
    shoulders: [shoulder('left'), shoulder('right')] as const,
  };
}

const measured = (signs: readonly SignId[], severity = 1) => {
  const { hand, shoulders } = clicked(signs, severity);
  return handPastMiddleCm(hand, shoulders);
};

it('a hand that crosses is measured past the middle, one on its rail is not', () => {
  expect(measured([])).toBeLessThan(0);
  expect(measured(['enters-past-middle'])).toBeGreaterThan(0);
  // The more of it, the further.
  expect(measured(['enters-past-middle'], 0.5)).toBeLessThan(measured(['enters-past-middle'], 1));
});

it('and leads to the sign in the review', () => {
  const band = bandsOf('long-line').find((b) => b.measure === 'pastMiddleCm')!;
  expect(sightingIn(band, measured(['enters-past-middle']))).not.toBe('absent');
  expect(sightingIn(band, measured([]))).toBe('absent');
});
