import { drillIds, ownAnswersTo, type DrillId } from '../../library';
import { fromOwn, own } from '../../own';
import type { Stage, Stroke } from '../types';

/** Why a fault happens: the thing that can be coached. */
export interface Cause {
  readonly name: string;
  readonly strokes: readonly Stroke[];
  readonly stage: Stage;
  /** What it costs the swimmer, in one sentence. */
  readonly costs: string;
  /** A quick try that tells this cause from its neighbours. */
  readonly check: string;
  /** One short sentence to say at the wall. */
  readonly cue: string;
  /** What is said instead to people who do not tumble, where the cue is about a somersault. */
  readonly openTurnCue?: string;
  /** Drills that answer it, best first. */
  readonly answers: readonly [DrillId, ...DrillId[]];
}

const CRAWL = ['front-crawl'] as const;
const BREAST = ['breaststroke'] as const;
const CRAWL_AND_BREAST = ['front-crawl', 'breaststroke'] as const;
const TURN = ['turn'] as const;
const OPEN = ['open-water'] as const;

export const CAUSES = {
  unease: {
    name: 'Not at ease in the water',
    strokes: CRAWL_AND_BREAST,
    stage: 'calm',
    costs: 'A tense body cannot float, so nothing built on top of it holds.',
    check: 'Face in for five seconds with a partner close by: is the swimmer calm?',
    cue: 'Soft face, slow bubbles.',
    answers: ['bob-ladder', 'star-float'],
  },
  'holds-breath': {
    name: 'Holding the breath',
    strokes: CRAWL,
    stage: 'breathing',
    costs: 'Air that is not let out under water leaves no time to take new air in.',
    check: 'Count the bubbles over six strokes: is there a steady stream?',
    cue: 'Hum until you turn.',
    answers: ['bob-ladder', 'hum-out-swim'],
  },
  'empties-lungs': {
    name: 'Emptying the lungs',
    strokes: CRAWL,
    stage: 'breathing',
    costs: 'Empty lungs float badly and make the next breath a gasp.',
    check: 'Same pace with a half breath in and part of it out: does it feel easier?',
    cue: 'Half in, half out.',
    answers: ['half-breath-swim', 'exhale-pause-sip', 'wall-breathing'],
  },
  'late-exhale': {
    name: 'Blowing out while breathing in',
    strokes: CRAWL,
    stage: 'breathing',
    costs: 'Blowing while the mouth is clear spends the moment meant for breathing in.',
    check: 'Finish the air, close the lips, then turn: does the breath get quieter?',
    cue: 'Done blowing, then turn.',
    answers: ['exhale-pause-sip', 'hum-out-swim', 'wall-breathing'],
  },
  'late-breath': {
    name: 'Breathing late',
    strokes: CRAWL,
    stage: 'breathing',
    costs: 'The front arm waits or collapses while the head comes back too late.',
    check: 'One length of "turn as the hand leaves": does the front arm stay?',
    cue: 'Face back before the hand.',
    answers: ['side-kick', 'six-one-six', 'wall-breathing'],
  },
  'breath-too-low': {
    name: 'Turning too far for air',
    strokes: CRAWL,
    stage: 'breathing',
    costs: 'Turning further and further for air drags shoulders and front arm out of place.',
    check: 'Let the head ride a little higher for one length: does the roll calm down?',
    cue: 'Head a touch higher, sip to the side.',
    answers: ['float-board-breathing', 'breath-height-swim', 'side-kick', 'wall-breathing'],
  },
  'lifts-head': {
    name: 'Lifting the head to breathe',
    strokes: CRAWL,
    stage: 'breathing',
    costs: 'When the head goes up the legs go down, and the stroke stalls at every breath.',
    check: 'One goggle stays in the water? Is the mouth in the dip beside the head?',
    cue: 'Cheek on the water.',
    answers: ['cheek-down-breathing', 'float-board-breathing', 'side-kick', 'wall-breathing'],
  },
  'one-sided': {
    name: 'One-sided breathing',
    strokes: CRAWL,
    stage: 'breathing',
    costs:
      'One side rolls and pulls more than the other; and who breathes to one side only cannot choose it when waves, sun or company ask for the other.',
    check: 'Breaths per side over 200 m; roll to the left against roll to the right.',
    cue: 'Both sides are yours.',
    answers: ['weak-side-warm-up', 'every-three-swim', 'wall-breathing'],
  },
  'looks-forward': {
    name: 'Looking forward',
    strokes: CRAWL,
    stage: 'head and body line',
    costs: 'What the head lifts, the hips pay for.',
    check: 'One length looking at the tiles: do the legs rise?',
    cue: 'Eyes on the tiles below you.',
    answers: ['tile-gaze-swim', 'chest-lean'],
  },
  'head-wanders': {
    name: 'Head not still',
    strokes: CRAWL,
    stage: 'head and body line',
    costs: 'The body follows the head, so every swing of it steers.',
    check: 'Eyes on one line of the floor between breaths: do the hips stop swinging?',
    cue: 'Head is the nail, body turns round it.',
    answers: ['still-head-swim', 'side-kick', 'walking-stroke'],
  },
  'no-chest-press': {
    name: 'Chest riding high',
    strokes: CRAWL,
    stage: 'head and body line',
    costs: 'With the chest high the swimmer pushes uphill all the way.',
    check: 'Gentle flutter, face down, arms hanging, lean on the chest: do the heels reach the surface?',
    cue: 'Let your breastbone carry your legs.',
    answers: ['chest-lean', 'tile-gaze-swim'],
  },
  'soft-core': {
    name: 'Weak core',
    strokes: CRAWL_AND_BREAST,
    stage: 'head and body line',
    costs: 'The body bends where it should turn in one piece.',
    check: 'Glide off the wall: does the line hold for three seconds?',
    cue: 'Belly to the spine.',
    answers: ['belly-in-kick', 'streamline-glide'],
  },
  'flat-body': {
    name: 'Too little roll',
    strokes: CRAWL,
    stage: 'alignment',
    costs: 'Flat shoulders shorten the reach and strain the joint.',
    check: 'Does the belly button show on each side?',
    cue: 'Show me each hip.',
    answers: ['side-kick', 'six-one-six', 'six-three-six', 'walking-stroke'],
  },
  'over-roll': {
    name: 'Too much roll',
    strokes: CRAWL,
    stage: 'alignment',
    costs: 'Past the balance point there is only falling back, and nothing drives.',
    check: 'Compare the roll with a breath and without one.',
    cue: 'Shoulder to the chin, no further.',
    answers: ['six-three-six', 'breath-height-swim', 'side-kick', 'walking-stroke'],
  },
  'crosses-midline': {
    name: 'Crossing over',
    strokes: CRAWL,
    stage: 'alignment',
    costs: 'A hand that enters past the nose steers instead of driving.',
    check: 'Two lines 40 cm apart: does each hand stay on its own?',
    cue: 'Two rails.',
    answers: ['two-rail-swim', 'width-trial', 'catch-up', 'side-kick', 'land-stroke'],
  },
  'presses-lead-arm': {
    name: 'Pressing down on the lead arm',
    strokes: CRAWL,
    stage: 'catch and pull',
    costs: 'Pressing down lifts the front, sinks the back and leaves no catch.',
    check: 'Scull in front: does the hand hold without pressing?',
    cue: 'Leave the arm lying there.',
    answers: ['front-scull', 'catch-up', 'land-stroke'],
  },
  'dropped-elbow': {
    name: 'Dropped elbow',
    strokes: CRAWL,
    stage: 'catch and pull',
    costs: 'Water is pushed down first and then lost.',
    check: 'Front scull: does the swimmer move or stand still?',
    cue: 'Fingertips under the wrist, wrist under the elbow.',
    answers: ['front-scull', 'barrel-reach', 'mid-scull', 'doggy-paddle'],
  },
  'shallow-pull': {
    name: 'Shallow pull',
    strokes: CRAWL,
    stage: 'catch and pull',
    costs: 'A hand near the surface holds only a short column of water.',
    check: 'How deep is the hand below the shoulder halfway through?',
    cue: 'Reach down to the deep water.',
    answers: ['deep-reach-pull', 'doggy-paddle', 'land-stroke'],
  },
  'pulls-across': {
    name: 'Pulling across the body',
    strokes: CRAWL,
    stage: 'catch and pull',
    costs: 'Part of every pull pushes sideways.',
    check: 'Look from the front under water: does the hand pass under the belly?',
    cue: 'Push straight back, on your own side.',
    answers: ['two-rail-pull', 'doggy-paddle', 'two-rail-swim', 'land-stroke'],
  },
  'short-finish': {
    name: 'Short finish',
    strokes: CRAWL,
    stage: 'catch and pull',
    costs: 'The fastest part of the pull is left out.',
    check: 'Does the thumb brush the thigh?',
    cue: 'Thumb to the thigh.',
    answers: ['back-scull', 'doggy-paddle', 'land-stroke'],
  },
  'flat-entry': {
    name: 'Flat hand entry',
    strokes: CRAWL,
    stage: 'catch and pull',
    costs: 'A flat hand brakes and carries air into the catch.',
    check: 'Does the hand slice in with the fingertips first?',
    cue: 'Post the hand through a slot.',
    answers: ['slice-and-reach', 'fingertip-drag', 'land-stroke'],
  },
  'no-reach': {
    name: 'Short reach',
    strokes: CRAWL,
    stage: 'catch and pull',
    costs: 'A stroke that begins early is a stroke cut short.',
    check: 'Can you see the inside of the lead elbow?',
    cue: 'Reach over the rim, then pull.',
    answers: ['slice-and-reach', 'six-one-six', 'land-stroke'],
  },
  'slow-recovery': {
    name: 'Slow recovery',
    strokes: CRAWL,
    stage: 'recovery',
    costs: 'An arm in the air is a weight that presses the body down.',
    check: 'Is the arm in the air for more than two fifths of the cycle?',
    cue: 'Out and straight back in.',
    answers: ['quick-hand-return', 'fingertip-drag', 'spin-up', 'land-quick-hands'],
  },
  'stiff-recovery': {
    name: 'Stiff recovery',
    strokes: CRAWL,
    stage: 'recovery',
    costs: 'Neck and shoulders tire, and the body rocks with the swinging arm.',
    check: 'Shake the hands loose: does it get easier?',
    cue: 'Loose hand, elbow leads.',
    answers: ['relaxed-hand-swim', 'fingertip-drag', 'land-stroke'],
  },
  'knee-kick': {
    name: 'Kicking from the knee',
    strokes: CRAWL,
    stage: 'kick',
    costs: 'The thigh becomes a brake at every kick.',
    check: 'Vertical kick for twenty seconds: does the swimmer stay up?',
    cue: 'Kick from the hip, soft knee.',
    answers: ['hip-kick-ladder', 'wall-kick'],
  },
  'slow-kick': {
    name: 'Kicking too slowly',
    strokes: CRAWL,
    stage: 'kick',
    costs: 'A slow, heavy kick drives nothing and lets the legs sink between two beats.',
    check: 'Ten quick small kicks, then swim on: do the legs ride higher?',
    cue: 'Quick and small.',
    answers: ['quick-kick', 'wall-kick'],
  },
  'stiff-ankles': {
    name: 'Stiff ankles',
    strokes: CRAWL,
    stage: 'kick',
    costs: 'Hooked feet push the wrong way.',
    check: 'Kneel and sit on the heels: free of pain?',
    cue: 'Toes long and a little in.',
    answers: ['ankle-mobility', 'hip-kick-ladder'],
  },
  'deep-kick': {
    name: 'Kicking too deep',
    strokes: CRAWL,
    stage: 'kick',
    costs: 'Feet far below the body drag like an anchor.',
    check: 'Does the heel just break the surface?',
    cue: 'Small and fast, boil the water.',
    answers: ['hip-kick-ladder', 'wall-kick'],
  },
  'kick-pause': {
    name: 'Kick stops at the breath',
    strokes: CRAWL,
    stage: 'kick',
    costs: 'The body sinks and twists while the legs wait.',
    check: 'Count the kicks in a cycle with a breath and in one without.',
    cue: 'Feet never stop.',
    answers: ['belly-in-kick', 'side-kick', 'wall-kick'],
  },
  'over-kick': {
    name: 'Kicking too hard for the distance',
    strokes: CRAWL,
    stage: 'kick',
    costs: 'The legs burn most of the air for little speed.',
    check: 'Two beats at the same pace: is the pulse lower?',
    cue: 'One kick per arm.',
    answers: ['two-beat-timing', 'chest-lean'],
  },
  'scissor-feet': {
    name: 'Feet not turned out, or uneven',
    strokes: BREAST,
    stage: 'kick',
    costs: 'An uneven kick steers and loads the inside of the knee.',
    check: 'Kick on the back and watch both feet.',
    cue: 'Both soles push.',
    answers: ['back-kick', 'wall-whip-kick'],
  },
  'over-glide': {
    name: 'Over-gliding',
    strokes: CRAWL,
    stage: 'timing and rate',
    costs: 'Every stroke has to speed the body up again.',
    check: 'Time the pause in front; watch the speed sink before each pull.',
    cue: 'Catch as the other hand passes.',
    answers: ['quick-rhythm-swim', 'quick-hand-return', 'land-quick-hands'],
  },
  spins: {
    name: 'Spinning',
    strokes: CRAWL,
    stage: 'timing and rate',
    costs: 'The arms go round faster than the water can be held.',
    check: 'Count strokes at two rates for the same time.',
    cue: 'Hold the water, then turn over.',
    answers: ['front-scull', 'count-down-50s', 'land-stroke'],
  },
  'pull-kick-clash': {
    name: 'Kicking and pulling together',
    strokes: BREAST,
    stage: 'timing and rate',
    costs: 'Pull and kick cancel each other.',
    check: 'Say the order aloud: pull, kick, glide.',
    cue: 'Pull. Kick. Glide.',
    answers: ['pull-kick-glide', 'kick-and-stay-long', 'float-and-glide'],
  },
  'no-glide-habit': {
    name: 'No glide',
    strokes: BREAST,
    stage: 'timing and rate',
    costs: 'The kick is spent before it has carried the body.',
    check: 'Strokes per length: fewer with a two-second hold?',
    cue: 'Ride the kick.',
    answers: ['pull-kick-glide', 'kick-and-stay-long', 'float-and-glide'],
  },
  'late-lift': {
    name: 'Head up too late',
    strokes: BREAST,
    stage: 'breathing',
    costs: 'The body sinks at the very moment it needs air.',
    check: 'Do head and hands start together?',
    cue: 'Head goes with the hands.',
    answers: ['head-and-hands', 'outsweep-breath'],
  },
  'head-up': {
    name: 'Head stays up',
    strokes: BREAST,
    stage: 'head and body line',
    costs: 'A head held up lowers the hips for the whole length.',
    check: 'Bubbles in the glide?',
    cue: 'Face in while you glide.',
    answers: ['breathe-down', 'float-and-glide'],
  },
  'long-pull': {
    name: 'Pulling too far back',
    strokes: BREAST,
    stage: 'catch and pull',
    costs: 'Arms that go too far have a long, braking way home.',
    check: 'Can the swimmer see both hands all the time?',
    cue: 'Hands stay in sight.',
    answers: ['mini-pull', 'flutter-arms'],
  },
  'side-roll': {
    name: 'Rolling sideways in the turn',
    strokes: TURN,
    stage: 'turns',
    costs: 'A crooked roll throws away the fastest metres of the length.',
    check: 'Somersault in mid-pool: straight?',
    cue: 'Chin in, straight over.',
    openTurnCue: 'Touch, tuck, feet flat on the wall.',
    answers: ['tumble-ladder', 'open-turn-ladder'],
  },
  'wall-distance': {
    name: 'Wrong distance to the wall',
    strokes: TURN,
    stage: 'turns',
    costs: 'Too far misses the push, too near hurts the heels.',
    check: 'Marks at half a metre and at a metre from the wall.',
    cue: 'Last stroke, then roll.',
    openTurnCue: 'Glide in with a long arm, then touch.',
    answers: ['tumble-ladder', 'open-turn-ladder'],
  },
  'no-streamline': {
    name: 'No streamline',
    strokes: TURN,
    stage: 'turns',
    costs: 'Open hands and a lifted head give the push away at once.',
    check: 'How far from the wall without a stroke?',
    cue: 'Hand on hand, arms behind the ears.',
    answers: ['streamline-glide'],
  },
  'tumble-too-soon': {
    name: 'Not ready to tumble',
    strokes: TURN,
    stage: 'turns',
    costs: 'An unready roll costs air and direction; a clean open turn is faster.',
    check: 'Time from wall to five metres against an open turn.',
    cue: 'Open turn until the roll is calm.',
    answers: ['open-turn-ladder', 'tumble-ladder'],
  },
  'sights-high': {
    name: 'Lifting the whole head to sight',
    strokes: OPEN,
    stage: 'open-water skills',
    costs: 'A high look stops the stroke and drops the hips.',
    check: 'Only the eyes out, mouth still in the water?',
    cue: 'Eyes only.',
    answers: ['low-eyes-sighting'],
  },
  'breathes-forward': {
    name: 'Breathing while sighting',
    strokes: OPEN,
    stage: 'open-water skills',
    costs: 'A mouth that opens forward drinks the next wave.',
    check: 'Look first, then turn and breathe?',
    cue: 'Look, turn, breathe.',
    answers: ['low-eyes-sighting'],
  },
  'sights-seldom': {
    name: 'Sighting too rarely',
    strokes: OPEN,
    stage: 'open-water skills',
    costs: 'Metres are swum that are not on the course.',
    check: 'The drift test tells how far ten blind strokes wander.',
    cue: 'Look on your number.',
    answers: ['counted-looks'],
  },
  'sights-often': {
    name: 'Sighting too often',
    strokes: OPEN,
    stage: 'open-water skills',
    costs: 'The rhythm breaks and the neck tires for a line that was straight anyway.',
    check: 'The drift test tells how few looks are enough.',
    cue: 'Trust the line, count.',
    answers: ['counted-looks'],
  },
  'poor-aim': {
    name: 'Aiming at small or moving things',
    strokes: OPEN,
    stage: 'open-water skills',
    costs: 'A small or moving mark is lost, and every search costs strokes.',
    check: 'Ask: what exactly did you aim at?',
    cue: 'Big, far and fixed.',
    answers: ['name-the-aim'],
  },
  'veers-habit': {
    name: 'Pulling to one side',
    strokes: OPEN,
    stage: 'open-water skills',
    costs: 'A steady pull to one side bends every leg the same way.',
    check: 'Ten strokes with closed eyes, set up safely: always the same side?',
    cue: 'Even hands, even roll.',
    answers: ['ten-blind-strokes', 'two-rail-swim', 'every-three-swim'],
  },
  'late-resight': {
    name: 'Off line after the buoy',
    strokes: OPEN,
    stage: 'open-water skills',
    costs: 'A late look after a mark starts the next leg wrong.',
    check: 'Metres off the line twenty strokes after the turn.',
    cue: 'Round it, look, look again.',
    answers: ['buoy-turn', 'name-the-aim'],
  },
  'long-stroke-in-chop': {
    name: 'Stroke too long for chop',
    strokes: OPEN,
    stage: 'open-water skills',
    costs: 'A long gliding stroke loses everything at each knock.',
    check: 'Speed in chop against speed on flat water.',
    cue: 'Quicker hands, higher over the wave.',
    answers: ['quick-rhythm-swim', 'high-recovery'],
  },
} as const satisfies Record<string, Cause>;

export type CauseId = keyof typeof CAUSES;

export const CAUSE_IDS = Object.keys(CAUSES) as readonly CauseId[];

/** What a club says of one cause: its own words at the wall. */
export type CauseEntry = Pick<Cause, 'cue' | 'openTurnCue'>;

const causes = fromOwn(
  () =>
    new Map(
      CAUSE_IDS.map((id): [CauseId, Cause] => {
        const shown = new Set(drillIds());
        const cause: Cause = CAUSES[id];
        // What a club wrote for a cause it would rather use than what came with the app.
        const answers = [...ownAnswersTo(id), ...cause.answers.filter((drill) => shown.has(drill))];
        return [id, { ...cause, ...own<CauseEntry>('causes', id), answers: answers as [DrillId, ...DrillId[]] }];
      }),
    ),
);

/** A cause, as the club has it. */
export const causeCard = (id: CauseId): Cause => causes().get(id)!;
