import { DRILL_IDS, drillCard, LADDER_IDS, ladderCard, cardProblems, unsafeWords, type Drill } from '.';

/** A card as a club writes it. */
const FIST: Drill = {
  name: 'Paper boats',
  purpose: 'The forearm feels the water when the hand is small.',
  steps: ['Roll the fingers in.', 'Swim easy and feel the forearm.', 'Open the hand after ten strokes.'],
  feel: 'A long lever from the elbow.',
  mistakes: ['pulling faster'],
  cue: 'Push with the forearm.',
  kit: [],
  places: ['pool'],
  from: 'build',
  contradicts: [],
  view: 'side',
  dose: { kind: 'distance', tries: 4, metres: 25, mostM: 50 },
  factor: 0.8,
  cautions: [],
  notWith: [],
};
const problems = (change: Partial<Drill>) => cardProblems('own-paper-boats', { ...FIST, ...change });
const fields = (change: Partial<Drill>) => problems(change).map(({ field }) => field);

describe('a card of a club', () => {
  it('may be what a coach would write', () => expect(problems({})).toEqual([]));

  it.each(DRILL_IDS)('may be as the built-in one is: %s', (id) => expect(cardProblems(id, drillCard(id))).toEqual([]));

  it('needs a place', () => {
    expect(problems({ places: [] })).toEqual([
      { field: 'places', message: 'Say where it is done. Without a place it cannot be planned.' },
    ]);
  });

  it.each([
    ['wall', 'What is done at the wall is counted in tries or seconds, never in metres.'],
    ['shallow', 'What is done in standing depth is counted in tries or seconds, never in metres.'],
    ['land', 'What is done on land is counted in tries or seconds, never in metres.'],
  ] as const)('has no metres on the spot: %s', (place, message) => {
    expect(problems({ places: [place], cautions: ['Someone close by.'] })).toEqual([{ field: 'dose', message }]);
  });

  it('has metres where the pool is one of its places', () =>
    expect(fields({ places: ['wall', 'pool'], cautions: ['Edge check first.'] })).toEqual([]));

  it('has a pace with a distance, and none without', () => {
    expect(fields({ factor: null })).toEqual(['factor']);
    expect(fields({ dose: { kind: 'seconds', tries: 3, seconds: 20 } })).toEqual(['factor']);
  });

  // By hand: 200 m, 60 s and 20 tries are the most.
  it.each([
    [{ kind: 'distance', tries: 4, metres: 25, mostM: 200 }, []],
    [{ kind: 'distance', tries: 4, metres: 25, mostM: 201 }, ['dose']],
    [{ kind: 'distance', tries: 21, metres: 25, mostM: 50 }, ['dose']],
    [{ kind: 'distance', tries: 4, metres: 100, mostM: 50 }, ['dose']],
  ] as const)('has a dose that can be swum: %o', (dose, at) => expect(fields({ dose })).toEqual(at));

  it.each([
    [60, []],
    [61, ['dose']],
  ] as const)('counts at most a minute of one try: %s', (seconds, at) =>
    expect(fields({ factor: null, dose: { kind: 'seconds', tries: 3, seconds } })).toEqual(at),
  );

  it('keeps people who cannot swim 50 m out of deep water', () => {
    const cautions = ['Someone close by.'];
    expect(fields({ from: 'settle', places: ['deep'], cautions })).toEqual(['from']);
    expect(fields({ from: 'build', places: ['deep'], cautions })).toEqual([]);
  });

  it('says what to watch at the wall, where one stands and where one cannot', () =>
    expect(fields({ places: ['pool', 'deep'] })).toEqual(['cautions']));

  it('closes the eyes for ten strokes, not for lengths', () => {
    const steps = ['Close your eyes and swim straight.'];
    expect(fields({ steps })).toEqual(['dose']);
    expect(fields({ steps, dose: { kind: 'distance', tries: 3, metres: 10, mostM: 15 } })).toEqual([]);
    expect(fields({ steps, from: 'settle', dose: { kind: 'distance', tries: 3, metres: 10, mostM: 15 } })).toEqual([
      'from',
    ]);
  });

  it('dives only where the depth is said', () => {
    const steps = ['Dive in from the side and glide.'];
    expect(fields({ steps })).toEqual(['cautions']);
    expect(fields({ steps, cautions: ['At least the depth that the pool asks for.'] })).toEqual([]);
  });
});

