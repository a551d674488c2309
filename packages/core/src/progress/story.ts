// What became of a swimmer's work, as a coach tells it to a parent: swims, strokes, focuses and races on one time line.
import { eventOf, swumWord, type ResultLine } from '../measures';
import type { FocusOutcome } from '../review';
import { formatTime } from '../units';
import { datedWord, numberWord } from '../words';

/** A swim of the time line. */
export type ProgressSwim = Pick<ResultLine, 'on' | 'distanceM' | 'timeS' | 'strokesPerLength' | 'kind' | 'details'>;

/** A focus from the day it was chosen to the day it was looked at again. */
export interface ProgressFocus {
  readonly name: string;
  readonly from: string;
  /** Null while it is worked on. */
  readonly to: string | null;
  readonly outcome: FocusOutcome | null;
}

export interface ProgressFacts {
  readonly name: string;
  readonly swims: readonly ProgressSwim[];
  readonly focuses: readonly ProgressFocus[];
  readonly race: { readonly event: string; readonly on: string } | null;
  readonly today: string;
}

/** What a picture of progress shows. */
export interface ProgressStory {
  readonly name: string;
  /** What was swum, like `400 m · 25 m`: one distance in one length of pool. */
  readonly swum: string;
  /** Of that, the earliest first. */
  readonly swims: readonly ProgressSwim[];
  readonly first: ProgressSwim;
  readonly last: ProgressSwim;
  readonly focuses: readonly ProgressFocus[];
  readonly race: ProgressFacts['race'];
  /** First and last day of the line. */
  readonly from: string;
  readonly to: string;
  /** The same in sentences, also for those who do not see it. */
  readonly words: readonly string[];
}

/** As many focuses as a picture has rows for; the newest are shown. */
const MOST_FOCUSES = 6;

/**
 * The story of a swimmer; null before there are two swims of one distance in one length of pool on different days.
 *
 * It is of what was swum most often in a pool; of those the longest. The line goes to the race when that is
 * not farther away than what is behind.
 *
 * @example progressStory({ name: 'Ada', swims: [], focuses: [], race: null, today: '2026-11-29' }) // null
 */
export function progressStory({ name, swims, focuses, race, today }: ProgressFacts): ProgressStory | null {
  const events = new Map<string, ProgressSwim[]>();
  for (const swim of swims)
    if (swim.kind !== 'track' && swim.on <= today)
      events.set(eventOf(swim), [...(events.get(eventOf(swim)) ?? []), swim]);
  const [chosen] = [...events]
    .filter(([, some]) => new Set(some.map(({ on }) => on)).size > 1)
    .sort(([, a], [, b]) => b.length - a.length || b[0]!.distanceM - a[0]!.distanceM);
  if (!chosen) return null;
  const [swum, some] = chosen;
  const inOrder = [...some].sort((a, b) => a.on.localeCompare(b.on));
  const [first, last] = [inOrder[0]!, inOrder.at(-1)!];
  const shown = [...focuses].sort((a, b) => a.from.localeCompare(b.from)).slice(-MOST_FOCUSES);
  const from = [first.on, ...shown.map((f) => f.from)].sort()[0]!;
  const behind = Date.parse(today) - Date.parse(from);
  const ahead = race ? Date.parse(race.on) - Date.parse(today) : 0;
  const near = race !== null && ahead >= 0 && ahead <= behind;
  return {
    ...{ name, swum, swims: inOrder, first, last, focuses: shown, race: near ? race : null },
    ...{ from, to: near ? race.on : today },
    words: [
      gainWords(first, last, today),
      ...strokeWords(first, last),
      ...shown.map((focus) => focusWords(focus)),
      ...(race && race.on >= today ? [`${race.event} on ${datedWord(race.on, today)}.`] : []),
    ],
  };
}

function gainWords(first: ProgressSwim, last: ProgressSwim, today: string): string {
  const swum = (swim: ProgressSwim) => `${formatTime(swim.timeS, 1)} on ${datedWord(swim.on, today)}`;
  const tenths = Math.round((first.timeS - last.timeS) * 10);
  const gain =
    tenths === 0 ? 'the same' : `${numberWord(Math.abs(tenths) / 10, 1)} s ${tenths > 0 ? 'faster' : 'slower'}`;
  return `${swumWord(first)}: ${swum(first)}, ${swum(last)}: ${gain}.`;
}

function strokeWords(first: ProgressSwim, last: ProgressSwim): string[] {
  if (first.strokesPerLength === null || last.strokesPerLength === null) return [];
  return [`Strokes a length: ${numberWord(first.strokesPerLength)}, then ${numberWord(last.strokesPerLength)}.`];
}

const focusWords = ({ name, outcome }: ProgressFocus): string => `${name}: ${outcome ?? 'being worked on'}.`;
