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
  ...{ course: 'Loop', swimmer: 'Ada Lindqvale', day: '21 June, 11:00', rateSpm: swimmer.rateSpm, breathes: 'both' },
  ...{ waterC: 16, sunny: true },
  plans: legs.map((l, i) => planLeg(l, legs[i + 1] ?? null, swimmer, { ...WATER, ...water }, COURSE.landmarks, 1)),
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
    const said = (breathes: CardQuestion['breathes']) =>
      raceCard(question({}, { breathes })).ifs.some((i) => i.when.startsWith('I must breathe'));
    expect([said('right'), said('both')]).toEqual([true, false]);
  });

  it('is the same card for the same question, and none in water that cannot be swum', () => {
    expect(raceCard(question())).toEqual(card);
    expect(() => raceCard(question({ currentMps: 2 }))).toThrow(/cannot be swum/);
  });

  it('says what to do when the mark is lost, breathing gets out of control or it is cold', () => {
    const all = card.ifs.map((i) => `${i.when}: ${i.then}`).join(' ');
    for (const word of ['three looks', 'breathe out slowly', 'shiver', 'arm up']) expect(all).toContain(word);
  });
});
