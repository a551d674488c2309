import { legsOf, mixedUp, placeAt, type Course, type Place } from '..';

const START = { lat: 31.4, lon: -41.2 };
const mark = (id: string, place: Place) => ({ id, name: id, turn: 'right' as const, ...place });
const from = (bearing: number, metres: number) => placeAt(START, bearing, metres);
/** From the start to a mark 300 m north, with another somewhere. */
const said = (other: Place, finish: Place = from(180, 900)) => {
  const course: Course = {
    ...{ start: START, marks: [mark('1', from(0, 300)), mark('2', other)], finish, laps: 1, areas: [], landmarks: [] },
  };
  return mixedUp(legsOf(course)[0]!, course);
};

describe('marks that look alike', () => {
  it('are told apart by what is seen first', () => {
    expect(said(from(5, 200))).toBe(
      'Mark 2 stands in nearly the same direction and nearer: not the first buoy you see, the second.',
    );
    expect(said(from(355, 400))).toBe(
      'Mark 2 stands in nearly the same direction, farther away: stop at the first buoy, not at the one behind it.',
    );
    expect(said(from(6, 300))).toBe(
      'Mark 2 stands in nearly the same direction, as far away: take the buoy on the left.',
    );
    expect(said(from(354, 300))).toContain('take the buoy on the right');
  });

  it('are counted when several stand before it, and the finish is one of them', () => {
    expect(said(from(4, 200), from(359, 250))).toBe(
      'The finish stands in nearly the same direction and nearer: not the first buoy you see, number 3.',
    );
  });

  it.each([
    ['far off to the side', from(11, 300)],
    ['much nearer', from(2, 140)],
    ['much farther', from(2, 610)],
    ['behind', from(180, 300)],
    ['at the mark itself', from(0, 305)],
    ['at the start', from(0, 5)],
  ])('are not feared when the other is %s', (_where, other) => {
    expect(said(other)).toBeNull();
  });

  it('are the same place when the same mark is swum again', () => {
    const course: Course = {
      ...{ start: START, marks: [mark('1', from(0, 300))], finish: START, laps: 3, areas: [], landmarks: [] },
    };
    for (const leg of legsOf(course)) expect(mixedUp(leg, course)).toBeNull();
  });
});
