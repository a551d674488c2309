import { fromOwn, ownOf } from '../own';
import type { DrillId } from './drills';
import type { KitId } from './kit';

/** One rung: done often enough and well enough, the next one may be tried. */
export interface LadderStep {
  readonly what: string;
  readonly kit: readonly KitId[];
  readonly tries: number;
  /** What must be true before the next step. */
  readonly pass: string;
  /** When to go a step back. */
  readonly backIf: string;
  /** The drill of the library that this step uses, where there is one. */
  readonly drill?: DrillId;
}

/** A progression with pass marks: a step is never skipped. */
export interface Ladder {
  readonly name: string;
  readonly purpose: string;
  readonly cautions: readonly string[];
  readonly steps: readonly LadderStep[];
}

const step = (
  what: string,
  tries: number,
  pass: string,
  backIf: string,
  rest: Partial<LadderStep> = {},
): LadderStep => ({
  what,
  tries,
  pass,
  backIf,
  kit: [],
  ...rest,
});

const CALM = 'Calm, three times in a row.';
const TENSE = 'The face tightens or the breath is snatched.';

export const LADDERS = {
  confidence: {
    name: 'Water confidence',
    purpose: 'From the side of the pool to a length, never past the point where it stops being calm.',
    cautions: ['Standing depth all the way. One instructor close by.', 'A step is never skipped.'],
    steps: [
      step('Sit on the side, breathe calmly, feet in the water.', 3, CALM, TENSE),
      step('Slide in backwards, hold the edge, stand.', 3, CALM, TENSE),
      step('Face in, hum out, come up, wipe nothing.', 5, CALM, TENSE),
      step('Bob ten times without a pause: in above, hum below.', 10, 'Ten in a row without hurry.', TENSE, {
        drill: 'bob-ladder',
      }),
      step('Two hands on the wall, feet down, bubbles for five seconds.', 5, 'Five seconds, five times.', TENSE),
      step(
        'Stand up from a float: hands press down, knees tuck, feet find the ground.',
        5,
        'Stands without hurrying, five times.',
        TENSE,
      ),
      step(
        'Two hands on the wall, the feet floating; a light flutter is allowed. A breath every five seconds.',
        5,
        'Heels near the surface for five seconds, five times.',
        'The face tightens, or the feet kick hard.',
      ),
      step('One hand on the wall, an arm stroke and a side breath.', 5, CALM, 'The head lifts to breathe.'),
      step('With a float along the wall.', 4, 'Ten metres without a grip at the wall.', 'The wall is grabbed.', {
        kit: ['board'],
      }),
      step('Ten metres on their own.', 3, CALM, TENSE),
      step('Twenty-five metres, resting on the back when wanted.', 3, 'Three times, and would do it again.', TENSE, {
        drill: 'star-float',
      }),
    ],
  },
  kick: {
    name: 'Kick',
    purpose: 'A kick that starts at the hip, with loose ankles.',
    cautions: [
      'Never into pain: knees and ankles gradually.',
      'The last step is for confident swimmers, and nobody needs it to pass: it is in deep water.',
    ],
    steps: [
      step(
        'Ankle circles, then kneel and sit back gently.',
        10,
        'Sits on the heels without pain.',
        'Pain in knee or ankle.',
        { drill: 'ankle-mobility' },
      ),
      step(
        'Seated or standing: swing the leg from the hip.',
        10,
        'The knee stays soft and quiet.',
        'The knee does the work.',
      ),
      step(
        'At the wall, face in with a breath every five seconds: make the water boil.',
        4,
        'Twenty seconds of small froth, breathing as often as wanted.',
        'Feet leave the water, or a breath is missed.',
      ),
      step('On the back, hugging a board.', 4, '25 m with the knees under the surface.', 'Knees show.', {
        kit: ['board'],
      }),
      step('One leg at a time.', 4, '25 m each leg, straight.', 'The body twists.'),
      step('With a board, whole kick.', 4, '25 m without a pause.', 'It goes nowhere.', {
        kit: ['board'],
        drill: 'hip-kick-ladder',
      }),
      step(
        'Whole stroke, thinking of the hips.',
        4,
        '50 m and the kick goes on through the breath.',
        'It stops at the breath.',
      ),
      step(
        'If wanted, in deep water: upright kick for ten, twenty, then thirty seconds.',
        3,
        'Thirty seconds with the chin clear.',
        'The chin goes under.',
      ),
    ],
  },
  'side-breathing': {
    name: 'Side breathing',
    purpose: 'Air beside the head, to both sides, without lifting anything.',
    cautions: ['Go back a step at the first snatched breath.'],
    steps: [
      step(
        'At the wall, one arm in front: turn, sip, look down.',
        10,
        'One goggle stays wet, ten times.',
        'The head lifts.',
      ),
      step('Kick with one arm on a board.', 4, '25 m, breath when wanted.', 'The board goes under.', {
        kit: ['board'],
        drill: 'float-board-breathing',
      }),
      step('Side kick, one arm in front.', 4, '25 m each side, only the head turns.', 'Rolls onto the back.', {
        kit: ['fins'],
        drill: 'side-kick',
      }),
      step(
        'Six kicks, one stroke, six kicks.',
        4,
        '50 m with the breath after the swap.',
        'Breathes before the swap.',
        { kit: ['fins'], drill: 'six-one-six' },
      ),
      step('Six kicks, three strokes.', 4, '50 m without a rush.', 'The roll grows.', {
        kit: ['fins'],
        drill: 'six-three-six',
      }),
      step('Whole stroke to the better side.', 4, '100 m, every breath calm.', 'The front arm drops.'),
      step('Whole stroke, both sides.', 4, '100 m every third stroke, or 50 m to each side.', 'Straining for air.', {
        drill: 'every-three-swim',
      }),
    ],
  },
  catch: {
    name: 'Catch',
    purpose: 'Forearm and hand hold the water before the arm pulls.',
    cautions: ['Sore shoulder: stop here and say so.'],
    steps: [
      step(
        'On land: forearm over an imagined barrel.',
        10,
        'Fingertips under the wrist under the elbow.',
        'Shoulders shrug.',
        { drill: 'barrel-reach' },
      ),
      step('Front scull.', 4, '15 m moving forward without a kick.', 'The hands press down.', {
        kit: ['buoy'],
        drill: 'front-scull',
      }),
      step('Mid scull, upper arms still.', 4, '15 m moving forward.', 'The upper arms wave.', {
        kit: ['buoy'],
        drill: 'mid-scull',
      }),
      step('Long doggy paddle.', 4, '25 m with pressure all the way.', 'The head stays up.', {
        kit: ['buoy'],
        drill: 'doggy-paddle',
      }),
      step(
        'Whole stroke, counting.',
        4,
        'Two strokes fewer a length at the same time.',
        'Fewer strokes only by gliding to a stop.',
        { drill: 'count-down-50s' },
      ),
    ],
  },
  tumble: {
    name: 'Tumble turn',
    purpose: 'Over, feet on the wall, off in a line.',
    cautions: [
      'Look at the edge first: a raised or overhanging edge hurts heels. Use another end or learn the distance first.',
      'Until passed: a clean open turn is faster.',
    ],
    steps: [
      step(
        'Somersault in mid-pool, chin in, bubbles from the nose.',
        6,
        'Straight over, five of six.',
        'Comes out sideways.',
      ),
      step(
        'From half a metre: feet touch, hands stay by the hips.',
        6,
        'Both feet flat, five of six.',
        'Feet miss the wall.',
        { drill: 'tumble-ladder' },
      ),
      step('Push on the back, hands joined overhead.', 4, 'Past five metres in a line.', 'Hands come apart.', {
        drill: 'streamline-glide',
      }),
      step('Twist after the push.', 4, 'On the front before the first stroke.', 'Twists at the wall.'),
      step(
        'Tighter and nearer to the surface.',
        6,
        'As fast to five metres as the open turn.',
        'Loses breath or direction.',
      ),
      step(
        'Swim in at full stroke, first stroke at the surface.',
        6,
        'Six in a row in a 200 m swim.',
        'Looks for the wall.',
      ),
    ],
  },
  'open-turn': {
    name: 'Open turn',
    purpose: 'Touch, tuck, feet on the wall, and off like an arrow; used until the tumble ladder is passed.',
    cautions: ['Look where the others are before each push.'],
    steps: [
      step(
        'From three strokes out: touch with the leading hand, the other stays by the hip.',
        6,
        'Touches with a long arm, five of six.',
        'Pulls up on the edge.',
        { drill: 'open-turn-ladder' },
      ),
      step(
        'Knees up under the body, one breath in through the mouth, feet flat on the wall.',
        6,
        'Both feet planted, one breath, five of six.',
        'Feet slip, or a second breath is needed.',
        { drill: 'open-turn-ladder' },
      ),
      step(
        'Sink, hands joined overhead, push into an arrow, out through the nose.',
        6,
        'In the arrow to five metres, five of six.',
        'Hands come apart, or the push goes up.',
        { drill: 'streamline-glide' },
      ),
      step(
        'Swim in and out at full stroke.',
        6,
        'Five of six in a row with feet planted, one breath, in the arrow to five metres.',
        'Slows down to look for the wall.',
        { drill: 'open-turn-ladder' },
      ),
    ],
  },
  'breaststroke-timing': {
    name: 'Breaststroke timing',
    purpose: 'Pull, kick, glide: one after the other.',
    cautions: ['Pain inside the knee: stop the kick and refer.'],
    steps: [
      step('Arms with a flutter kick, face in.', 4, '25 m, hands always in sight.', 'Elbows pass the shoulders.', {
        drill: 'mini-pull',
      }),
      step('The same with a breath each pull.', 4, 'Head and hands start together.', 'The head comes late.', {
        drill: 'head-and-hands',
      }),
      step('Kick on the back, watching the feet.', 4, 'Both feet turn out, 25 m.', 'Knees wide, or pain.', {
        drill: 'back-kick',
      }),
      step('Kick and stay long for two seconds.', 4, '25 m without a hurried pull.', 'Lifts early.', {
        drill: 'kick-and-stay-long',
      }),
      step('Pull, kick, count the glide to three.', 4, 'Same count every stroke for 25 m.', 'Kick and pull meet.', {
        drill: 'pull-kick-glide',
      }),
      step(
        'Shorten the glide: three, two, one.',
        4,
        'Strokes a length rise by no more than two.',
        'The glide is gone.',
      ),
    ],
  },
  sighting: {
    name: 'Sighting',
    purpose: 'See the mark without losing the stroke.',
    cautions: ['Head-up swimming tires neck and back: few metres at a time.'],
    steps: [
      step(
        'Whole stroke, still head; look to the end wall every eighth stroke.',
        4,
        '50 m, hips stay up.',
        'The stroke stops.',
        { drill: 'counted-looks' },
      ),
      step('Every fourth stroke.', 4, '50 m at the same stroke rate.', 'The legs sink.', { drill: 'counted-looks' }),
      step('Only the eyes come out.', 4, 'Mouth stays in, eight of ten looks.', 'The mouth opens forward.', {
        drill: 'low-eyes-sighting',
      }),
      step(
        'Find an object that the coach puts down somewhere new.',
        6,
        'Named at the wall, five of six.',
        'Needs more than three looks.',
        { drill: 'name-the-aim' },
      ),
      step(
        'Outside, with a big fixed thing behind the mark.',
        4,
        'Within five metres of the line at the mark.',
        'Follows feet instead.',
        { drill: 'name-the-aim', kit: ['bright-cap', 'tow-float'] },
      ),
    ],
  },
  'pool-to-open-water': {
    name: 'Pool to open water',
    purpose: 'Every surprise of the lake met once before it counts.',
    cautions: [
      'Never alone. Supervision, head count and conditions as the place and the club ask.',
      'First dips are short: the gasp fades after five or six.',
    ],
    steps: [
      step('In the pool: star float and calm breathing.', 4, 'One minute, could talk.', TENSE, { drill: 'star-float' }),
      step('Head-up swimming and treading water.', 4, 'One minute each.', 'Out of breath.', { drill: 'head-up-ten' }),
      step('200 m without the wall: turn before it.', 2, 'Without touching.', 'Grabs the rope.'),
      step(
        'Wetsuit, or cool water in short dips.',
        5,
        'Breathing calm within a minute, five dips.',
        'Keeps gasping, or shivers.',
        { kit: ['wetsuit'] },
      ),
      step('Along the shore within standing depth.', 3, 'Ten minutes, would go on.', TENSE, {
        kit: ['bright-cap', 'tow-float'],
      }),
      step('Out to a mark and back.', 3, 'Calm at the mark.', 'Hurries home.', { kit: ['bright-cap', 'tow-float'] }),
      step('In a group.', 3, 'Keeps the line with others near.', 'Stops when touched.', {
        kit: ['bright-cap', 'tow-float'],
        drill: 'following',
      }),
      step(
        'Race rehearsal: start, feet, turns round a mark.',
        2,
        'The race card is known by heart.',
        'One part is missing: go back to it.',
        { kit: ['bright-cap', 'tow-float'], drill: 'buoy-turn' },
      ),
    ],
  },
  group: {
    name: 'Group swimming',
    purpose: 'Little room, touch and noise without losing the stroke.',
    cautions: ['Hands off each other. The whistle stops everyone.', 'Mass start: Hold and Race only, six at most.'],
    steps: [
      step(
        'In pairs, side by side, then behind.',
        4,
        '100 m without stopping at a touch.',
        'Stops or taps the feet again and again.',
        { drill: 'following' },
      ),
      step('Three abreast in one lane.', 4, '50 m with the stroke kept.', 'Stroke gets short and hurried.'),
      step('Turn around a mark together.', 4, 'Nobody loses the line after it.', 'Someone is swum over.', {
        drill: 'buoy-turn',
      }),
      step('Mass start of six at most, 25 m.', 3, 'Calm breath by the tenth stroke.', 'Anyone is frightened.', {
        kit: ['whistle'],
        drill: 'spin-up',
      }),
    ],
  },
} as const satisfies Record<string, Ladder>;