describe('words that a card must not hold', () => {
  it.each([
    'Swim 15 m under water.',
    'Glide underwater as far as you can.',
    'A whole length under the surface.',
    'Who stays longest under water?',
    'Kick submerged to the other side.',
    'Underwater kicks, 25 metres.',
    '10 m with hands and head under water.',
    'Hold your breath for ten strokes.',
    'Push off. Holding the breath, kick.',
    'Swim 25 m without breathing.',
    'No breath until the wall.',
    'Do not breathe in the last five strokes.',
    'Breath-hold kick on the front.',
    'Hypoxic fifties.',
    'Ten deep breaths first.',
    'Breathe with fast breaths, then go.',
    'Hyperventilate a little.',
    'Never hurry; hold your breath instead.',
    'Twenty metres under water.',
    'Half the pool under water.',
    '25 UW kick.',
    'Swim under\n water, 15 m.',
    'Swim un\u200Bder water, 15 m.',
    'Breathe only at the walls.',
    'Breathe every 7 strokes.',
    'A breath every nine strokes.',
    'A lung buster to finish.',
  ])('“%s”', (text) => {
    expect(unsafeWords(text)).not.toBeNull();
    expect(fields({ steps: ['Swim easy.', text] })).toEqual(['steps']);
    expect(fields({ cue: text })).toEqual(['cue']);
  });

  it.each([
    'Breathe out under water.',
    'Never hold your breath.',
    'Don’t hold your breath: hum.',
    'A quiet breath, the ear stays wet.',
    'The hand enters 20 cm under the surface.',
    'Breathe every three strokes for 50 m.',
    'Breathe every 5 strokes.',
    'A breath every ten seconds.',
    'Breathe when you like, every 10 m a look.',
    'Take a comfortable breath and lie down.',
    'Recover with the hands under water for 25 m.',
  ])('and words that it may: “%s”', (text) => expect(unsafeWords(text)).toBeNull());

  it('are in no ladder', () => {
    for (const id of LADDER_IDS)
      for (const { what, pass, backIf } of ladderCard(id).steps)
        expect([what, pass, backIf].map(unsafeWords)).toEqual([null, null, null]);
  });

  it('may be warned of', () => {
    const warned = { mistakes: ['holding your breath'], cautions: ['Never a distance under water: no contest.'] };
    expect(fields(warned)).toEqual([]);
  });
});

describe('a card laid over a built-in one', () => {
  const lean = drillCard('chest-lean');
  const over = (change: Partial<Drill>) => cardProblems('chest-lean', { ...lean, ...change }).map(({ field }) => field);

  it('may have other words and ask for more care', () => {
    expect(
      over({ cue: 'Chest down, heels up.', from: 'build', cautions: [...lean.cautions, 'A partner beside.'] }),
    ).toEqual([]);
    expect(over({ dose: { kind: 'seconds', tries: 4, seconds: 8 }, notWith: ['panic'] })).toEqual([]);
  });

  it('asks for no less', () => {
    expect(over({ cautions: ['Careful.'] })).toEqual(['cautions']);
    expect(over({ dose: { kind: 'seconds', tries: 6, seconds: 11 } })).toEqual(['dose']);
    expect(over({ places: ['shallow', 'pool'] })).toEqual(['places']);
    expect(over({ dose: { kind: 'repeats', tries: 4, eachS: 8 } })).toEqual(['dose']);
    const exhale = drillCard('exhale-pause-sip');
    expect(
      cardProblems('exhale-pause-sip', { ...exhale, notWith: ['heart'], from: 'settle', places: ['pool'] }).map(
        (p) => p.field,
      ),
    ).toEqual(['notWith', 'from']);
    const tumble = drillCard('tumble-ladder');
    const { levelEdge: _, ...flat } = tumble;
    expect(cardProblems('tumble-ladder', flat).map((p) => p.field)).toContain('levelEdge');
  });
});
