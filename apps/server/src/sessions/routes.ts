// Sessions: list, proposal, save, files, printed sheets, load and calendars.
import { isoDate, oneOf, uuid } from '@upwell/contract/common';
import { linkToken } from '@upwell/contract/handout';
import {
  type CalendarLinkSave,
  EXPORT_FORMATS,
  type ExportFormat,
  type ProposalQuery,
  type SeriesChange,
  type SeriesRemoval,
  type SessionPeopleQuery,
  type SessionQuery,
  type SessionSave,
  type SheetQuery,
  calendarLinkSchema,
  proposalQuerySchema,
  seriesChangeSchema,
  seriesRemovalSchema,
  sessionPeopleQuerySchema,
  sessionQuerySchema,
  sessionSaveSchema,
  sheetQuerySchema,
} from '@upwell/contract/sessions';
import type { FastifyInstance } from 'fastify';
import { Joi } from '@upwell/contract/joi';
import type { Database } from '../platform/database';
import { named } from '../platform/fileName';
import { asMe, COACH, PUBLIC, whoAsks } from '../platform/identity';
import { idParams } from '../platform/params';
import { forbidden } from '../platform/problem';
import { clubRule, shows } from '../swimmers';
import { workFor } from '../work';
import { addCalendarLink, calendarByToken, calendarLinks, revokeCalendarLink } from './calendar';
import { showCourse } from '../water';
import { exportSession, sessionJsonSchema } from './files';
import { loadView } from './load';
import { everybodyOf, sessionPeople } from './people';
import { changeSeries, removeSession } from './series';
import { listSessions, proposeSession, saveSession, showSession } from './service';

const exportParams = Joi.object<{ id: string; format: ExportFormat }>({
  id: uuid().required(),
  format: oneOf(EXPORT_FORMATS).required(),
});
const tokenParams = Joi.object<{ token: string }>({ token: linkToken().required() });

/** Anyone with the secret may look; guessing it is slow. */
const LOOKS = { ...PUBLIC, rateLimit: { max: 60, timeWindow: '1 minute' } };

