// What open water asks the database beyond single rows: lists of courses and of tracks.
import type { TrackView } from '@upwell/contract/water';
import type { SessionPlan } from '@upwell/core/sessions';
import type { Noted } from '@upwell/core/water';
import { change, float, int, json, orNull, rows, text, uuid } from '../platform/statement';
import type { Summary } from './trackSummary';

/** The club's courses by name, without their outlines. */
export const COURSES = rows(
  { id: uuid, name: text, place: text, lengthM: float, marks: int, laps: int },
  `select id, name, place, length_m as "lengthM", jsonb_array_length(course->'marks') as marks,
     (course->>'laps')::int as laps
   from course where removed_at is null order by name, id limit 200`,
);

/** Takes a course out of the list, or puts it back: whether it is out, id. */
export const REMOVE_COURSE = change(
  'update course set removed_at = case when ? then coalesce(removed_at, now()) end where id = ?',
);

/** What was read at a course, the newest day first: course. */
export const READINGS_OF_COURSE = rows(
  { date: text, hour: int, read: json<Noted>() },
  `select date::text, hour::int, read from water_reading where course_id = ? order by date desc, hour desc limit 100`,
);

/** The record of an hour where there is none yet, of a course that one may see: club, date, hour, course. */
export const BEGIN_READING = change(
  `insert into water_reading (club_id, course_id, date, hour, read)
   select ?::uuid, c.id, ?::date, ?::smallint, '{}' from course c where c.id = ? on conflict do nothing`,
);

/** The record of an hour, held until it is changed: course, date, hour. */
export const READING_OF_HOUR = rows(
  { id: uuid, read: json<Noted>() },
  `select id, read from water_reading where course_id = ? and date = ?::date and hour = ? for update`,
);

/** Changes a record: what was read, its id. */
export const KEEP_READING = change('update water_reading set read = ?::jsonb where id = ?');

/** The sessions on a course on one day: course, day. */
export const SESSIONS_OF_DAY = rows(
  { title: text, plan: json<SessionPlan>() },
  `select title, plan from training_session where course_id = ? and date = ?::date and not template
   order by start_time limit 6`,
);

const TRACK_COLUMNS = {
  ...{ id: uuid, courseId: orNull(uuid), courseName: text, swimmerId: uuid, name: text },
  summary: json<Summary>(),
};
const TRACK = `t.id, t.course_id as "courseId", t.course_name as "courseName", t.swimmer_id as "swimmerId",
    s.given_name || ' ' || s.family_name as name, t.summary`;
const tracks = (of: 'course_id' | 'swimmer_id') =>
  rows(
    TRACK_COLUMNS,
    `select ${TRACK} from swum_track t join swimmer s on s.id = t.swimmer_id where t.${of} = ?
     order by t.summary->>'on' desc, t.id limit 100`,
  );
/** Tracks that one may see, the newest swim first. */
export const TRACKS = { course: tracks('course_id'), swimmer: tracks('swimmer_id') };

/** One track with its points. */
export const TRACK_BY_ID = rows(
  {
    ...TRACK_COLUMNS,
    course: json<TrackView['course']>(),
    habits: json<TrackView['habits']>(),
    points: json<TrackView['points']>(),
  },
  `select ${TRACK}, t.course, t.habits, t.points from swum_track t join swimmer s on s.id = t.swimmer_id where t.id = ?`,
);

/** Keeps a track of a swimmer one may see: id, club, course, account, course's name, course, habits, points, summary, swimmer. */
export const ADD_TRACK = change(
  `insert into swum_track (id, club_id, swimmer_id, course_id, noted_by, course_name, course, habits, points, summary)
   select ?::uuid, ?::uuid, s.id, ?::uuid, ?::uuid, ?, ?::jsonb, ?::jsonb, ?::jsonb, ?::jsonb from swimmer s where s.id = ?
   on conflict (id) do nothing`,
);
