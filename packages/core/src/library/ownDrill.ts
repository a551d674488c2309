// Whether a card that a club writes is one that a swimmer can be given.
import { MOST_STROKES_BETWEEN } from '../safety';
import { isAtLeast, type LevelId } from '../swimmers';
import { DRILLS, type BuiltInDrillId, type DrillId } from './drills';
import type { Dose, Drill, DrillPlace } from './types';

/** What is wrong with a card, and at which of its fields. */
export interface CardProblem {
  readonly field: keyof Drill;
  readonly message: string;
}

/** Drills that a club may have of its own. */
export const MOST_OWN_DRILLS = 100;

/** Most of one try that a club may write, whatever the drill: lengths of a long pool, and the clock. */
export const MOST_OF_OWN = { tries: 20, metres: 200, seconds: 60 } as const;

const ON_THE_SPOT: readonly DrillPlace[] = ['land', 'wall', 'shallow'];
const SPOT_WORD: Readonly<Partial<Record<DrillPlace, string>>> = {
  land: 'on land',
  wall: 'at the wall',
  shallow: 'in standing depth',
};

/** Where a card is not complete without a caution. */
const WATCHED: readonly DrillPlace[] = ['wall', 'shallow', 'deep'];

/** Metres that strokes without looking may go on for: ten of them, of a long stroke. */
export const MOST_BLIND_M = 15;

/**
 * Why a card must not be used as it stands; nothing where it may.
 *
 * What a place allows, and what cost swimmers their lives, is decided here and not by a club: no distance under water
 * and no breath held, no metres where one stands, nothing without a place. A card laid over one that came with the app
 * may be tighter than that, never looser.
 *
 * @param id the drill; a built-in one is compared with what came with the app
 * @example cardProblems('own-far-glide', { ...card, steps: ['Swim 25 m under water.'] })[0].field // 'steps'
 */
export function cardProblems(id: DrillId, card: Drill): CardProblem[] {
  const builtIn: Drill | undefined = Object.hasOwn(DRILLS, id) ? DRILLS[id as BuiltInDrillId] : undefined;
  return [
    ...placeProblems(card),
    ...doseProblems(card),
    ...wordProblems(card),
    ...(builtIn ? looser(builtIn, card) : []),
  ];
}

function placeProblems({ places, from, cautions }: Drill): CardProblem[] {
  if (places.length === 0)
    return [{ field: 'places', message: 'Say where it is done. Without a place it cannot be planned.' }];
  const problems: CardProblem[] = [];
  if (places.includes('deep') && from === 'settle')
    problems.push({ field: 'from', message: 'Deep water is not for people who cannot swim 50 m yet.' });
  if (places.some((place) => WATCHED.includes(place)) && cautions.length === 0)
    problems.push({
      field: 'cautions',
      message: 'Say what to watch for at the wall, in standing depth or in deep water.',
    });
  return problems;
}

function doseProblems({ places, dose, factor }: Drill): CardProblem[] {
  const problems: CardProblem[] = [];
  const say = (message: string) => problems.push({ field: 'dose', message });
  if (dose.kind === 'distance' && places.length > 0 && places.every((place) => ON_THE_SPOT.includes(place)))
    say(`What is done ${SPOT_WORD[places[0]!]} is counted in tries or seconds, never in metres.`);
  if (dose.kind === 'distance' && dose.mostM < dose.metres)
    say(`${dose.mostM} m cannot be the most where one try is ${dose.metres} m.`);
  if (dose.tries > MOST_OF_OWN.tries) say(`${MOST_OF_OWN.tries} tries are the most.`);
  if (mostOf(dose) > (dose.kind === 'distance' ? MOST_OF_OWN.metres : MOST_OF_OWN.seconds))
    say(
      dose.kind === 'distance'
        ? `One try is ${MOST_OF_OWN.metres} m at most.`
        : `One try is ${MOST_OF_OWN.seconds} s at most.`,
    );
  if (dose.kind === 'distance' && factor === null)
    problems.push({
      field: 'factor',
      message: 'Say how fast it is beside easy swimming, so that its time can be worked out.',
    });
  if (dose.kind !== 'distance' && factor !== null)
    problems.push({ field: 'factor', message: 'What covers no distance has no pace.' });
  return problems;
}

