import { findDrills, findLadders, drillIds, LADDER_IDS } from '../library';
import { CAUSE_IDS, causesFor, findCauses, findSigns, SIGN_IDS, signCard, signsFor, STROKES } from '../review';
import { MOMENTS, regionPoints, signsAt, VIEWS, drawnFigure, posedBy } from '../figure';
import { findAmong, found } from '.';

describe('what is looked for', () => {
  it.each([
    ['', 'anything', '', 2],
    ['scull', 'Front scull', '', 2],
    ['sculling', 'Front scull', '', 2],
    ['FRONT', 'Front scull', '', 2],
    ['scull front', 'Front scull', '', 2],
    ['hum', 'Bob ladder', 'Hum out under water', 1],
    ['bob hum', 'Bob ladder', 'Hum out under water', 1],
    ['cull', 'Front scull', '', 0],
    ['scull back', 'Front scull', '', 0],
    ['crossover', 'Crossing over', '', 2],
    ['flip turn', 'Tumble turn', '', 2],
    ['the', 'Bob ladder', '', 0],
    ['*(', 'Bob ladder', '', 2],
  ] as const)('%j finds %j (%j): %d', (asked, name, others, fit) => expect(found(asked, name, others)).toBe(fit));

  it('puts what says it in its name first, and keeps the order of the rest', () => {
    const cards = ['a kick', 'kick', 'arms'] as const;
    const textOf = (card: string) => ({ name: card === 'a kick' ? 'arms too' : card, others: card });
    expect(findAmong('kick', cards, textOf)).toEqual(['kick', 'a kick']);
    expect(findAmong('', cards, textOf)).toEqual(cards);
  });
});

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
