import fc from 'fast-check';
import { readPosition } from '..';

describe('a position as it is written', () => {
  it.each([
    '31.4, -41.2',
    '31.4,-41.2',
    '31.4 -41.2',
    '31.4; −41.2',
    '31,4; -41,2',
    '31,4 -41,2',
    '31.4N 41.2W',
    '31.4° N, 41.2° W',
    'N31.4 W41.2',
    'W 41.2, N 31.4',
    'N 31° 24.0′ W 41° 12′ 0″',
    `31°24'00"N 41°12'00"W`,
    '31 24 0 N 41 12 0 W',
    'n 31 24.000 w 041 12.000',
    "  31° 24' N 41° 12' W  ",
  ])('%s', (text) => {
    const place = readPosition(text)!;
    expect(place.lat).toBeCloseTo(31.4, 9);
    expect(place.lon).toBeCloseTo(-41.2, 9);
  });

  it.each([
    '',
    'slip',
    '31.4',
    '31.4, 181',
    '91, 0',
    '31.4N 41.2S',
    '31 60 N 41 12 W',
    '31.4, 41.2, 3',
    'N N',
    '-31.4N 41.2W',
    '1e2 3',
    'N31.4N W41.2',
  ])('is not %p', (text) => expect(readPosition(text)).toBeNull());

  it('is the one that was written out, whatever it is', () => {
    const part = (deg: number, letters: string) => {
      const whole = Math.floor(Math.abs(deg));
      const minutes = (Math.abs(deg) - whole) * 60;
      return `${whole}° ${minutes.toFixed(6)}′ ${letters[deg < 0 ? 1 : 0]}`;
    };
    fc.assert(
      fc.property(
        fc.double({ min: -89, max: 89, noNaN: true }),
        fc.double({ min: -179, max: 179, noNaN: true }),
        (lat, lon) => {
          // Nobody writes sixty minutes.
          fc.pre([lat, lon].every((deg) => (Math.abs(deg) % 1) * 60 < 59.9999));
          for (const text of [`${lat.toFixed(7)}, ${lon.toFixed(7)}`, `${part(lat, 'NS')}, ${part(lon, 'EW')}`]) {
            const place = readPosition(text)!;
            expect(place.lat).toBeCloseTo(lat, 6);
            expect(place.lon).toBeCloseTo(lon, 6);
          }
        },
      ),
    );
    fc.assert(fc.property(fc.string({ maxLength: 30 }), (text) => void readPosition(text)));
  });
});
