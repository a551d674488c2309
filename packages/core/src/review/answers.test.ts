// Every fault has an answer for everybody who may have it, with the kit of the club and without any; none works against it.
import { drillCard, drillIds, LADDER_IDS, ladderCard, type Moves } from '../library';
import { LEVELS, STROKE_MODELS, type LevelId } from '../swimmers';
import { CAUSE_IDS, causeCard, drillsFor, ifNoHelp, SIGN_IDS, type CauseId } from '.';

/** Those who cannot swim 50 m without stopping are not in open water: there is nothing to practise there yet. */
const isFor = (cause: CauseId, level: LevelId) =>
  level !== 'settle' || causeCard(cause).strokes.some((stroke) => stroke !== 'open-water');

const EVERYBODY = CAUSE_IDS.flatMap((cause) =>
  LEVELS.filter((level) => isFor(cause, level)).map((level) => [cause, level] as const),
);

/** What a cause asks for, written by hand: more or less strokes a minute, metres a stroke, breaths. */
const WANTS: Readonly<Partial<Record<CauseId, Moves>>> = {
  spins: { rate: -1, length: 1 },
  'short-finish': { length: 1 },
  'no-reach': { length: 1 },
  'no-glide-habit': { rate: -1, length: 1 },
  'pull-kick-clash': { rate: -1, length: 1 },
  'over-glide': { rate: 1 },
  'slow-recovery': { rate: 1 },
  'long-stroke-in-chop': { rate: 1 },
  'holds-breath': { breath: 1 },
  unease: { breath: 1 },
  'late-exhale': { breath: 1 },
  'lifts-head': { breath: 1 },
  'breath-too-low': { breath: 1 },
};

describe('the answers to every cause', () => {
  it.each(EVERYBODY)('%s has one for %s in each stroke model, with kit and without', (cause, level) => {
    for (const model of STROKE_MODELS) {
      const allowed = drillsFor(cause, { level, model, healthFlags: [] });
      expect(allowed.length).toBeGreaterThan(0);
      expect(allowed.filter((id) => drillCard(id).kit.length === 0).length).toBeGreaterThan(0);
    }
  });

  it.each(CAUSE_IDS)('%s has none that moves the stroke the other way', (cause) => {
    const wants = WANTS[cause] ?? {};
    for (const id of causeCard(cause).answers) {
      const moves = drillCard(id).moves ?? {};
      for (const what of ['rate', 'length', 'breath'] as const)
        if (wants[what] !== undefined && moves[what] !== undefined)
          expect([cause, id, what, moves[what]]).toEqual([cause, id, what, wants[what]]);
    }
  });

  it('say what to do when they do not help: the next one, then the question whether it is the cause', () => {
    for (const cause of CAUSE_IDS) {
      const { answers } = causeCard(cause);
      answers.forEach((drill, i) => {
        const said = ifNoHelp(cause, drill);
        if (i + 1 < answers.length) expect(said).toContain(`${drillCard(answers[i + 1]!).name} is the next answer`);
        else expect(said).toContain(causeCard(cause).check);
      });
    }
    expect(ifNoHelp('over-roll', causeCard('over-roll').answers.at(-1)!)).toContain('“turning too far for air”');
  });

  it('have breaststroke and turns for those who do not swim 50 m yet', () => {
    for (const cause of [
      'pull-kick-clash',
      'no-glide-habit',
      'late-lift',
      'head-up',
      'long-pull',
      'scissor-feet',
    ] as const)
      expect(drillsFor(cause, { level: 'settle', model: 'long-line', healthFlags: [] }).length).toBeGreaterThan(0);
    expect(causeCard('tumble-too-soon').answers[0]).toBe('open-turn-ladder');
  });

  it('are safe where they are done on the spot: standing depth or land, and never a distance', () => {
    const spots = drillIds().filter((id) => drillCard(id).factor === null);
    for (const id of spots) expect([id, drillCard(id).dose.kind]).not.toEqual([id, 'distance']);
    for (const id of drillIds().filter((d) => drillCard(d).places.includes('shallow')))
      expect([id, drillCard(id).cautions.join(' ')]).toEqual([id, expect.stringMatching(/[Ss]tanding depth/)]);
  });
});

describe('the ladders', () => {
  it('hold the open turn: touch, feet, arrow, five of six', () => {
    const { steps } = ladderCard('open-turn');
    expect(steps).toHaveLength(4);
    for (const { tries, pass } of steps) expect([tries, /five of six/i.test(pass)]).toEqual([6, true]);
    expect(steps[3]!.pass).toContain('feet planted, one breath, in the arrow to five metres');
  });

  it('stand up from a float before the feet float, and end the kick with what is optional', () => {
    const said = ladderCard('confidence').steps.map((s) => s.what);
    const at = (word: RegExp) => said.findIndex((what) => word.test(what));
    expect(at(/Stand up from a float/)).toBeGreaterThan(-1);
    expect(at(/Stand up from a float/)).toBeLessThan(at(/feet floating/));
    expect(ladderCard('kick').steps.at(-1)!.what).toMatch(/^If wanted, in deep water: upright kick/);
    expect(LADDER_IDS).toHaveLength(10);
  });
});

it('the signs that coaches name are there', () => {
  expect(SIGN_IDS).toEqual(
    expect.arrayContaining([
      'kick-slow',
      'curves-on-side',
      'turns-deep',
      'water-up-the-nose',
      'pauses-before-turn',
      'straight-arm-catches',
    ]),
  );
});
