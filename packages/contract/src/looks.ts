import { Joi } from './joi';
import { uuid } from './common';

/** What a coach saw of a child, by the route that showed it. */
export const LOOKS: Readonly<Record<string, string>> = {
  'GET /swimmers': 'List of swimmers',
  'GET /swimmers/:id': 'Page of the swimmer',
  'PUT /swimmers/:id': 'Page of the swimmer, on saving it',
  'PUT /swimmers/:id/ladder-marks/:markId': 'Page of the swimmer, on a tap at a ladder',
  'DELETE /swimmers/:id/ladder-marks/:markId': 'Page of the swimmer, on taking a tap back',
  'GET /swimmers/:id/records': 'Records',
  'GET /swimmers/:id/export': 'Everything, saved as a file',
  'GET /swimmers/:id/erasing': 'What erasing takes with it',
  'POST /roster/preview': 'List of swimmers to bring in',
  'GET /accounts': 'Who can sign in',
  'PUT /accounts/:id': 'Who can sign in, on changing it',
  'GET /invitations': 'Open invitations',
  'POST /invitations': 'Invitation, on making it',
  'GET /reviews/:id': 'Stroke review',
  'PUT /reviews/:id': 'Stroke review, on saving it',
  'GET /focuses/:id': 'Focus with its tries',
  'PUT /focuses/:id': 'Focus, on changing it',
  'PUT /focuses/:id/tries/:tryId': 'Focus, on noting a try',
  'DELETE /focuses/:id/tries/:tryId': 'Focus, on taking a try back',
  'GET /focuses/:id/handout': 'Hand-out',
  'GET /focuses/:id/handout.pdf': 'Hand-out on paper',
  'GET /clips/:id': 'Notes on a clip',
  'PUT /clips/:id': 'Notes on a clip, on saving them',
  'GET /clips/:id/stills': 'Stills of a clip',
  'PUT /clips/:id/stills': 'Stills of a clip, on putting them in the hand-out',
  'GET /swimmers/:id/stills': 'First and last still',
  'GET /sent-clips': 'List of clips sent in',
  'PUT /sent-clips/:id': 'Clip asked for',
  'GET /sent-clips/:id/film': 'Film sent in',
  'PUT /sent-clips/:id/answer': 'Clip sent in, on answering it',
  'GET /sent-clips/:id/voice': 'Spoken answer to a clip',
  'GET /results': 'List of results',
  'GET /results.csv': 'Results, saved as a file',
  'GET /lists/:list/:format': 'List, saved as a file',
  'GET /swimmers/:id/lists/:list/:format': 'Records or weeks, saved as a file',
  'PUT /results/:id': 'Result, on saving it',
  'PUT /tests/:id': 'Test, on saving it',
  'GET /imports/:id': 'Import of results',
  'POST /imports/:id/check': 'Import of results',
  'POST /imports/:id/commit': 'Import of results, on storing it',
  'GET /swimmers/:id/race-plan': 'Race plan',
  'PUT /swimmers/:id/race-plan': 'Race plan, on saving it',
  'GET /swimmers/:id/race-plan.csv': 'Weeks to the race, saved as a file',
  'GET /season': 'Season',
  'GET /load': 'Load of the swimmers',
  'GET /sessions/:id': 'Session with those who breathe freely in it',
  'PUT /sessions/:id': 'Session with those who breathe freely in it, on saving it',
  'GET /courses/:id/days': 'Who was named in a decision at the water',
  'GET /sessions/proposal': 'Who a session is built for',
  'GET /sessions/:id/people': 'Who comes to a session',
  'GET /sessions/:id/sheet.pdf': 'Sheet of a session',
  'GET /deck/today': 'Today',
  'GET /deck/packs': 'Sessions of a day on deck',
  'GET /deck/packs/:id': 'Session on deck',
  'GET /deck/runs/:id/events': 'Run of a session on deck',
  'GET /swimmers/:id/tracks': 'List of swum tracks',
  'GET /courses/:id/tracks': 'Tracks swum on a course',
  'GET /tracks/:id': 'Swum track',
  'PUT /tracks/:id': 'Swum track, on saving it',
  'GET /calendar-links': 'Calendar addresses',
  'PUT /calendar-links/:id': 'Calendar address, on making it',
  'POST /calendar-links/:id/revoke': 'Calendar address, on revoking it',
  'GET /club/archive': 'Whole club, saved as a file',
};

/** One look of a coach at a child's data. */
export interface Look {
  readonly id: number;
  readonly at: string;
  readonly by: string;
  readonly swimmerId: string;
  readonly swimmer: string;
  /** In words, see {@link LOOKS}. */
  readonly what: string;
}

export interface LooksPage {
  readonly items: readonly Look[];
  /** Ask for those before it; null at the end. */
  readonly next: number | null;
}

export interface LooksQuery {
  readonly swimmerId?: string;
  readonly before?: number;
  readonly limit?: number;
}

export const looksQuerySchema = Joi.object<LooksQuery>({
  swimmerId: uuid(),
  before: Joi.number().integer().min(1).max(Number.MAX_SAFE_INTEGER),
  limit: Joi.number().integer().min(1).max(200).default(50),
});
