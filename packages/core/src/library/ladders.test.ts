import { ladderCard, STEPS_TO_TEN_METRES } from '.';

const at = (ladder: 'confidence' | 'kick', text: RegExp) =>
  ladderCard(ladder).steps.findIndex((step) => text.test(step.what));

describe('the order of the steps', () => {
  it('has standing up from a float before the first float', () => {
    expect(at('confidence', /^Stand up from a float/)).toBeGreaterThan(-1);
    expect(at('confidence', /^Stand up from a float/)).toBeLessThan(at('confidence', /feet floating/));
  });

  it('counts the steps up to ten metres on their own', () => {
    expect(ladderCard('confidence').steps[STEPS_TO_TEN_METRES - 1]!.what).toBe('Ten metres on their own.');
    expect(STEPS_TO_TEN_METRES).toBe(10);
  });

  it('leaves deep water to the last step of the kick, which nobody needs', () => {
    const { steps } = ladderCard('kick');
    expect(at('kick', /deep water: upright kick/)).toBe(steps.length - 1);
    expect(steps.at(-1)!.what).toMatch(/^If wanted/);
  });

  it('says when to breathe wherever the face is in for a time', () => {
    for (const { what } of [...ladderCard('confidence').steps, ...ladderCard('kick').steps])
      if (/face in:|floating;/.test(what)) expect(what).toMatch(/breath every five seconds/);
  });
});
