import {
  AIR_C,
  feltC,
  longestInWater,
  reasonProblem,
  WARM_WETSUIT,
  WATER_PEOPLE,
  waterNoteWords,
  type WaterPerson,
} from '.';

/** The table of the longest time in the water, written a second time: °C, then bare and wetsuit for each. */
const TABLE: readonly [fromC: number, toC: number, used: string, first: string, child: string][] = [
  [-4, 9.9, '0/0', '0/0', '0/0'],
  [10, 11.9, '5/10', '0/0', '0/0'],
  [12, 13.9, '10/20', '0/5', '0/0'],
  [14, 15.9, '20/40', '0/10', '0/5'],
  [16, 17.9, '40/75', '10/20', '0/15'],
  [18, 19.9, '60/90', '20/30', '15/25'],
  [20, 23.9, '90/120', '45/60', '40/50'],
  // By the plan without a wetsuit; in one at most an hour, and over 26 °C none.
  [24, 26, '600/60', '60/60', '50/50'],
  [26.1, 28.9, '600/0', '60/0', '50/0'],
  [29, 30.9, '30/0', '20/0', '20/0'],
  [31, 45, '0/0', '0/0', '0/0'],
];

describe('the longest time in the water', () => {
  it.each(TABLE)('from %p to %p °C', (fromC, toC, used, first, child) => {
    const wanted: Record<WaterPerson, string> = { used, first, child };
    for (const c of [fromC, (fromC + toC) / 2, toC]) {
      for (const who of WATER_PEOPLE) {
        const of = (wetsuit: boolean) => longestInWater(c, who, wetsuit).minutes;
        expect([c, who, `${of(false)}/${of(true)}`]).toEqual([c, who, wanted[who]]);
      }
    }
  });

  it('says why a wetsuit is too warm', () => {
    expect(waterNoteWords(longestInWater(25, 'used', true).note)).toMatch(/heat builds up.*Drink.*events forbid/);
    expect(waterNoteWords(longestInWater(28.5, 'used', true).note)).toMatch(/Over 26 °C no wetsuit: heat builds up/);
    expect(longestInWater(26, 'used', true).minutes).toBe(60);
    expect(longestInWater(23.9, 'used', true).note).toBeNull();
    // Where nobody swims in a wetsuit anyway, the water's own word stands.
    expect(longestInWater(30, 'used', true)).toEqual({ minutes: 0, note: 'easy-no-wetsuit' });
    expect(longestInWater(35, 'used', true)).toEqual({ minutes: 0, note: 'too-warm' });
    expect(waterNoteWords(null)).toBe('');
    expect(WARM_WETSUIT).toEqual({ fromC: 24, minutes: 60, overC: 26 });
  });

  it.each([-5, 50, Number.NaN])('is not for %p °C', (c) =>
    expect(() => longestInWater(c, 'used', true)).toThrow(RangeError),
  );
});

describe('air', () => {
  // From the published table of wind chill, −10 °C at 20 km/h is −18, 0 °C at 30 km/h is −6, 5 °C at 10 km/h is 3.
  it.each([
    [-10, 20 / 3.6, -18],
    [0, 30 / 3.6, -6],
    [5, 10 / 3.6, 3],
    [-20, 40 / 3.6, -34],
  ])('of %p °C feels in %p m/s like %p °C', (airC, wind, felt) => expect(Math.round(feltC(airC, wind))).toBe(felt));

  it('feels like itself when it is warm or still', () => {
    expect([feltC(20, 10), feltC(-10, 1)]).toEqual([20, -10]);
    expect(AIR_C).toEqual({ shelter: 5, feltShelter: 0, stop: -5, hot: 30 });
  });
});

describe('a reason', () => {
  it.each([
    '..........',
    'ok',
    'aaaaaaaaaaaaaaaaaaaaaaaaaaaa',
    'yes yes yes yes yes yes yes yes',
    'xxx yyy zzz qqq www eee rrr ttt',
    'fine by me',
    // Nineteen letters; three words; no word of three letters.
    'abcd efghi jklmn opqrs',
    'abcdefgh ijklmnop qrstuvw',
    'a b c d e f g h i j k l m n o p q r s t u v',
    '1234567890 1234567890 1234567890',
    '! ! ! ! ! ! ! ! ! ! ! ! ! !',
    '',
  ])('is not %p', (text) => expect(reasonProblem(text)).toMatch(/in full/));

  it.each([
    'The harbour master allows it until nine.',
    // Four words and twenty letters are just enough.
    'abcde fghij klmno pqrst',
    'Winter rules of the club, section two, apply here.',
    'Der Hafenmeister erlaubt es bis neun Uhr.',
    'Ложись на воду спокойно, правила клуба разрешают.',
  ])('is %p', (text) => expect(reasonProblem(text)).toBeNull());
});
