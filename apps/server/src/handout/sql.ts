// What stands on a hand-out.
import type { HandoutInput } from '@upwell/core/handout';
import { int, json, rows, text, textOf, uuid } from '../platform/statement';

const ON_PAGE = {
  given_name: text,
  stroke: textOf<HandoutInput['stroke']>(),
  signs: json<HandoutInput['signs']>(),
  good: text,
  cause: textOf<HandoutInput['cause']>(),
  drill: textOf<HandoutInput['drill']>(),
  cue: text,
  tries: int,
  relook_on: text,
};

/** The page of a focus. */
export const PAGE = rows(
  { swimmer_id: uuid, ...ON_PAGE, stills: json<HandoutInput['stills']>() },
  `select s.id as swimmer_id, s.given_name, r.stroke, r.signs, r.good, f.cause, f.drill, f.cue, f.tries, f.relook_on::text as relook_on,
     stills_of_focus(f.id) as stills
   from focus f join review r on r.id = f.review_id join swimmer s on s.id = f.swimmer_id where f.id = ?`,
);

/** The page behind a secret link, by the hash of the secret, and whose library it is written in. */
export const PAGE_BY_TOKEN = rows(
  { club_id: uuid, ...ON_PAGE, stills: json<HandoutInput['stills']>() },
  'select *, stills_by_token(?) as stills from handout_by_token(?)',
);
