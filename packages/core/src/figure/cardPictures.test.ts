import { drillCard, DRILL_IDS, LADDER_IDS, ladderCard } from '../library';
import { CAUSE_IDS, SIGN_IDS } from '../review';
import { DRILL_POSES } from './drillPoses';
import {
  drawnFigure,
  figureLayers,
  NEUTRAL,
  pictureOfCause,
  pictureOfDrill,
  pictureOfLadder,
  pictureOfSign,
  type CardPicture,
} from '.';

const drawn = ({ stroke, view, posed, phase, region }: CardPicture) =>
  figureLayers(drawnFigure(stroke, view, posed, phase), region).map((layer) => layer.d);

describe('the picture of a card', () => {
  it('can be drawn for every cause, sign and drill that is swum', () => {
    const pictures = [
      ...CAUSE_IDS.map(pictureOfCause),
      ...SIGN_IDS.map(pictureOfSign),
      ...DRILL_IDS.map(pictureOfDrill).filter((p) => p !== null),
    ];
    for (const picture of pictures) {
      expect(picture.phase).toBeGreaterThanOrEqual(0);
      expect(picture.phase).toBeLessThan(1);
      const outlines = drawn(picture).join(' ');
      expect(outlines.length).toBeGreaterThan(200);
      expect(outlines).not.toMatch(/NaN|undefined|Infinity/);
    }
  });

  it('shows a fault other than the stroke without one', () => {
    for (const picture of SIGN_IDS.map(pictureOfSign))
      expect(drawn(picture)).not.toEqual(drawn({ ...picture, posed: NEUTRAL }));
    for (const picture of CAUSE_IDS.map(pictureOfCause)) expect(picture.posed).not.toEqual(NEUTRAL);
  });

  it('is there for all drills but those on land', () => {
    // By hand: the four that are done on land alone.
    const without = DRILL_IDS.filter((id) => pictureOfDrill(id) === null);
    expect(without).toEqual(DRILL_IDS.filter((id) => drillCard(id).places.join() === 'land'));
    expect(without).toHaveLength(4);
  });

  it('is, of a ladder, that of its first drill that is swum', () => {
    // By hand: the first step of this one is done on land, the next one with a board.
    expect(pictureOfLadder('kick')).toEqual(pictureOfDrill('hip-kick-ladder'));
    for (const id of LADDER_IDS)
      if (ladderCard(id).steps.every((step) => !step.drill)) expect(pictureOfLadder(id)).toBeNull();
  });

  it('has poses of their own that differ from each other', () => {
    const own = Object.keys(DRILL_POSES).map((id) => JSON.stringify(DRILL_POSES[id as keyof typeof DRILL_POSES]));
    expect(own.length).toBeGreaterThan(40);
    // Three look the same: what is other in them cannot be seen from outside.
    expect(new Set(own).size).toBeGreaterThanOrEqual(own.length - 3);
  });

  it('shows what the coach would point at, by hand', () => {
    expect(pictureOfCause('looks-forward')).toMatchObject({ stroke: 'front-crawl', view: 'side', region: 'head' });
    expect(pictureOfSign('enters-past-middle')).toMatchObject({ view: 'front', phase: 0.03 });
    expect(pictureOfDrill('float-board-breathing')!.posed.board).toBe(1);
    expect(pictureOfDrill('pull-kick-glide')!.stroke).toBe('breaststroke');
    expect(pictureOfDrill('side-kick')!.posed.roll).toBe(84);
    expect(pictureOfDrill('barrel-reach')).toBeNull();
  });
});
