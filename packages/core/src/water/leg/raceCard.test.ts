import { legsOf, outsideSwimmer, placeAt, planLeg, raceCard, type CardQuestion, type Course, type WaterNow } from '..';

const START = { lat: 31.4, lon: -41.2 };
const COURSE: Course = {
  start: START,
  marks: [
    { id: '1', name: '1', turn: 'right', ...placeAt(START, 0, 400) },
    { id: '2', name: '2', turn: 'right', ...placeAt(placeAt(START, 0, 400), 90, 300) },
  ],
  finish: placeAt(START, 90, 10),
  laps: 2,
  areas: [],
  landmarks: [{ id: 'n', name: 'the notch', widthM: 150, heightM: 120, fixed: true, ...placeAt(START, 1, 3000) }],
};
const WATER: WaterNow = {
  ...{ at: new Date('2027-06-21T11:00:00Z'), currentMps: 0, currentToDeg: 90, waveHeightM: 0.3, waveFromDeg: 90 },
  ...{ hazy: false, cloudy: true, feet: false },
};
const known = { level: 'hold', model: 'long-line', bests: [], drift: null, rateSpm: 62 } as const;
const legs = legsOf(COURSE);
const swimmer = outsideSwimmer(known, 1700);
const question = (water: Partial<WaterNow> = {}, change: Partial<CardQuestion> = {}): CardQuestion => ({
  ...{ course: 'Loop', swimmer: 'Ada Lindqvale', day: '21 June, 11:00', breathes: 'both' },
  ...{ waterC: 16, sunny: true },
  plans: legs.map((l, i) => planLeg(l, legs[i + 1] ?? null, swimmer, { ...WATER, ...water }, COURSE, 1)),
  ...change,
});

describe('the race card', () => {
  const card = raceCard(question());

  it('has every leg in order with its time, and they add up', () => {
    expect(card.legs.map((l) => l.name)).toEqual(['Start to 1', '1 to 2', '2 to 1', '1 to 2', '2 to Finish']);
    expect(card.timeS).toBeCloseTo(
      card.legs.reduce((sum, l) => sum + l.timeS, 0),
      9,
    );
    expect(card.metres).toBeCloseTo(
      legs.reduce((sum, l) => sum + l.lengthM, 0),
      6,
    );
    // The same way again is the same swim; only the side may differ with what comes next.
    expect(card.legs[3]).toEqual({ ...card.legs[1], side: card.legs[3]!.side });
  });

  it('counts to an easy number that costs next to nothing', () => {
    for (const { every, good } of card.legs) {
      expect(every).toBeGreaterThanOrEqual(good[0]);
      expect(every).toBeLessThanOrEqual(good[1]);
    }
    expect(card.legs[0]!.aim).toContain('the notch');
    expect(card.legs[4]!.aim).toBe('the finish itself');
    expect(card.legs.at(-1)!.turn).toBeNull();
  });

  it('warns of a side that the swimmer cannot breathe to', () => {
    // Chop from the east: the way north wants the left side.
    expect(card.legs[0]!.side).toBe('left');
    const said = (breathes: CardQuestion['breathes'], water: Partial<WaterNow> = {}) =>
      raceCard(question(water, { breathes })).ifs.find((i) => i.when.startsWith('I breathe'))?.then;
    expect(said('right')).toBe(
      `expect water in the face there: turn the head a little more, look every ${card.legs[0]!.every - 2}.`,
    );
    expect(said('both')).toBeUndefined();
    // Where only the next turn speaks for a side, there is nothing to expect.
    expect(said('left', { waveHeightM: 0 })).toBeUndefined();
    // A low sun in the west: glare, and no waves.
    const evening = { waveHeightM: 0, cloudy: false, at: new Date('2027-06-21T21:00:00Z') };
    expect(said('left', evening)).toMatch(/^expect glare there/);
  });

  it('says how the waves are swum, and nothing of them where there are none', () => {
    const start = (waveHeightM: number) => raceCard(question({ waveHeightM })).start.join(' ');
    expect(start(0.8)).toMatch(/Higher recovery.*Shorter and quicker: 66 strokes/);
    expect(start(0)).not.toMatch(/recovery|quicker/);
    expect(raceCard(question({ waveHeightM: 0.8 })).legs.map((l) => l.rateSpm)).toEqual([66, 66, 66, 66, 66]);
  });

  it('has feeds where the swim is over ninety minutes, and none before', () => {
    expect(card.feeds).toEqual([]);
    const slow = { ...swimmer, speedMps: 0.28, strokeLengthM: (0.28 * 60) / 62 };
    const plans = legs.map((l, i) => planLeg(l, legs[i + 1] ?? null, slow, { ...WATER, waveHeightM: 0 }, COURSE, 1));
    const long = raceCard(question({}, { plans }));
    expect(long.timeS).toBeGreaterThan(95 * 60);
    expect(long.feeds[0]).toMatch(/^Feed at 45 and 75 minutes/);
  });

  it('is the same card for the same question, and none in water that cannot be swum', () => {
    expect(raceCard(question())).toEqual(card);
    expect(() => raceCard(question({ currentMps: 2 }))).toThrow(/cannot be swum/);
  });

  it('says what to do when the mark is lost, breathing gets out of control or it is cold', () => {
    const all = card.ifs.map((i) => `${i.when}: ${i.then}`).join(' ');
    for (const word of ['three looks', 'breathe out slowly', 'shiver', 'arm up', 'wrong buoy', 'weed', 'star float'])
      expect(all).toContain(word);
  });
});
