// Words for what core works out about a race.
import type { GapPart, Phase, RaceGap, Source } from '@upwell/core/race';
import type { WeekKind } from '@upwell/core/sessions';
import { formatTime } from '@upwell/core/units';

export const PART_WORD: Readonly<Record<GapPart, string>> = {
  straightness: 'A straighter line',
  feet: 'Drafting',
  skills: 'Starts, turns and breaths',
  fitness: 'Fitness',
  technique: 'Stroke length',
};

export const VERDICT_WORD: Readonly<Record<RaceGap['verdict'], string>> = {
  there: 'Already there',
  realistic: 'Realistic',
  hopeful: 'Hopeful',
  'not-yet': 'Not yet',
  'beyond-anybody': 'Faster than anyone swims',
};

export const SOURCE_WORD: Readonly<Record<Source, string>> = {
  coach: 'your entry',
  record: 'from records',
  guess: 'a guess',
};

export const PHASE_WORD: Readonly<Record<Phase, string>> = {
  learn: 'Learn',
  build: 'Build up',
  sharpen: 'Sharpen',
  taper: 'Taper',
};

export const KIND_WORD: Readonly<Record<WeekKind, string>> = {
  normal: 'Work',
  recovery: 'Lighter',
  taper: 'Taper',
};

/** Seconds with their sign: −1:05, +12 s. */
export function signedTime(seconds: number): string {
  const rounded = Math.round(Math.abs(seconds));
  const sign = seconds < -0.5 ? '−' : seconds >= 0.5 ? '+' : '';
  return rounded < 60 ? `${sign}${rounded} s` : `${sign}${formatTime(rounded)}`;
}