/**
 * Steps of the confidence ladder up to “ten metres on their own”. Before all of them are passed a swimmer is planned
 * tries where one can stand, by the clock, and no length.
 */
export const STEPS_TO_TEN_METRES = 10;

export type LadderId = keyof typeof LADDERS;
export const LADDER_IDS = Object.keys(LADDERS) as readonly LadderId[];

/**
 * What a club says of one ladder: other words for steps, by their place from 0, and steps of its own after the last.
 * No step can be left out or moved: a swimmer's place is kept by counting them.
 */
export interface LadderEntry {
  readonly changed?: Readonly<Record<string, Pick<LadderStep, 'what' | 'tries' | 'pass' | 'backIf'>>>;
  readonly added?: readonly LadderStep[];
}

const ladders = fromOwn(
  () =>
    new Map(
      LADDER_IDS.map((id): [LadderId, Ladder] => {
        const { changed = {}, added = [] } = ownOf<LadderEntry>('ladders')[id] ?? {};
        const ladder: Ladder = LADDERS[id];
        return [id, { ...ladder, steps: [...ladder.steps.map((step, i) => ({ ...step, ...changed[i] })), ...added] }];
      }),
    ),
);

/** A ladder, as the club has it. */
export function ladderCard(id: LadderId): Ladder {
  return ladders().get(id)!;
}
