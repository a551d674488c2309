import type { RacePlanView } from '@upwell/contract/race';
import type { RaceFacts } from '@upwell/core/race';
import { addDays, dayIn, deviceZone } from '@upwell/core/days';
import { ID } from './fakeServer';

const TODAY = dayIn(deviceZone(), Date.now());

/** What is known of a swimmer twelve weeks before a crossing. */
export const FACTS: RaceFacts = {
  event: 'Quill Crossing',
  raceOn: addDays(TODAY, 84),
  distanceM: 3200,
  place: 'open-water',
  targetS: 3600,
  level: 'hold',
  birthYear: 1990,
  breathes: 'left',
  trials: [
    { distanceM: 200, timeS: 180 },
    { distanceM: 400, timeS: 380 },
  ],
  trialsOn: addDays(TODAY, -3),
  rampSpm: 62,
  extra: null,
  past: [5000, 5000, 5000, 5000],
  week: { sessions: 2, minutes: 60 },
  needs: ['breath-too-low'],
  ladderSteps: {},
  outside: 0,
  rehearsed: false,
};

export const RACE_VIEW: RacePlanView = { swimmerId: ID, name: 'Ada Lindqvale', version: 0, choices: {}, facts: FACTS };