/** Metres or seconds of one try at most. */
function mostOf(dose: Dose): number {
  if (dose.kind === 'distance') return dose.mostM;
  return dose.kind === 'seconds' ? dose.seconds : dose.eachS;
}

/** The fields that say what is done; what is wrong to do and what to watch may name any danger. */
const DOING = ['name', 'purpose', 'steps', 'feel', 'cue'] as const;

function wordProblems(card: Drill): CardProblem[] {
  const problems = DOING.flatMap((field): CardProblem[] => {
    const texts = card[field];
    const message = (typeof texts === 'string' ? [texts] : texts).map(unsafeWords).find((text) => text !== null);
    return message ? [{ field, message }] : [];
  });
  const doing = DOING.flatMap((field) => card[field]).join(' ');
  if (BLIND.test(doing)) {
    if (card.dose.kind === 'distance' && card.dose.mostM > MOST_BLIND_M)
      problems.push({
        field: 'dose',
        message: `Strokes with closed eyes: ten at most, ${MOST_BLIND_M} m, and never as lengths between walls.`,
      });
    if (!isAtLeast(card.from, 'build'))
      problems.push({
        field: 'from',
        message: 'Strokes with closed eyes are not for people who cannot swim 50 m yet.',
      });
  }
  if (HEAD_FIRST.test(doing) && !/depth|deep/i.test(card.cautions.join(' ')))
    problems.push({
      field: 'cautions',
      message: 'A dive or a jump needs a caution that says how deep the water must be.',
    });
  return problems;
}

const BLIND =
  /\b(?:eyes (?:are |kept )?(?:closed|shut)|(?:close|shut)(?:s|ing)? (?:your |the |both )?eyes|blind(?:ly|fold(?:ed)?)?)\b/i;
const HEAD_FIRST =
  /\b(?:div(?:e|es|ing) (?:in|from|off|start)|div(?:e|ing) start|head ?first|starting block|jump(?:s|ing)? (?:in|from|off))\b/i;

/** Under water, but for a part of the body that belongs there: knees under the surface, the hand under water. */
const UNDER =
  /(?<!\b(?:knees?|hands?|arms?|forearms?|elbows?|wrists?|fingers|fingertips|feet|toes|heels|legs?|board) (?:\w+ )?)\b(?:under ?-?water|(?:under|below|beneath) the (?:surface|water)|submerged|uw)\b/i;
const FAR =
  /(?:\d|\b(?:five|ten|twelve|fifteen|twenty|twenty[ -]five|thirty|forty|fifty)) ?(?:m|metres?|meters?|yards?|yds?|lengths?|laps?|widths?)\b|\b(?:as (?:far|long) as|how (?:far|long)|far(?:thest)?|furthest|longest|distance|(?:half|whole|one|full|two|a) (?:a |the |of the )?(?:length|width|lap|pool)s?|to the (?:other|far|end|wall|flags)|across the pool|record|contest|race)\b|\b\d+ ?(?:uw|under ?-?water)\b/i;
