// Courses with their files, decisions at the water, tracks and race cards.
import {
  courseFileParams,
  courseSaveSchema,
  readingParams,
  readingSchema,
  raceCardSchema,
  trackSaveSchema,
  waterDaySchema,
  type CourseFile,
  type CourseSave,
  type TrackSave,
  type WaterDayFields,
} from '@upwell/contract/water';
import type { Noted, RaceCard } from '@upwell/core/water';
import type { FastifyInstance } from 'fastify';
import type { Database } from '../platform/database';
import { dayIn } from '@upwell/core/days';
import { named } from '../platform/fileName';
import { asMe, COACH, whoAsks } from '../platform/identity';
import { idParams } from '../platform/params';
import { workFor } from '../work';
import { daysOf, dayToPrint, signDay } from './days';
import { noteReading, readingsOf } from './readings';
import { listTracks, removeTrack, saveTrack, showTrack } from './tracks';
import { courseFile, listCourses, removeCourse, saveCourse, showCourse } from './service';

const TYPES: Readonly<Record<CourseFile, string>> = {
  gpx: 'application/gpx+xml',
  geojson: 'application/geo+json',
};

export async function waterRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get('/courses', { schema: { summary: 'The courses of the club' } }, (request) =>
    asMe(database, whoAsks(request), listCourses),
  );

  app.get<{ Params: { id: string } }>(
    '/courses/:id',
    { schema: { params: idParams, summary: 'One course with all that is drawn' } },
    (request) => asMe(database, whoAsks(request), (em) => showCourse(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: CourseSave }>(
    '/courses/:id',
    { config: COACH, schema: { params: idParams, body: courseSaveSchema, summary: 'Store a course that can be swum' } },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => saveCourse(em, workFor(request), me, request.params.id, request.body));
    },
  );

  app.delete<{ Params: { id: string } }>(
    '/courses/:id',
    { config: COACH, schema: { params: idParams, summary: 'Take a course out of the list; what is on it stays' } },
    (request) => asMe(database, whoAsks(request), (em) => removeCourse(em, request.params.id, true)),
  );

  app.post<{ Params: { id: string } }>(
    '/courses/:id/restore',
    { config: COACH, schema: { params: idParams, summary: 'Put a course that was taken out back into the list' } },
    (request) => asMe(database, whoAsks(request), (em) => removeCourse(em, request.params.id, false)),
  );

  app.get<{ Params: { id: string } }>(
    '/courses/:id/days',
    { config: COACH, schema: { params: idParams, summary: 'What was decided at this water, the newest first' } },
    (request) => asMe(database, whoAsks(request), (em) => daysOf(em, request.params.id)),
  );

  app.get<{ Params: { id: string } }>(
    '/courses/:id/readings',
    { schema: { params: idParams, summary: 'What was read at this water, hour by hour, the newest day first' } },
    (request) => asMe(database, whoAsks(request), (em) => readingsOf(em, request.params.id)),
  );

  app.put<{ Params: { id: string; date: string; hour: number }; Body: { read: Noted } }>(
    '/courses/:id/readings/:date/:hour',
    {
      config: COACH,
      schema: { params: readingParams, body: readingSchema, summary: 'Put what was read together with what is kept' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => noteReading(em, me, request.params, request.body.read));
    },
  );

  app.put<{ Params: { id: string }; Body: WaterDayFields }>(
    '/water-days/:id',
    {
      config: COACH,
      schema: { params: idParams, body: waterDaySchema, summary: 'Sign what is decided; worked out here again' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => signDay(em, me, request.params.id, request.body));
    },
  );

  app.get<{ Params: { id: string } }>(
    '/water-days/:id/card.pdf',
    {
      config: COACH,
      schema: { params: idParams, summary: 'A signed day on one card: decision, plan, head count, kit' },
    },
    async (request, reply) => {
      const me = whoAsks(request);
      const card = await asMe(database, me, (em) => dayToPrint(em, me, request.params.id));
      return reply
        .type('application/pdf')
        .header(
          'content-disposition',
          named(`${card.courseName} ${dayIn(card.timeZone, Date.parse(card.day.startsAt))}.pdf`),
        )
        .send(await workFor(request)('water-day', card));
    },
  );

  app.post<{ Body: RaceCard }>(
    '/race-cards/pdf',
    { schema: { body: raceCardSchema, summary: 'A race card as a page of A6; nothing is kept' } },
    async (request, reply) => {
      return reply
        .type('application/pdf')
        .header('content-disposition', named(`race card ${request.body.course}.pdf`, 'inline'))
        .send(await workFor(request)('race-card', request.body));
    },
  );

  for (const [path, of] of [
    ['/courses/:id/tracks', 'course'],
    ['/swimmers/:id/tracks', 'swimmer'],
  ] as const)
    app.get<{ Params: { id: string } }>(
      path,
      { schema: { params: idParams, summary: 'Tracks that were swum, the newest first' } },
      (request) => asMe(database, whoAsks(request), (em) => listTracks(em, of, request.params.id)),
    );

  app.get<{ Params: { id: string } }>(
    '/tracks/:id',
    { schema: { params: idParams, summary: 'One track with its points and the course as it was then' } },
    (request) => asMe(database, whoAsks(request), (em) => showTrack(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: TrackSave }>(
    '/tracks/:id',
    {
      config: COACH,
      schema: { params: idParams, body: trackSaveSchema, summary: 'Keep a track that was swum on a course' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => saveTrack(em, workFor(request), me, request.params.id, request.body));
    },
  );

  app.delete<{ Params: { id: string } }>(
    '/tracks/:id',
    { config: COACH, schema: { params: idParams, summary: 'Take a track out for good' } },
    (request) => asMe(database, whoAsks(request), (em) => removeTrack(em, request.params.id)),
  );

  app.get<{ Params: { id: string; format: CourseFile } }>(
    '/courses/:id/export/:format',
    { schema: { params: courseFileParams, summary: 'A course as GPX 1.1 or GeoJSON' } },
    async (request, reply) => {
      const { id, format } = request.params;
      const { name, file } = await asMe(database, whoAsks(request), (em) => courseFile(em, id, format));
      return reply
        .type(TYPES[format])
        .header('content-disposition', named(`${name}.${format}`))
        .send(file);
    },
  );
}
