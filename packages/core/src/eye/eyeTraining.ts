import { seeded } from '../units';
import { cohensKappa } from '../measures';
import { type FigureSide, SIGN_POSES } from '../figure';
import { type CauseId, inferCauses, SIGN_IDS, signCard, type SignId, whyFirst } from '../review';

/** From plain faults shown slowly to small ones at full speed, and to swimmers with as many faults as beginners have. */
export const EYE_GRADES = [1, 2, 3, 4] as const;
export type EyeGrade = (typeof EYE_GRADES)[number];

interface Grade {
  readonly signs: readonly [least: number, most: number];
  readonly severity: number;
  readonly options: number;
  /** Cycles of both arms a minute. */
  readonly cyclesPerMin: number;
}

const GRADES: Readonly<Record<EyeGrade, Grade>> = {
  1: { signs: [1, 1], severity: 1, options: 5, cyclesPerMin: 16 },
  2: { signs: [1, 2], severity: 0.7, options: 7, cyclesPerMin: 22 },
  3: { signs: [2, 3], severity: 0.5, options: 9, cyclesPerMin: 28 },
  4: { signs: [4, 6], severity: 0.8, options: 12, cyclesPerMin: 24 },
};

/** A simulated swimmer with known faults. */
export interface EyeClip {
  readonly grade: EyeGrade;
  readonly seed: number;
  readonly truth: readonly SignId[];
  /** The signs to answer, true and false ones mixed. */
  readonly options: readonly SignId[];
  /** How strongly the faults show, 0–1. */
  readonly severity: number;
  readonly cyclesPerMin: number;
  /** The view in which the first fault shows. */
  readonly view: FigureSide;
}

/** Signs that came later: without them a swimmer of the first three grades stays who it was, whatever was marked of it. */
const LATER: readonly SignId[] = ['kick-slow', 'curves-on-side'];

/** Signs of the crawl that a moving figure shows by itself, without words or a track. */
const VISIBLE: readonly SignId[] = SIGN_IDS.filter((id) => {
  const { stroke, view, part } = signCard(id);
  return (stroke === 'front-crawl' || stroke === 'any') && view !== 'talk' && view !== 'track' && part !== 'rhythm';
});

const keysOf = (id: SignId): string[] => Object.keys(SIGN_POSES[id].change);
const apart = (id: SignId, others: readonly SignId[]): boolean =>
  others.every((other) => keysOf(other).every((key) => !keysOf(id).includes(key)));

/**
 * The simulated swimmer of a grade and a number: the same for everyone, so that two coaches can look
 * at the same one.
 *
 * No false option touches the same part of the pose as a true one: what is not in the list of faults
 * really does not show.
 */
export function eyeClip(grade: EyeGrade, seed: number): EyeClip {
  const { signs, severity, options, cyclesPerMin } = GRADES[grade];
  const order = VISIBLE.filter((id) => grade === 4 || !LATER.includes(id))
    .map((id, i) => ({ id, key: seeded(seed * 7 + grade, i) }))
    .sort((a, b) => a.key - b.key)
    .map(({ id }) => id);
  const count = signs[0] + Math.floor(seeded(seed * 7 + grade, 1000) * (signs[1] - signs[0] + 1));
  const truth: SignId[] = [];
  for (const id of order) if (truth.length < count && apart(id, truth)) truth.push(id);
  const others = order.filter((id) => !truth.includes(id) && apart(id, truth)).slice(0, options - truth.length);
  const asked = new Set([...truth, ...others]);
  return {
    grade,
    seed,
    truth,
    options: SIGN_IDS.filter((id) => asked.has(id)),
    severity,
    cyclesPerMin,
    view: SIGN_POSES[truth[0]!].view,
  };
}

export type EyeAnswer = 'found' | 'missed' | 'false-alarm' | 'rightly-left';

export interface EyeScore {
  readonly answers: readonly { readonly sign: SignId; readonly answer: EyeAnswer }[];
  readonly found: number;
  readonly missed: number;
  readonly falseAlarms: number;
  /** Share of the faults that were found. */
  readonly sensitivity: number;
  /** Agreement with the truth beyond chance; null when chance alone would agree fully. */
  readonly kappa: number | null;
}