export async function sessionRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get<{ Querystring: SessionQuery }>(
    '/sessions',
    { schema: { querystring: sessionQuerySchema, summary: 'Sessions of a span of days' } },
    (request) => asMe(database, whoAsks(request), (em) => listSessions(em, whoAsks(request), request.query)),
  );

  app.get<{ Querystring: ProposalQuery }>(
    '/sessions/proposal',
    {
      config: COACH,
      schema: { querystring: proposalQuerySchema, summary: 'Groups and themes out of the people who come' },
    },
    (request) => asMe(database, whoAsks(request), (em) => proposeSession(em, request.query)),
  );

  app.get<{ Params: { id: string } }>(
    '/sessions/:id',
    { schema: { params: idParams, summary: 'One session with its plan' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => showSession(em, me, request.params.id));
    },
  );

  app.put<{ Params: { id: string }; Body: SessionSave }>(
    '/sessions/:id',
    { config: COACH, schema: { params: idParams, body: sessionSaveSchema, summary: 'Create or change a session' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => saveSession(em, workFor(request), me, request.params.id, request.body));
    },
  );

  app.post<{ Params: { id: string }; Body: SeriesChange }>(
    '/sessions/:id/series',
    {
      config: COACH,
      schema: {
        params: idParams,
        body: seriesChangeSchema,
        summary: 'Bring the series along with a change of one session',
      },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => changeSeries(em, workFor(request), me, request.params.id, request.body));
    },
  );

  app.delete<{ Params: { id: string }; Querystring: SeriesRemoval }>(
    '/sessions/:id',
    {
      config: COACH,
      schema: {
        params: idParams,
        querystring: seriesRemovalSchema,
        summary: 'Take a session out of the calendar for good, or with it those of its series',
      },
    },
    (request) => asMe(database, whoAsks(request), (em) => removeSession(em, request.params.id, request.query)),
  );

  app.get<{ Params: { id: string; format: ExportFormat } }>(
    '/sessions/:id/export/:format',
    { schema: { params: exportParams, summary: 'A session as text, JSON, CSV or iCalendar' } },
    async (request, reply) => {
      const { id, format } = request.params;
      const me = whoAsks(request);
      const { session, course } = await asMe(database, me, async (em) => {
        const shown = await showSession(em, me, id);
        return { session: shown, course: shown.courseId === null ? null : await showCourse(em, shown.courseId) };
      });
      const { type, body } = exportSession(session, format, course);
      return reply
        .type(type)
        .header('content-disposition', named(`session ${session.date} ${session.title}.${format}`))
        .header('cache-control', 'no-store')
        .send(body);
    },
  );

  app.get<{ Params: { id: string }; Querystring: SheetQuery }>(
    '/sessions/:id/sheet.pdf',
    {
      config: COACH,
      schema: { params: idParams, querystring: sheetQuerySchema, summary: 'The sheet for the pool side as a PDF' },
    },
    async (request, reply) => {
      const me = whoAsks(request);
      const { session, people, capacity } = await asMe(database, me, async (em) => {
        const session = await showSession(em, me, request.params.id);
        return {
          session,
          people: await sessionPeople(em, session),
          capacity: (await clubRule(em, 'laneCapacity')) ?? undefined,
        };
      });
      shows(
        request,
        people.map((p) => p.id),
      );
      return reply
        .type('application/pdf')
        .header('content-disposition', named(`session ${session.date} ${session.title}.pdf`, 'inline'))
        .header('cache-control', 'no-store')
        .send(await workFor(request)('session-sheet', { session, people, query: request.query, capacity }));
    },
  );

  app.get<{ Params: { id: string }; Querystring: SessionPeopleQuery }>(
    '/sessions/:id/people',
    {
      config: COACH,
      schema: {
        params: idParams,
        querystring: sessionPeopleQuerySchema,
        summary: 'Who comes to a session, with their pace and place; or everybody who could',
      },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, async (em) => {
        const session = await showSession(em, me, request.params.id);
        const { everybody = false, guests = [] } = request.query;
        return everybody ? everybodyOf(em, session.squadIds, guests) : sessionPeople(em, session);
      });
    },
  );

  app.get<{ Querystring: { date: string } }>(
    '/load',
    {
      config: COACH,
      schema: {
        querystring: Joi.object<{ date: string }>({ date: isoDate().required() }),
        summary: 'Load of the swimmers and groups one coaches',
      },
    },
    (request) => asMe(database, whoAsks(request), (em) => loadView(em, request.query.date)),
  );

  app.get('/schemas/session.json', { schema: { summary: 'The JSON Schema of a session file' } }, (_request, reply) =>
    reply.type('application/schema+json').send(JSON.stringify(sessionJsonSchema())),
  );

  app.get('/calendar-links', { schema: { summary: 'Addresses where calendars find sessions' } }, (request) =>
    asMe(database, whoAsks(request), calendarLinks),
  );

  app.put<{ Params: { id: string }; Body: CalendarLinkSave }>(
    '/calendar-links/:id',
    { schema: { params: idParams, body: calendarLinkSchema, summary: 'Make a secret address for a calendar' } },
    (request) => {
      const me = whoAsks(request);
      // A swimmer has a calendar of their own; that of a squad is for coaches.
      if (!request.body.swimmerId && me.role === 'swimmer') throw forbidden();
      return asMe(database, me, (em) => addCalendarLink(em, me, request.params.id, request.body));
    },
  );

  app.post<{ Params: { id: string } }>(
    '/calendar-links/:id/revoke',
    { schema: { params: idParams, summary: 'Revoke an address for good' } },
    (request) => asMe(database, whoAsks(request), (em) => revokeCalendarLink(em, request.params.id)),
  );

  app.get<{ Params: { token: string } }>(
    '/calendars/:token',
    { schema: { params: tokenParams, summary: 'The calendar behind a secret address (RFC 5545)' }, config: LOOKS },
    async (request, reply) =>
      reply
        .type('text/calendar; charset=utf-8')
        .header('cache-control', 'no-store')
        .header('x-robots-tag', 'noindex')
        .send(await calendarByToken(database, request.params.token)),
  );
}
