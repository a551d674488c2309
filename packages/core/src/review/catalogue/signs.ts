import { own } from '../../own';
import type { BodyPart, Phase, SignStroke, View } from '../types';

/** What the eye can see. The key is the id used in code, storage and over HTTP. */
export interface Sign {
  readonly stroke: SignStroke;
  readonly part: BodyPart;
  readonly phase: Phase;
  readonly view: View;
  /** One plain sentence part, as a coach says it. */
  readonly seen: string;
}

const sign = (stroke: SignStroke, part: BodyPart, phase: Phase, view: View, seen: string): Sign => ({
  stroke,
  part,
  phase,
  view,
  seen,
});

export const SIGNS = {
  'face-stays-out': sign('any', 'head', 'glide', 'side', 'the face never goes into the water'),
  'grips-float': sign('any', 'arms', 'glide', 'side', 'holds wall or float tightly'),
  'vertical-body': sign('any', 'body', 'glide', 'side', 'hangs upright instead of lying'),
  'breath-rushed': sign('any', 'breath', 'breath', 'side', 'hurried breath with a tense face'),
  'no-bubbles': sign('any', 'breath', 'pull', 'under water', 'no bubbles between breaths'),
  'one-gasp': sign('any', 'breath', 'breath', 'side', 'breathes out and in while the face is out'),
  'tired-early': sign('any', 'breath', 'whole', 'above', 'out of breath within 25 to 50 m'),
  gasps: sign('front-crawl', 'breath', 'breath', 'side', 'gasps and empties completely'),
  'sinks-after-exhale': sign('any', 'body', 'glide', 'side', 'sinks right after breathing out'),
  'neck-strains': sign('front-crawl', 'head', 'breath', 'side', 'the neck works to reach the air'),
  'eyes-ahead': sign('front-crawl', 'head', 'glide', 'side', 'looks forward between breaths'),
  'legs-low': sign('any', 'hips', 'glide', 'side', 'hips and legs ride low'),
  'bow-wave': sign('front-crawl', 'head', 'glide', 'front', 'water piles up at the forehead'),
  'chin-rises': sign('front-crawl', 'head', 'breath', 'side', 'the chin rises before it turns'),
  'legs-drop-at-breath': sign('front-crawl', 'hips', 'breath', 'side', 'the legs drop when breathing'),
  'whole-face-out': sign('front-crawl', 'head', 'breath', 'front', 'the whole face leaves the water'),
  'mouth-barely-clears': sign('front-crawl', 'head', 'breath', 'side', 'the mouth hardly finds air'),
  'face-up-and-back': sign('front-crawl', 'head', 'breath', 'front', 'the face turns past the side up and back'),
  'swallows-water': sign('any', 'breath', 'breath', 'side', 'takes in water'),
  'shoulders-stack': sign('front-crawl', 'shoulders', 'breath', 'front', 'shoulders roll past about 60 degrees'),
  'lead-arm-drops': sign('front-crawl', 'lead arm', 'breath', 'side', 'the front arm sinks while breathing'),
  'head-still-turned': sign(
    'front-crawl',
    'head',
    'recovery',
    'front',
    'the head is still turned when the arm passes it',
  ),
  'lead-arm-gone': sign(
    'front-crawl',
    'lead arm',
    'breath',
    'side',
    'the front arm already sweeps back during the breath',
  ),
  'rhythm-limps': sign('front-crawl', 'rhythm', 'whole', 'above', 'the rhythm limps on one side'),
  'bubbles-at-mouth': sign('front-crawl', 'breath', 'breath', 'side', 'still blowing when the mouth clears'),
  'one-side-only': sign('front-crawl', 'breath', 'whole', 'above', 'breathes to one side only'),
  'roll-unequal': sign('front-crawl', 'shoulders', 'whole', 'front', 'rolls more to one side'),
  veers: sign('front-crawl', 'body', 'whole', 'above', 'drifts to one side'),
  'side-ache': sign('front-crawl', 'shoulders', 'whole', 'talk', 'complains of one shoulder or of the back'),
  'hips-low-eyes-down': sign('front-crawl', 'hips', 'glide', 'side', 'hips low although the eyes look down'),
  'kicks-to-stay-flat': sign('front-crawl', 'legs', 'whole', 'side', 'kicks hard and only just stays flat'),
  'hips-snake': sign('front-crawl', 'hips', 'whole', 'above', 'hips and legs swing from side to side'),
  'belly-hangs': sign('any', 'body', 'glide', 'side', 'the middle sags'),
  'legs-scissor': sign('front-crawl', 'legs', 'breath', 'behind', 'the legs open wide'),
  'straight-arm-press': sign('front-crawl', 'lead arm', 'catch', 'side', 'presses a straight arm down'),
  'head-swings': sign('front-crawl', 'head', 'whole', 'front', 'the head swings left and right between breaths'),
  'head-bobs': sign('front-crawl', 'head', 'whole', 'side', 'the head goes up and down'),
  'enters-past-middle': sign('front-crawl', 'entry arm', 'entry', 'front', 'the hand enters past the line of the nose'),
  zigzags: sign('front-crawl', 'body', 'whole', 'above', 'swims a zigzag'),
  'pulls-under-body': sign('front-crawl', 'pull arm', 'pull', 'front', 'the hand crosses under the body'),
  'hand-laid-flat': sign('front-crawl', 'entry arm', 'entry', 'side', 'the hand is laid on the surface'),
  'splash-entry': sign('front-crawl', 'entry arm', 'entry', 'side', 'the hand slaps or splashes'),
  'bubbles-on-hand': sign('front-crawl', 'entry arm', 'catch', 'under water', 'the hand drags air into the catch'),
  'arm-short': sign('front-crawl', 'entry arm', 'entry', 'side', 'the arm enters short'),
  'long-in-air': sign('front-crawl', 'recovery arm', 'recovery', 'side', 'the arm stays long in the air'),
  'stalls-over-shoulder': sign('front-crawl', 'recovery arm', 'recovery', 'side', 'the arm pauses above the shoulder'),
  'rate-low': sign('front-crawl', 'rhythm', 'whole', 'above', 'the rate is below the band of the stroke model'),
  'hand-high-wide': sign('front-crawl', 'recovery arm', 'recovery', 'front', 'the hand swings high and wide'),
  'shoulders-tense': sign('front-crawl', 'shoulders', 'recovery', 'front', 'shoulders and neck are tense'),
  'fingers-clamped': sign('front-crawl', 'hand', 'recovery', 'side', 'the fingers are pressed together'),
  'body-rocks': sign('front-crawl', 'body', 'recovery', 'front', 'the body rocks with the arms'),
  'hand-turns-back-at-once': sign(
    'front-crawl',
    'entry arm',
    'entry',
    'side',
    'the hand turns back at once instead of reaching',
  ),
  'body-compressed': sign('front-crawl', 'body', 'glide', 'above', 'the body looks short'),
  'elbow-leads': sign('front-crawl', 'pull arm', 'catch', 'side', 'the elbow leads the hand back'),
  'hand-slips': sign('front-crawl', 'pull arm', 'catch', 'under water', 'the hand slips early'),
  'count-high': sign('front-crawl', 'rhythm', 'whole', 'above', 'many strokes for the speed'),
  'sweeps-shallow': sign('front-crawl', 'pull arm', 'pull', 'side', 'the hand sweeps just under the surface'),
  'spills-sideways': sign('front-crawl', 'pull arm', 'pull', 'front', 'water spills out sideways'),
  'exits-before-hip': sign('front-crawl', 'pull arm', 'exit', 'side', 'the hand leaves before the hip'),
  'length-collapses': sign('front-crawl', 'rhythm', 'whole', 'above', 'the stroke gets short at a high rate'),
  'shoulders-flat': sign('front-crawl', 'shoulders', 'whole', 'front', 'the shoulders stay flat'),
  'recovery-wide-low': sign(
    'front-crawl',
    'recovery arm',
    'recovery',
    'front',
    'the arm swings wide and low over flat shoulders',
  ),
  'hands-meet-and-stop': sign('front-crawl', 'rhythm', 'entry', 'side', 'both hands meet in front and stop'),
  'speed-surges': sign('front-crawl', 'rhythm', 'whole', 'above', 'the speed surges and sinks'),
  'rate-high': sign('front-crawl', 'rhythm', 'whole', 'above', 'the rate is above the band of the stroke model'),
  'kick-slow': sign('front-crawl', 'legs', 'whole', 'side', 'the kick is too slow'),
  'curves-on-side': sign('front-crawl', 'body', 'whole', 'above', 'the body curves on its side'),
  'knees-break-line': sign('front-crawl', 'legs', 'whole', 'side', 'the knees break the line'),
  'feet-out': sign('front-crawl', 'legs', 'whole', 'side', 'the feet leave the water'),
  'board-goes-nowhere': sign('front-crawl', 'legs', 'whole', 'above', 'goes nowhere with the board'),
  'feet-hooked': sign('front-crawl', 'feet', 'whole', 'side', 'the feet are hooked'),
  'board-goes-backwards': sign('front-crawl', 'legs', 'whole', 'above', 'drifts backwards with the board'),
  'no-froth': sign('front-crawl', 'legs', 'whole', 'above', 'no white water behind the feet'),
  'feet-deep': sign('front-crawl', 'legs', 'whole', 'side', 'the feet kick far below'),
  'kick-stops-at-breath': sign('front-crawl', 'legs', 'breath', 'side', 'the legs pause when breathing'),
  'six-beats-breathless': sign('front-crawl', 'legs', 'whole', 'above', 'kicks six beats and is out of breath'),
  'legs-gone': sign('front-crawl', 'legs', 'whole', 'talk', 'the legs are empty after 200 m'),
  'arms-open-while-kicking': sign('breaststroke', 'arms', 'kick', 'above', 'the arms open while the legs kick'),
  'no-glide': sign('breaststroke', 'rhythm', 'glide', 'side', 'no glide between the strokes'),
  'bobs-on-spot': sign('breaststroke', 'body', 'whole', 'side', 'goes up and down more than forward'),
  'many-strokes': sign('breaststroke', 'rhythm', 'whole', 'above', 'many strokes for a length'),
  'head-after-hands': sign('breaststroke', 'head', 'pull', 'side', 'the head rises when the hands are already in'),
  'sinks-at-breath': sign('breaststroke', 'body', 'breath', 'side', 'sinks while breathing'),
  'elbows-past-shoulders': sign('breaststroke', 'arms', 'pull', 'above', 'the elbows pass the shoulders'),
  'hands-stuck': sign('breaststroke', 'arms', 'recovery', 'front', 'the hands get stuck at the ribs'),
  'foot-uneven': sign('breaststroke', 'feet', 'kick', 'behind', 'one foot stays pointed or does not turn out'),
  'drifts-in-breaststroke': sign('breaststroke', 'body', 'whole', 'above', 'drifts to one side'),
  'comes-out-crooked': sign('turn', 'body', 'turn', 'above', 'comes off the wall crooked'),
  'legs-open-in-turn': sign('turn', 'legs', 'turn', 'under water', 'the legs open in the turn'),
  'feet-miss-wall': sign('turn', 'feet', 'turn', 'under water', 'the feet miss the wall or the heels hit the edge'),
  'hands-apart': sign('turn', 'arms', 'push-off', 'above', 'hands apart or head up off the wall'),
  'surfaces-early': sign('turn', 'body', 'push-off', 'above', 'surfaces within 2 m'),
  'lost-in-turn': sign('turn', 'breath', 'turn', 'above', 'loses breath or direction in the turn each time'),
  'turns-deep': sign('turn', 'body', 'turn', 'under water', 'turns deep under the surface'),
  'water-up-the-nose': sign('turn', 'breath', 'turn', 'talk', 'gets water up the nose in the turn'),
  'pauses-before-turn': sign('turn', 'rhythm', 'turn', 'above', 'pauses for a breath before the turn'),
  'hips-drop-at-look': sign('open-water', 'hips', 'look', 'side', 'the hips drop at each look'),
  'stroke-stops-at-look': sign('open-water', 'rhythm', 'look', 'side', 'the stroke stops at each look'),
  'mouth-forward': sign('open-water', 'head', 'look', 'front', 'the mouth opens forward'),
  'swims-extra': sign('open-water', 'body', 'whole', 'track', 'swims far more than the course'),
  'neck-tired': sign('open-water', 'head', 'whole', 'talk', 'the neck is tired'),
  'slow-but-straight': sign('open-water', 'body', 'whole', 'track', 'straight but slow'),
  'loses-mark': sign('open-water', 'head', 'look', 'talk', 'loses the mark again and again'),
  'follows-off-line': sign('open-water', 'body', 'whole', 'track', 'follows boats or feet off the line'),
  'always-same-side': sign('open-water', 'body', 'whole', 'track', 'always drifts the same way'),
  'wrong-after-turn': sign('open-water', 'body', 'turn', 'track', 'takes a wrong line after a mark'),
  'stalls-when-bumped': sign('open-water', 'rhythm', 'whole', 'above', 'stalls when bumped or in chop'),
  'catches-waves': sign('open-water', 'recovery arm', 'recovery', 'side', 'the hand catches waves'),
  'straight-arm-catches': sign('open-water', 'recovery arm', 'recovery', 'front', 'the straight arm catches waves'),
} as const satisfies Record<string, Sign>;

export type SignId = keyof typeof SIGNS;

export const SIGN_IDS = Object.keys(SIGNS) as readonly SignId[];

/** What a club says of one sign: its own words for what the eye sees. */
export type SignEntry = Pick<Sign, 'seen'>;

/** A sign, as the club has it. */
export const signCard = (id: SignId): Sign => {
  const entry = own<SignEntry>('signs', id);
  return entry ? { ...SIGNS[id], ...entry } : SIGNS[id];
};
