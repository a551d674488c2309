// Focuses and reviews with the names that stand beside them, and how drills turned out.
import type { ClipStill, DatedStill } from '@upwell/contract/clips';
import type { FocusView, ReviewView, TryView } from '@upwell/contract/review';
import type { CauseId, SignsSeen } from '@upwell/core/review';
import type { LevelId } from '@upwell/core/swimmers';
import { change, int, json, moment, orNull, rows, text, textOf, uuid } from '../platform/statement';

const FOCUS = {
  id: uuid,
  swimmer_id: uuid,
  swimmer_name: text,
  cause: textOf<FocusView['cause']>(),
  drill: textOf<FocusView['drill']>(),
  cue: text,
  tries: int,
  since: moment,
  relook_on: text,
  outcome: orNull(textOf<NonNullable<FocusView['outcome']>>()),
  closed_at: orNull(moment),
  review_id: uuid,
  version: int,
  said_back: text,
  felt: text,
};
const FOCUS_COLUMNS = `f.id, f.swimmer_id, s.given_name || ' ' || s.family_name as swimmer_name, f.cause, f.drill, f.cue,
  f.tries, f.since, f.relook_on::text as relook_on, f.outcome, f.closed_at, f.review_id, f.version, f.said_back, f.felt`;

/** The same with how the tries went: for one swimmer, not for lists. */
const TRIED = { ...FOCUS, tries_made: orNull(json<readonly TryView[]>()) };
const WITH_TRIES = `${FOCUS_COLUMNS},
  (select json_agg(json_build_object('id', t.id, 'drill', t.drill, 'verdict', t.verdict, 'note', t.note, 'at', t.at)
     order by t.at, t.id) from focus_try t where t.focus_id = f.id) as tries_made`;

/** All focuses of one swimmer, open ones first. */
export const FOCUSES_OF = rows(
  TRIED,
  `select ${WITH_TRIES} from focus f join swimmer s on s.id = f.swimmer_id
   where f.swimmer_id = ? order by (f.closed_at is not null), f.since desc limit 50`,
);

export const ONE_FOCUS = rows(
  TRIED,
  `select ${WITH_TRIES} from focus f join swimmer s on s.id = f.swimmer_id where f.id = ?`,
);

/** Open focuses whose second look is due on a day, the oldest first. */
export const FOCUSES_DUE = rows(
  FOCUS,
  `select ${FOCUS_COLUMNS} from focus f join swimmer s on s.id = f.swimmer_id
   where f.closed_at is null and f.relook_on <= ?::date and not s.archived order by f.relook_on, f.id limit 50`,
);

/** The open focus of some swimmers. */
export const OPEN_FOCUSES = rows(
  FOCUS,
  `select ${FOCUS_COLUMNS} from focus f join swimmer s on s.id = f.swimmer_id
   where f.closed_at is null and f.swimmer_id = any(?::uuid[]) order by f.since limit 500`,
);

const REVIEW = {
  id: uuid,
  version: int,
  swimmer_id: uuid,
  coach_name: text,
  looked_at: moment,
  stroke: textOf<ReviewView['stroke']>(),
  model: textOf<ReviewView['model']>(),
  level: textOf<ReviewView['level']>(),
  signs: json<ReviewView['signs']>(),
  measured: json<ReviewView['measured']>(),
  noted: text,
  good: text,
  ranking: json<ReviewView['ranking']>(),
  focus_cause: orNull(textOf<CauseId>()),
};
const REVIEWS = `select r.id, r.version, r.swimmer_id, coalesce(a.name, 'your coach') as coach_name, r.looked_at, r.stroke,
    r.model, r.level, r.signs, r.measured, r.noted, r.good, r.ranking, f.cause as focus_cause
  from review r left join account a on a.id = r.coach_id left join focus f on f.review_id = r.id`;

/** The reviews of one swimmer, the newest first. */
export const REVIEWS_OF = rows(REVIEW, `${REVIEWS} where r.swimmer_id = ? order by r.looked_at desc limit 50`);
export const ONE_REVIEW = rows(REVIEW, `${REVIEWS} where r.id = ?`);

/** The level and the signs of the look that gave a focus. */
export const GIVEN_BY = rows(
  { level: textOf<LevelId>(), signs: json<SignsSeen>() },
  'select r.level, r.signs from review r join focus f on f.review_id = r.id where f.id = ?',
);
/** Adds to what the club has learned from closed focuses. */
export const LEARN = change('select learn(?::jsonb)');

/** The clips of one swimmer, the newest first, without their taps. */
export const CLIPS_OF = rows(
  { id: uuid, title: text, recordedOn: text, strokes: int, stills: int },
  `select id, title, recorded_on::text as "recordedOn",
     (select count(*)::int from jsonb_array_elements(taps) tap where tap->>'kind' = 'entry') as strokes,
     jsonb_array_length(stills) as stills
   from clip where swimmer_id = ? order by recorded_on desc, id limit 50`,
);

/** The stills of one clip, and whose they are. */
export const STILLS_OF_CLIP = rows(
  { swimmerId: uuid, agreedAt: orNull(moment), stills: json<readonly ClipStill[]>() },
  'select swimmer_id as "swimmerId", stills_agreed_at as "agreedAt", stills from clip where id = ?',
);
/** Puts stills in the place of those that were there; without any the consent is gone too. Stills twice, clip. */
export const PUT_STILLS = change(
  `update clip set stills = ?::jsonb, stills_agreed_at = case when ?::jsonb = '[]' then null else now() end where id = ?`,
);
/** Takes back all stills of a swimmer. */
export const NO_STILLS = change(
  `update clip set stills = '[]', stills_agreed_at = null where swimmer_id = ? and stills <> '[]'`,
);
/** The first still of the first and of the last clip of a swimmer that has any. */
export const THEN_AND_NOW = rows(
  { still: json<DatedStill>() },
  `select c.stills->0 || jsonb_build_object('on', c.recorded_on::text) as still from clip c
   where c.id in (
     (select id from clip where swimmer_id = ? and stills <> '[]' order by recorded_on, id limit 1) union
     (select id from clip where swimmer_id = ? and stills <> '[]' order by recorded_on desc, id desc limit 1))
   order by c.recorded_on, c.id`,
);