/** How well some marks match what the simulated swimmer shows. Marks outside the options are ignored. */
export function scoreEye(clip: EyeClip, marked: readonly SignId[]): EyeScore {
  const answers = clip.options.map((sign) => {
    const [is, said] = [clip.truth.includes(sign), marked.includes(sign)];
    const answer: EyeAnswer = is ? (said ? 'found' : 'missed') : said ? 'false-alarm' : 'rightly-left';
    return { sign, answer };
  });
  const count = (answer: EyeAnswer) => answers.filter((a) => a.answer === answer).length;
  const found = count('found');
  return {
    answers,
    found,
    missed: count('missed'),
    falseAlarms: count('false-alarm'),
    sensitivity: found / clip.truth.length,
    kappa: cohensKappa(clip.options.map((sign) => [clip.truth.includes(sign), marked.includes(sign)])),
  };
}

/** What would be worked on first, by the rule of a review. */
export interface EyeFocus {
  readonly byTruth: CauseId;
  /** What the marks lead to; nothing where nothing was marked. */
  readonly byMarks: CauseId | null;
  /** Why the first thing comes first, where it is likely enough. */
  readonly why: string | null;
}

/**
 * Where the marks lead, graded by the rule that chooses a focus: an eye that misses a detail and still finds the first
 * thing to work on has seen what matters.
 *
 * @example eyeFocus(clip, clip.truth).byMarks === eyeFocus(clip, []).byTruth // true
 */
export function eyeFocus(clip: EyeClip, marked: readonly SignId[]): EyeFocus {
  const first = (signs: readonly SignId[]) => {
    const seen = Object.fromEntries(signs.map((sign) => [sign, 'often' as const]));
    const found = inferCauses({ stroke: 'front-crawl', model: 'long-line', level: 'hold', signs: seen });
    return { cause: found.focus ?? found.ranking[0]!.cause, why: whyFirst(found) };
  };
  const truth = first(clip.truth);
  const marks = marked.filter((sign) => clip.options.includes(sign));
  return { byTruth: truth.cause, byMarks: marks.length > 0 ? first(marks).cause : null, why: truth.why };
}

/** What one coach marked on one simulated swimmer. */
export interface EyeMarks {
  readonly grade: EyeGrade;
  readonly seed: number;
  readonly marked: readonly SignId[];
}

export interface EyeSignRecord {
  readonly sign: SignId;
  readonly found: number;
  readonly missed: number;
  readonly falseAlarms: number;
}

/** Each sign's record over many tries, the weakest first: what the eye should be trained on. */
export function eyeRecords(history: readonly EyeMarks[]): EyeSignRecord[] {
  const records = new Map<SignId, { found: number; missed: number; falseAlarms: number }>();
  for (const { grade, seed, marked } of history) {
    for (const { sign, answer } of scoreEye(eyeClip(grade, seed), marked).answers) {
      if (answer === 'rightly-left') continue;
      const record = records.get(sign) ?? { found: 0, missed: 0, falseAlarms: 0 };
      if (answer === 'found') record.found++;
      else if (answer === 'missed') record.missed++;
      else record.falseAlarms++;
      records.set(sign, record);
    }
  }
  const wrong = (r: Omit<EyeSignRecord, 'sign'>) => r.missed + r.falseAlarms;
  return [...records].map(([sign, r]) => ({ sign, ...r })).sort((a, b) => wrong(b) - wrong(a) || a.found - b.found);
}

/** Cohen's kappa of two coaches over the simulated swimmers that both looked at; null without a common one. */
export function eyeAgreement(a: readonly EyeMarks[], b: readonly EyeMarks[]): { kappa: number | null; clips: number } {
  const common = a.flatMap((mine) => {
    const theirs = b.find((m) => m.grade === mine.grade && m.seed === mine.seed);
    return theirs ? [{ clip: eyeClip(mine.grade, mine.seed), mine, theirs }] : [];
  });
  const pairs = common.flatMap(({ clip, mine, theirs }) =>
    clip.options.map((sign) => [mine.marked.includes(sign), theirs.marked.includes(sign)] as const),
  );
  return { kappa: pairs.length === 0 ? null : cohensKappa(pairs), clips: common.length };
}
