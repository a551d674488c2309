import type { KitId } from '../library';
import type { BlockKind, SwimStroke } from '../sessions';

/** Efforts by word; a percentage says the same. */
export const EFFORT_BY_WORD: Readonly<Record<string, number>> = {
  easy: 0.6,
  ez: 0.6,
  gentle: 0.6,
  relaxed: 0.7,
  moderate: 0.75,
  mod: 0.75,
  steady: 0.8,
  strong: 0.9,
  fast: 0.9,
  hard: 0.9,
  'all-out': 1,
  'all out': 1,
  'flat out': 1,
  max: 1,
  maximum: 1,
  'max effort': 1,
  'maximum effort': 1,
  sprint: 1,
  sprints: 1,
};

export const STROKE_BY_WORD: Readonly<Record<string, SwimStroke>> = {
  crawl: 'front-crawl',
  'front crawl': 'front-crawl',
  free: 'front-crawl',
  freestyle: 'front-crawl',
  fr: 'front-crawl',
  fs: 'front-crawl',
  'f/s': 'front-crawl',
  fc: 'front-crawl',
  swim: 'front-crawl',
  swimming: 'front-crawl',
  backstroke: 'backstroke',
  back: 'backstroke',
  'back crawl': 'backstroke',
  bk: 'backstroke',
  breaststroke: 'breaststroke',
  breast: 'breaststroke',
  br: 'breaststroke',
  butterfly: 'butterfly',
  fly: 'butterfly',
  medley: 'medley',
  'individual medley': 'medley',
  im: 'medley',
  kick: 'kick',
  kicking: 'kick',
  pull: 'front-crawl',
  pulling: 'front-crawl',
  choice: 'choice',
  'any stroke': 'choice',
  'own choice': 'choice',
  'choice of stroke': 'choice',
  'stroke of choice': 'choice',
};

/** Words of {@link STROKE_BY_WORD} for crawl with a buoy. */
export const PULL_WORDS: readonly string[] = ['pull', 'pulling'];

/** What is brought, as it is called. */
export const KIT_BY_WORD: Readonly<Record<string, KitId>> = {
  buoy: 'buoy',
  'pull buoy': 'buoy',
  'pull buoys': 'buoy',
  pb: 'buoy',
  board: 'board',
  boards: 'board',
  'kick board': 'board',
  fins: 'fins',
  flippers: 'fins',
  snorkel: 'snorkel',
  beeper: 'beeper',
  paddles: 'finger-paddles',
  'finger paddles': 'finger-paddles',
  'hand paddles': 'finger-paddles',
};

export const BLOCK_BY_WORD: Readonly<Record<string, BlockKind>> = {
  land: 'land',
  'dry land': 'land',
  stretch: 'land',
  stretching: 'land',
  'warm-up': 'warm-up',
  'warm up': 'warm-up',
  'w/u': 'warm-up',
  wu: 'warm-up',
  drills: 'drills',
  'drill set': 'drills',
  'drills set': 'drills',
  technique: 'drills',
  'technique set': 'drills',
  'pre-set': 'drills',
  'pre set': 'drills',
  main: 'main',
  'main set': 'main',
  'main part': 'main',
  ms: 'main',
  'pull set': 'main',
  'kick set': 'main',
  speed: 'speed',
  'speed work': 'speed',
  'speed set': 'speed',
  sprints: 'speed',
  'sprint set': 'speed',
  'swim-down': 'swim-down',
  'swim down': 'swim-down',
  'cool-down': 'swim-down',
  'cool down': 'swim-down',
  'warm-down': 'swim-down',
  'warm down': 'swim-down',
  'c/d': 'swim-down',
  cd: 'swim-down',
};

/** What is swum in a part that is called after it, where nothing else is said. */
export const USUAL_OF_BLOCK: Readonly<Record<string, 'pull' | 'kick'>> = { 'pull set': 'pull', 'kick set': 'kick' };

/** The words for what a set says besides, as whiteboards have them; the first is the one that is written. */
export const SAID = {
  breathe: ['breathe', 'breathing', 'breath'],
  bilateral: ['bilateral', 'bilaterally', 'both sides'],
  look: ['look', 'looks', 'looking', 'look up', 'sight', 'sights', 'sighting'],
  negative: ['negative split', 'negative splits', 'neg split', 'negative'],
  building: ['build', 'building', 'build up', 'builds'],
  descend: ['descend', 'descending', 'descends', 'desc', 'des'],
  rest: ['rest', 'resting', 'recovery', 'r\\.?i\\.?', 'r'],
  pause: ['take a break', 'water break', 'drinks break', 'break', 'pause'],
  on: ['on', 'leave on', 'leaving on', 'go on', 'going on', 'off', 'at', 'send-off', 'send off'],
  with: ['with', 'using', 'wearing'],
  minutes: ['min', 'mins', 'minute', 'minutes'],
  unit: {
    m: 'm',
    metre: 'm',
    metres: 'm',
    meter: 'm',
    meters: 'm',
    yd: 'yd',
    yds: 'yd',
    y: 'yd',
    yard: 'yd',
    yards: 'yd',
    k: 'km',
    km: 'km',
    s: 's',
    sec: 's',
    secs: 's',
    second: 's',
    seconds: 's',
  },
  total: ['total', 'totals', 'total distance', 'sum'],
  rounds: ['rounds of', 'rounds', 'round of', 'times through', 'times round', 'times', 'sets of'],
  through: { 'twice through': 2, twice: 2, 'two times': 2, 'three times': 3, 'once through': 1 } as Record<
    string,
    number
  >,
} as const;

/** Numbers below thirteen, as words. */
export const NUMBER_WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
};

/** Words that say nothing here: `every 3rd stroke`, `to the left`, `15 s rest between`. */
export const FILLERS: readonly string[] = [
  'a',
  'an',
  'as',
  'between',
  'each',
  'effort',
  'for',
  'from',
  'in',
  'nd',
  'of',
  'pace',
  'rd',
  'reps',
  'side',
  'st',
  'stroke',
  'strokes',
  'th',
  'through',
  'the',
  'to',
];

/** Facts of the whole session that stand on a line of their own: `pool: 25 m`. */
export const PLAN_KEYS = ['when', 'theme', 'kind', 'pool', 'loop', 'minutes', 'seed'] as const;

/** Facts of a group. */
export const GROUP_KEYS = ['level', 'model', 'who', 'pace', 'paces', 'strokes', 'knows', 'lifeguard'] as const;

export const KEYS = [...PLAN_KEYS, ...GROUP_KEYS] as const;
export type Key = (typeof KEYS)[number];

/** Every word of a set line, for the suggestion after a slip of the finger. */
export const SET_WORDS: readonly string[] = [
  ...Object.keys(EFFORT_BY_WORD),
  ...Object.keys(STROKE_BY_WORD),
  ...Object.keys(KIT_BY_WORD),
  'drill',
  'breathe',
  'breathing',
  'breaths',
  'bilateral',
  'build',
  'negative split',
  'look',
  'sighting',
  'rate',
  'rest',
  'with',
  'halves',
  'descend',
  'left',
  'right',
  'length',
  'loops',
  'min',
];
