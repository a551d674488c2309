import { groupShares, ownShares, proposeGroups, TIMED_STROKES, type StrokeTime } from '..';

const time = (stroke: StrokeTime['stroke'], distanceM: number, timeS: number): StrokeTime => ({
  ...{ stroke, distanceM, timeS },
});
const CRAWL = [
  { distanceM: 50, timeS: 36 },
  { distanceM: 100, timeS: 81 },
  { distanceM: 400, timeS: 360 },
];

describe('own times in other strokes', () => {
  it.each([
    // Against crawl over the same distance: 81 s over 90 s.
    ['a known distance', [time('backstroke', 100, 90)], { backstroke: 0.9 }],
    [
      'several strokes',
      [time('backstroke', 100, 90), time('breaststroke', 50, 48)],
      { backstroke: 0.9, breaststroke: 0.75 },
    ],
    ['the longest swim of a stroke', [time('backstroke', 50, 60), time('backstroke', 100, 90)], { backstroke: 0.9 }],
    ['a slip of the finger', [time('butterfly', 50, 500)], {}],
    ['a swim far longer than a training set', [time('medley', 800, 900)], {}],
    ['nothing', [], {}],
  ] as const)('%s', (_, times, shares) => expect(ownShares(times, CRAWL)).toEqual(shares));

  it('hold a distance against what crawl would be there, and nothing without a crawl time', () => {
    const { medley } = ownShares([time('medley', 200, 200)], CRAWL);
    // Between 81 s over 100 m and 360 s over 400 m crawl takes about 171 s over 200 m.
    expect(medley).toBeGreaterThan(0.8);
    expect(medley).toBeLessThan(0.9);
    expect(ownShares([time('medley', 200, 200)], [])).toEqual({});
  });

  it('of a group are those that the slower half can keep', () => {
    expect(groupShares([{ backstroke: 0.9 }, { backstroke: 0.8 }, {}, { backstroke: 0.85, medley: 0.8 }])).toEqual({
      ...{ backstroke: 0.8, medley: 0.8 },
    });
    expect(groupShares([])).toEqual({});
    expect(TIMED_STROKES).not.toContain('front-crawl');
  });

  it('reach the request of a session', () => {
    const who = { level: 'hold', model: 'long-line', bestTimes: CRAWL, focus: null, healthFlags: [] } as const;
    const [group] = proposeGroups([{ ...who, strokeTimes: [time('backstroke', 100, 90)] }], {});
    expect(group!.strokeShares).toEqual({ backstroke: 0.9 });
    expect(proposeGroups([who], {})[0]!.strokeShares).toEqual({});
  });
});
