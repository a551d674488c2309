import { handout } from '.';

const input = {
  givenName: 'Ines',
  stroke: 'front-crawl',
  signs: { 'legs-low': 'often', 'hips-low-eyes-down': 'often', zigzags: 'absent' },
  good: 'Calm breath',
  cause: 'no-chest-press',
  drill: 'chest-lean',
  cue: 'Let your breastbone carry your legs.',
  tries: 4,
  relookOn: '2027-03-01',
} as const;

describe('the page for the swimmer', () => {
  it('says one thing: the focus, its cue, the drill with its dose and its cautions', () => {
    const page = handout(input);
    expect(page).toMatchObject({
      focus: 'Chest riding high',
      cue: 'Let your breastbone carry your legs.',
      good: 'Calm breath',
    });
    expect(page.drill.dose).toBe('4 × 10 s at most');
    expect(page.cautions).toContain('Standing depth only. Stand up at the first wish for air.');
  });

  it('shows what was seen and leaves out what was not there', () => {
    expect(handout(input).figure).toMatchObject({ view: 'side', signs: ['legs-low', 'hips-low-eyes-down'] });
  });

  it('of a swimmer with many faults speaks of the one, and says what to do if it does not help', () => {
    const page = handout({ ...input, signs: { ...input.signs, 'long-in-air': 'often', 'hand-laid-flat': 'often' } });
    expect(page.seen).toHaveLength(2);
    expect(page.drill.ifNoHelp).toBe('No change after two tries? Tile gaze swim is the next answer.');
    // A coach may choose what no sign speaks for: then everything seen is shown.
    expect(handout({ ...input, cause: 'spins', drill: 'front-scull' }).seen).toHaveLength(2);
  });

  it('counts tries where a drill has no metres', () => {
    expect(handout({ ...input, drill: 'bob-ladder' }).drill.dose).toBe('4 times');
  });
});
