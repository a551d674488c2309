// Every card is found by what people call it, and every sign by its words or by a tap.
import { findDrills, findLadders, drillIds, LADDER_IDS } from '../library';
import { CAUSE_IDS, causesFor, findCauses, findSigns, SIGN_IDS, signCard, signsFor, STROKES } from '../review';
import { MOMENTS, regionPoints, signsAt, VIEWS, drawnFigure, posedBy } from '.';

describe('everyday words', () => {
  it.each([
    ['sculling', () => findDrills('sculling', drillIds()).length, 3],
    ['nose', () => findDrills('nose', drillIds()).length, 3],
    ['open turn', () => findDrills('open turn', drillIds()).length, 1],
    ['open turn', () => findLadders('open turn', LADDER_IDS).length, 1],
    ['midline', () => findCauses('midline', CAUSE_IDS).length, 2],
    ['midline', () => findSigns('midline', SIGN_IDS, CAUSE_IDS).length, 2],
    ['tummy', () => findSigns('tummy', SIGN_IDS, CAUSE_IDS).length, 1],
    ['panic', () => findCauses('panic', CAUSE_IDS).length, 1],
    ['flip turn', () => findLadders('flip turn', LADDER_IDS).length, 1],
  ] as const)('%s finds something', (_, count, least) => expect(count()).toBeGreaterThanOrEqual(least));

  it('find the first answer first', () => {
    expect(findCauses('midline', CAUSE_IDS)).toContain('crosses-midline');
    expect(findDrills('open turn', drillIds())[0]).toBe('open-turn-ladder');
    expect(findSigns('kick too slow', SIGN_IDS, CAUSE_IDS)[0]).toBe('kick-slow');
  });
});

describe('every sign can be reached', () => {
  it.each(STROKES)('of %s, by its own words', (stroke) => {
    for (const id of signsFor(stroke))
      expect(findSigns(signCard(id).seen, signsFor(stroke), causesFor(stroke))[0]).toBe(id);
  });

  it.each(STROKES)('of %s, by a part that can be tapped in some view at some moment', (stroke) => {
    const regions = new Set(
      VIEWS.flatMap((view) =>
        [null, ...MOMENTS[stroke].map((m) => m.phase)].flatMap((phase) =>
          regionPoints(drawnFigure(stroke, view, posedBy([]), phase ?? 0)).map((p) => p.region),
        ),
      ),
    );
    const reached = new Set([...regions].flatMap((region) => signsAt(region, signsFor(stroke))));
    // What only the swimmer or the track can tell has no part of the body.
    const onBody = signsFor(stroke).filter((id) => !['talk', 'track'].includes(signCard(id).view));
    expect(onBody.filter((id) => !reached.has(id))).toEqual([]);
  });
});
