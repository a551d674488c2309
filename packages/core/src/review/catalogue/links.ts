import { fromOwn, ownOf } from '../../own';
import type { CauseId } from './causes';
import type { SignId } from './signs';

/** How often a cause shows a sign: nearly always, often, sometimes. */
export type Strength = 'strong' | 'some' | 'weak';

/** First guesses of how each cause shows; a club may edit them and outcomes refine them. */
export const LINKS: Readonly<Record<CauseId, Readonly<Partial<Record<SignId, Strength>>>>> = {
  unease: {
    'face-stays-out': 'strong',
    'no-bubbles': 'some',
    'grips-float': 'strong',
    'vertical-body': 'some',
    'breath-rushed': 'some',
  },
  'holds-breath': {
    'no-bubbles': 'strong',
    'one-gasp': 'strong',
    'tired-early': 'some',
    'breath-rushed': 'some',
    'head-still-turned': 'weak',
  },
  'empties-lungs': { gasps: 'strong', 'sinks-after-exhale': 'some', 'neck-strains': 'weak', 'tired-early': 'some' },
  'looks-forward': { 'eyes-ahead': 'strong', 'legs-low': 'strong', 'neck-strains': 'weak', 'bow-wave': 'some' },
  'lifts-head': {
    'chin-rises': 'strong',
    'legs-drop-at-breath': 'strong',
    'lead-arm-drops': 'some',
    'whole-face-out': 'strong',
    'legs-low': 'weak',
  },
  'breath-too-low': {
    'mouth-barely-clears': 'strong',
    'face-up-and-back': 'strong',
    'swallows-water': 'some',
    'shoulders-stack': 'some',
    'lead-arm-drops': 'some',
    'neck-strains': 'some',
  },
  'late-breath': {
    'head-still-turned': 'strong',
    'lead-arm-gone': 'some',
    'rhythm-limps': 'some',
    'lead-arm-drops': 'some',
  },
  'late-exhale': { 'bubbles-at-mouth': 'strong', 'swallows-water': 'some', 'breath-rushed': 'some' },
  'one-sided': {
    'one-side-only': 'strong',
    'roll-unequal': 'strong',
    veers: 'some',
    'side-ache': 'weak',
    'rhythm-limps': 'weak',
  },
  'head-wanders': { 'head-swings': 'strong', 'hips-snake': 'some', 'body-rocks': 'some' },
  'no-chest-press': { 'legs-low': 'strong', 'hips-low-eyes-down': 'strong', 'kicks-to-stay-flat': 'some' },
  'soft-core': {
    'hips-snake': 'some',
    'belly-hangs': 'strong',
    'legs-scissor': 'weak',
    'legs-low': 'some',
    'curves-on-side': 'some',
  },
  'presses-lead-arm': {
    'lead-arm-drops': 'strong',
    'straight-arm-press': 'strong',
    'head-bobs': 'some',
    'legs-low': 'weak',
  },
  'crosses-midline': {
    'enters-past-middle': 'strong',
    'hips-snake': 'strong',
    'legs-scissor': 'some',
    zigzags: 'some',
    veers: 'weak',
  },
  'pulls-across': { 'pulls-under-body': 'strong', 'hips-snake': 'some', 'hand-slips': 'weak', zigzags: 'weak' },
  'flat-entry': { 'hand-laid-flat': 'strong', 'splash-entry': 'some', 'bubbles-on-hand': 'some', 'arm-short': 'some' },
  'slow-recovery': { 'long-in-air': 'strong', 'stalls-over-shoulder': 'some', 'rate-low': 'some' },
  'stiff-recovery': {
    'hand-high-wide': 'some',
    'shoulders-tense': 'strong',
    'fingers-clamped': 'some',
    'body-rocks': 'some',
  },
  'no-reach': {
    'arm-short': 'some',
    'hand-turns-back-at-once': 'strong',
    'body-compressed': 'strong',
    'count-high': 'some',
  },
  'dropped-elbow': { 'elbow-leads': 'strong', 'hand-slips': 'strong', 'count-high': 'some' },
  'shallow-pull': { 'sweeps-shallow': 'strong', 'spills-sideways': 'some', 'exits-before-hip': 'weak' },
  'short-finish': { 'exits-before-hip': 'strong', 'rate-high': 'weak', 'count-high': 'some' },
  'flat-body': {
    'shoulders-flat': 'strong',
    'recovery-wide-low': 'some',
    'neck-strains': 'some',
    'body-compressed': 'weak',
  },
  'over-roll': {
    'shoulders-stack': 'strong',
    'legs-scissor': 'strong',
    'lead-arm-drops': 'some',
    'rhythm-limps': 'weak',
    'curves-on-side': 'weak',
  },
  'over-glide': { 'hands-meet-and-stop': 'strong', 'speed-surges': 'strong', 'rate-low': 'some' },
  spins: {
    'rate-high': 'strong',
    'length-collapses': 'strong',
    'splash-entry': 'some',
    'tired-early': 'some',
    'hand-slips': 'some',
  },
  'knee-kick': { 'knees-break-line': 'strong', 'feet-out': 'some', 'board-goes-nowhere': 'strong', 'legs-low': 'some' },
  'slow-kick': { 'kick-slow': 'strong', 'no-froth': 'some', 'legs-low': 'weak' },
  'stiff-ankles': {
    'feet-hooked': 'strong',
    'legs-low': 'strong',
    'board-goes-backwards': 'some',
    'board-goes-nowhere': 'some',
  },
  'deep-kick': { 'no-froth': 'strong', 'feet-deep': 'strong' },
  'kick-pause': { 'kick-stops-at-breath': 'strong', 'legs-scissor': 'some', 'legs-drop-at-breath': 'some' },
  'over-kick': { 'six-beats-breathless': 'strong', 'legs-gone': 'some', 'tired-early': 'some' },
  'pull-kick-clash': { 'arms-open-while-kicking': 'strong', 'no-glide': 'strong', 'bobs-on-spot': 'some' },
  'no-glide-habit': { 'no-glide': 'strong', 'many-strokes': 'strong' },
  'late-lift': { 'head-after-hands': 'strong', 'sinks-at-breath': 'some', 'swallows-water': 'weak' },
  'head-up': { 'face-stays-out': 'strong', 'legs-low': 'some' },
  'long-pull': { 'elbows-past-shoulders': 'strong', 'hands-stuck': 'some', 'sinks-at-breath': 'weak' },
  'scissor-feet': { 'foot-uneven': 'strong', 'drifts-in-breaststroke': 'some' },
  'side-roll': { 'comes-out-crooked': 'strong', 'legs-open-in-turn': 'some' },
  'wall-distance': { 'feet-miss-wall': 'strong', 'pauses-before-turn': 'weak' },
  'no-streamline': { 'hands-apart': 'strong', 'surfaces-early': 'some' },
  'tumble-too-soon': {
    'lost-in-turn': 'strong',
    'comes-out-crooked': 'some',
    'water-up-the-nose': 'strong',
    'turns-deep': 'some',
    'pauses-before-turn': 'some',
  },
  'sights-high': { 'hips-drop-at-look': 'strong', 'stroke-stops-at-look': 'strong', 'neck-tired': 'some' },
  'breathes-forward': { 'mouth-forward': 'strong', 'swallows-water': 'some', 'stroke-stops-at-look': 'weak' },
  'sights-seldom': { zigzags: 'some', 'swims-extra': 'strong' },
  'sights-often': { 'slow-but-straight': 'some', 'neck-tired': 'some' },
  'poor-aim': { 'loses-mark': 'strong', 'follows-off-line': 'some', 'swims-extra': 'some' },
  'veers-habit': { 'always-same-side': 'strong', 'swims-extra': 'some', veers: 'strong' },
  'late-resight': { 'wrong-after-turn': 'strong', 'swims-extra': 'weak' },
  'long-stroke-in-chop': { 'stalls-when-bumped': 'strong', 'catches-waves': 'some', 'straight-arm-catches': 'some' },
};

export type Links = Readonly<Partial<Record<SignId, Strength>>>;

/** What a club says of how one cause shows: other strengths, signs of its own choice, or none. */
export type LinkEntry = Readonly<Partial<Record<SignId, Strength | 'none'>>>;

/** The built-in links of a cause with a club's laid over them. */
export function linksWith(cause: CauseId, entry: LinkEntry): Links {
  const all = { ...LINKS[cause], ...entry };
  return Object.fromEntries(Object.entries(all).filter(([, strength]) => strength !== 'none')) as Links;
}

const links = fromOwn(() => {
  const entries = ownOf<LinkEntry>('links');
  return new Map((Object.keys(LINKS) as CauseId[]).map((id) => [id, linksWith(id, entries[id] ?? {})]));
});

/** How a cause shows, as the club has it. */
export const linksOf = (cause: CauseId): Links => links().get(cause)!;
