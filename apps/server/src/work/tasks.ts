import { readArchive } from '../archive/readArchive';
import { readRosterText } from '../swimmers/readRosterText';
import { buildAnswer, laneAnswer, textAnswer } from '../compute/answers';
import { runRecords } from '../deck/runRecords';
import { plansOf } from '../race/plans';
import { listFile } from '../lists/tableFile';
import { handoutPdf } from '../handout/pdf';
import { newProblems } from '@upwell/core/clubLibrary';
import { inferCauses } from '@upwell/core/review';
import { planFacts } from '../sessions/planFacts';
import { sessionSheet } from '../sessions/sheet';
import { raceCardPdf } from '../water/cardPdf';
import { dayPdf } from '../water/dayPdf';
import { legAnswer } from '../water/legAnswer';
import { swimmableLength } from '../water/swimmable';
import { trackSummary } from '../water/trackSummary';
import { checkBody } from './bodies';

/** Everything that takes long enough to hold up others, by its name. Input and answer cross threads, so they are data. */
export const TASKS = {
  'check-body': checkBody,
  'check-course': swimmableLength,
  'check-library': newProblems,
  'check-session': planFacts,
  'infer-causes': inferCauses,
  'measure-track': trackSummary,
  'plan-races': plansOf,
  'read-archive': readArchive,
  'read-roster': readRosterText,
  'run-records': runRecords,
  'build-session': buildAnswer,
  'lane-check': laneAnswer,
  'session-text': textAnswer,
  'simulate-leg': legAnswer,
  handout: handoutPdf,
  'list-file': listFile,
  'race-card': raceCardPdf,
  'session-sheet': sessionSheet,
  'water-day': dayPdf,
} as const;

export type Tasks = typeof TASKS;
export type TaskName = keyof Tasks;

/** Tasks that a save waits for; they are short, and never stand behind a computation. */
export const QUICK: readonly TaskName[] = [
  'check-body',
  'check-course',
  'check-library',
  'check-session',
  'infer-causes',
  'measure-track',
  'plan-races',
  'run-records',
];