const NO_AIR =
  /\b(?:hold(?:s|ing)? (?:(?:your|the|his|her|their|on to the|a) )?breath|breath[- ]?hold(?:s|ing)?|held breath|hypoxic|apn(?:o)?ea|without (?:a |any |one )?(?:breath|breathing|air)|no (?:breath|breathing|air)|(?:one|a single) breath (?:for|per|to) |(?:do not|don[’']t|never|not to|nobody) breathes?|not breathing|(?:0|zero) breaths|breathes? only (?:at|on|after) (?:the |every |each )?(?:walls?|turns?|ends?)|lung ?busters?)\b/i;
const FAST_BREATHS =
  /\b(?:hyperventilat\w*|(?:fast|quick|rapid|forced?) (?:deep )?breath(?:s|ing)?|(?:\d+|three|four|five|six|eight|ten|twenty|several|many|some) (?:big|deep|fast|quick|full|rapid) breaths|pump(?:s|ing)? (?:the |your )?(?:lungs|breath))\b/i;
/** Beyond {@link MOST_STROKES_BETWEEN} a set has rules of its own, and a card must not ask for it. */
const EVERY =
  /\bbreath\w*\b.{0,30}?\bevery (\d+|six|seven|eight|nine|ten|eleven|twelve)\b(?! ?(?:m|metres?|s|seconds?|min)\b)/i;

/** “Never hold your breath” warns of what “hold your breath” asks for. */
const WARNED = /\b(?:never|do not|don[’']t|no|not|stop|instead of|rather than|avoid)\s+(?:ever\s+|to\s+)?$/i;

/**
 * Why words must not be said to swimmers, or null: they ask for a distance under water, a held breath, or fast breathing
 * beforehand, with which fit people faint without a warning.
 *
 * @example unsafeWords('Swim 15 m under water.') // 'No distance under water: …'
 * @example unsafeWords('Breathe out under water.') // null
 */
export function unsafeWords(text: string): string | null {
  // As it is read: whatever blanks, and signs that nobody sees, stand between the letters.
  const plain = text
    .normalize('NFKC')
    .replace(/\p{Cf}/gu, '')
    .replace(/\s+/g, ' ');
  for (const sentence of plain.split(/(?<=[.!?;])\s+/)) {
    if (UNDER.test(sentence) && FAR.test(sentence))
      return 'No distance under water: fit people faint there without a warning.';
    const held = NO_AIR.exec(sentence);
    if (held && !WARNED.test(sentence.slice(0, held.index)))
      return 'No held breath: say when to breathe. Fit people faint without a warning.';
    const every = EVERY.exec(sentence)?.[1];
    if (every !== undefined && !(Number(every) <= MOST_STROKES_BETWEEN))
      return `A breath every ${MOST_STROKES_BETWEEN} strokes at least: fewer are planned as a set, which asks each swimmer.`;
    const fast = FAST_BREATHS.exec(sentence);
    if (fast && !WARNED.test(sentence.slice(0, fast.index)))
      return 'No fast or deep breathing beforehand: it takes away the urge to breathe, and people faint.';
  }
  return null;
}

/** Where a card asks less care than the one that came with the app. */
function looser(was: Drill, is: Drill): CardProblem[] {
  const problems: CardProblem[] = [];
  const say = (field: keyof Drill, message: string) => problems.push({ field, message });
  const lost = was.cautions.filter((caution) => !is.cautions.includes(caution));
  if (lost.length > 0) say('cautions', `This caution stays: “${lost[0]}”`);
  if (was.notWith.some((flag) => !is.notWith.includes(flag)))
    say('notWith', `Not with ${was.notWith.join(', ')}: that stays.`);
  if (!isAtLeast(is.from, was.from satisfies LevelId))
    say('from', 'It may begin at a higher level than it did, not at a lower one.');
  if (is.places.some((place) => !was.places.includes(place)))
    say(
      'places',
      'It may be done in fewer places than it was, not in others. Write a drill of your own for another place.',
    );
  if (was.levelEdge && !is.levelEdge) say('levelEdge', 'Heels come near the edge: not where it is raised. That stays.');
  if (is.dose.kind !== was.dose.kind)
    say('dose', 'It is counted as it was. Write a drill of your own to count it in another way.');
  else if (mostOf(is.dose) > mostOf(was.dose))
    say(
      'dose',
      `One try is at most ${mostOf(was.dose)} ${was.dose.kind === 'distance' ? 'm' : 's'}, as it was; less is fine.`,
    );
  return problems;
}
