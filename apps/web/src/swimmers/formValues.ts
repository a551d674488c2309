import { check } from '@upwell/contract/common';
import {
  swimmerFields,
  type BreathingSide,
  type Place,
  type Swimmer,
  type SwimmerFields,
} from '@upwell/contract/swimmers';
import type { KitId, LadderId } from '@upwell/core/library';
import { defaultModel, type HealthFlag, type LevelId, type StrokeModelId } from '@upwell/core/swimmers';
import type { TimedStroke } from '@upwell/core/sessions';
import { formatTime, parseTime } from '@upwell/core/units';
import partition from 'lodash/partition.js';
import { Joi } from '@upwell/contract/joi';

/** The form as it is typed: times and numbers are text until they are read. */
export interface SwimmerForm {
  squadId: string;
  givenName: string;
  familyName: string;
  level: LevelId;
  birthYear: string;
  strokeModel: StrokeModelId;
  breathingSide: BreathingSide;
  healthFlags: HealthFlag[];
  healthConsent: boolean;
  clipConsent: boolean;
  kit: KitId[];
  ladderSteps: Partial<Record<LadderId, number>>;
  hasGoal: boolean;
  goal: { event: string; date: string; distanceM: string; place: Place; target: string };
  bestTimes: { stroke: TimeStroke; distanceM: string; time: string }[];
}

/** What a best time is swum in. */
export type TimeStroke = 'front-crawl' | TimedStroke;

export function emptyForm(squadId: string): SwimmerForm {
  return {
    squadId,
    givenName: '',
    familyName: '',
    level: 'build',
    birthYear: '',
    strokeModel: defaultModel({ level: 'build', place: null, goalDistanceM: null, catchLadderPassed: false }),
    breathingSide: 'right',
    healthFlags: [],
    healthConsent: false,
    clipConsent: false,
    kit: [],
    ladderSteps: {},
    hasGoal: false,
    goal: { event: '', date: '', distanceM: '', place: 'open-water', target: '' },
    bestTimes: [],
  };
}

export function formOf(swimmer: Swimmer): SwimmerForm {
  const { goal } = swimmer;
  return {
    ...emptyForm(swimmer.squadId),
    givenName: swimmer.givenName,
    familyName: swimmer.familyName,
    level: swimmer.level,
    birthYear: swimmer.birthYear === null ? '' : String(swimmer.birthYear),
    strokeModel: swimmer.strokeModel,
    breathingSide: swimmer.breathingSide,
    healthFlags: [...swimmer.healthFlags],
    healthConsent: swimmer.healthConsent,
    clipConsent: swimmer.clipConsent,
    kit: [...swimmer.kit],
    ladderSteps: { ...swimmer.ladderSteps },
    hasGoal: goal !== null,
    ...(goal
      ? {
          goal: {
            event: goal.event,
            date: goal.date,
            distanceM: String(goal.distanceM),
            place: goal.place,
            target: goal.targetTimeS === null ? '' : formatTime(goal.targetTimeS),
          },
        }
      : {}),
    bestTimes: [
      ...swimmer.bestTimes.map((b) => ({ stroke: 'front-crawl' as const, ...b })),
      ...(swimmer.strokeTimes ?? []),
    ].map((b) => ({
      stroke: b.stroke,
      distanceM: String(b.distanceM),
      time: formatTime(b.timeS, Number.isInteger(b.timeS) ? 0 : 1),
    })),
  };
}

/** Text as a number: empty stays empty, and what is no number is left for the check to refuse. */
const numberOf = (text: string): unknown =>
  text.trim() === '' ? undefined : Number.isNaN(Number(text.replace(',', '.'))) ? text : Number(text.replace(',', '.'));

const timeOf = (text: string): unknown => (text.trim() === '' ? undefined : (parseTime(text) ?? text));

const NOT_A_TIME = { 'number.base': 'Write the time like 5:52 or 1:02:30.' };

const schema = Joi.object<SwimmerFields>(swimmerFields);

export interface ReadForm {
  readonly fields: SwimmerFields | null;
  /** Messages by the field's place in the form. */
  readonly errors: Readonly<Record<string, string>>;
}

/** Reads the form with the same rules as the server. */
export function readForm(form: SwimmerForm, archived: boolean): ReadForm {
  const { hasGoal, goal, bestTimes, birthYear, ...rest } = form;
  const timed = (b: SwimmerForm['bestTimes'][number]) => ({ distanceM: numberOf(b.distanceM), timeS: timeOf(b.time) });
  const rows = bestTimes.map((_, i) => i);
  const [crawl, others] = partition(rows, (i) => bestTimes[i]!.stroke === 'front-crawl');
  const candidate = {
    ...rest,
    birthYear: numberOf(birthYear) ?? null,
    goal: hasGoal
      ? {
          event: goal.event,
          date: goal.date,
          distanceM: numberOf(goal.distanceM),
          place: goal.place,
          targetTimeS: timeOf(goal.target) ?? null,
        }
      : null,
    bestTimes: crawl.map((i) => timed(bestTimes[i]!)),
    strokeTimes: others.map((i) => ({ stroke: bestTimes[i]!.stroke, ...timed(bestTimes[i]!) })),
    archived,
  };
  const result = check(schema, candidate);
  if (!result.error) return { fields: result.value, errors: {} };
  const errors = result.error.details.map((detail) => {
    const path = inForm(detail.path.join('.'), crawl, others);
    const time = path.endsWith('targetTimeS') || path.endsWith('timeS');
    return [formField(path), (time && NOT_A_TIME[detail.type as 'number.base']) || detail.message] as const;
  });
  return { fields: null, errors: Object.fromEntries(errors) };
}

/** A best time by its row in the form, where those of all strokes stand in one list. */
function inForm(path: string, crawl: readonly number[], others: readonly number[]): string {
  return path
    .replace(/^bestTimes\.(\d+)/, (_, i: string) => `bestTimes.${crawl[Number(i)]}`)
    .replace(/^strokeTimes\.(\d+)/, (_, i: string) => `bestTimes.${others[Number(i)]}`);
}

/** Where a field of the contract is typed in the form. */
function formField(path: string): string {
  return path
    .replace('goal.targetTimeS', 'goal.target')
    .replace(/(bestTimes\.\d+)\.timeS/, '$1.time')
    .replace(/^(bestTimes\.\d+)$/, '$1.time');
}
