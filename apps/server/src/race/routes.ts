import type { Me } from '@upwell/contract/account';
import { isoDate } from '@upwell/contract/common';
import {
  dayQuerySchema,
  racePlanSaveSchema,
  ratingSaveSchema,
  seasonQuerySchema,
  type DayQuery,
  type RacePlanSave,
  type RatingSave,
  type SeasonQuery,
} from '@upwell/contract/race';
import { writePlan } from '@upwell/core/exchange';
import type { FastifyInstance } from 'fastify';
import { Joi } from '@upwell/contract/joi';
import type { Database } from '../platform/database';
import { CSV_MARK, named } from '../platform/fileName';
import { asMe, COACH, SWIMMER, swimmerWhoAsks, whoAsks } from '../platform/identity';
import type { Jobs } from '../platform/jobs';
import { idParams } from '../platform/params';
import { shows, swimmerName } from '../swimmers';
import { addDays, dayIn } from '@upwell/core/days';
import { workFor } from '../work';
import { askForPlans, showJob, stopJob } from './clubPlan';
import { myWeek, rateSession } from './myWeek';
import { season } from './season';
import { keptWeeks, saveRacePlan, showRacePlan } from './service';

/** Without a day it is today's by the club's clock: an answer kept on a device does not hang on one. */
const maybeDay = Joi.object<Partial<DayQuery>>({ date: isoDate() });
const dayOf = ({ timeZone }: Me, { date }: Partial<DayQuery>) => date ?? dayIn(timeZone, Date.now());
/** Weeks that are over stay as they were planned, whatever a clock or a program says: no day before yesterday. */
const planDayOf = (me: Me, query: Partial<DayQuery>) => {
  const today = dayOf(me, {});
  const day = dayOf(me, query);
  return day < addDays(today, -1) ? today : day;
};

/** Toward the race: the gap and the weeks of a swimmer, the season of the club, a swimmer's own week. */
export async function raceRoutes(
  app: FastifyInstance,
  { database, jobs }: { database: Database; jobs: Jobs },
): Promise<void> {
  app.get<{ Params: { id: string }; Querystring: Partial<DayQuery> }>(
    '/swimmers/:id/race-plan',
    { schema: { params: idParams, querystring: maybeDay, summary: 'What a race plan is worked out from' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => showRacePlan(em, request.params.id, dayOf(me, request.query)));
    },
  );

  app.put<{ Params: { id: string }; Querystring: Partial<DayQuery>; Body: RacePlanSave }>(
    '/swimmers/:id/race-plan',
    {
      config: COACH,
      schema: {
        params: idParams,
        querystring: maybeDay,
        body: racePlanSaveSchema,
        summary: 'Store what the coach decides about a race plan; the weeks are worked out again',
      },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) =>
        saveRacePlan(em, workFor(request), me, request.params.id, request.body, planDayOf(me, request.query)),
      );
    },
  );

  app.get<{ Params: { id: string } }>(
    '/swimmers/:id/race-plan.csv',
    { schema: { params: idParams, summary: 'The kept weeks of a swimmer as CSV' } },
    async (request, reply) => {
      const { weeks, name } = await asMe(database, whoAsks(request), async (em) => ({
        weeks: await keptWeeks(em, request.params.id),
        name: await swimmerName(em, request.params.id),
      }));
      shows(request, [request.params.id]);
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', named(`weeks ${name}.csv`))
        .header('cache-control', 'no-store')
        .send(CSV_MARK + writePlan(weeks));
    },
  );

  app.get<{ Querystring: SeasonQuery }>(
    '/season',
    {
      config: COACH,
      schema: { querystring: seasonQuerySchema, summary: 'Races, who, phases, pool times and load of half a year' },
    },
    (request) => asMe(database, whoAsks(request), (em) => season(em, request.query)),
  );

  app.post<{ Querystring: DayQuery }>(
    '/season/plan',
    {
      config: COACH,
      schema: { querystring: dayQuerySchema, summary: 'Work out everyone’s weeks again, in the background' },
    },
    (request) => {
      const me = whoAsks(request);
      return askForPlans(database, jobs, me, planDayOf(me, request.query));
    },
  );

  app.get<{ Params: { id: string } }>(
    '/jobs/:id',
    { config: COACH, schema: { params: idParams, summary: 'How far work in the background is' } },
    (request) => asMe(database, whoAsks(request), (em) => showJob(em, request.params.id)),
  );

  app.post<{ Params: { id: string } }>(
    '/jobs/:id/stop',
    { config: COACH, schema: { params: idParams, summary: 'Stop work in the background; what is done is kept' } },
    (request) => asMe(database, whoAsks(request), (em) => stopJob(em, request.params.id)),
  );

  app.get<{ Querystring: Partial<DayQuery> }>(
    '/my-week',
    { config: SWIMMER, schema: { querystring: maybeDay, summary: "A swimmer's own week; nothing of others" } },
    (request) => {
      const me = swimmerWhoAsks(request);
      return asMe(database, me, (em) => myWeek(em, me, dayOf(me, request.query)));
    },
  );

  app.put<{ Params: { id: string }; Body: RatingSave }>(
    '/sessions/:id/rating',
    {
      config: SWIMMER,
      schema: { params: idParams, body: ratingSaveSchema, summary: 'How a session felt to the swimmer who asks' },
    },
    (request) => {
      const me = swimmerWhoAsks(request);
      return asMe(database, me, (em) => rateSession(em, me, request.params.id, request.body.value));
    },
  );
}
