// Clips that were sent in: each with how far it is, and its pieces.
import { SENT_DAYS, type SentClip } from '@upwell/contract/sent';
import { bool, bytea, change, float, int, moment, orNull, rows, text, textOf, uuid } from '../platform/statement';

const SENT = {
  ...{ id: uuid, swimmerId: uuid, swimmerName: text, wish: text, view: textOf<SentClip['view']>(), askedBy: text },
  ...{ askedAt: moment, type: orNull(textOf<NonNullable<SentClip['type']>>()), seconds: orNull(float) },
  ...{ bytes: orNull(int), sentAt: orNull(moment), answeredAt: orNull(moment), words: text, voice: bool, pieces: int },
};
const sent = (where: string) => `select c.id, c.swimmer_id as "swimmerId",
    s.given_name || ' ' || s.family_name as "swimmerName", c.wish, c.view, coalesce(a.name, '') as "askedBy",
    c.asked_at as "askedAt", c.type, c.seconds, c.bytes, c.sent_at as "sentAt", c.answered_at as "answeredAt", c.words,
    c.voice is not null as voice, (select count(*)::int from sent_piece p where p.clip_id = c.id) as pieces
  from sent_clip c join swimmer s on s.id = c.swimmer_id left join account a on a.id = c.asked_by ${where}`;

/** Those that one who asks may see: what waits for an answer first. */
export const SENT_CLIPS = rows(
  SENT,
  sent('order by c.answered_at is not null, c.sent_at is null, c.asked_at desc, c.id limit 100'),
);
export const SENT_BY_ID = rows(SENT, sent('where c.id = ?'));

/** Asks for a clip: id, club, swimmer, who asks, wish, view. Asked again it stays as it is. */
export const ASK = change(
  `insert into sent_clip (id, club_id, swimmer_id, asked_by, wish, view) values (?, ?, ?, ?, ?, ?)
   on conflict (id) do nothing`,
);
/** A piece: clip, club, its number, bytes. Sent again it takes the place of the one before. */
export const PUT_PIECE = change(
  `insert into sent_piece (clip_id, club_id, n, data) values (?, ?, ?, ?)
   on conflict (clip_id, n) do update set data = excluded.data`,
);
export const PIECE = rows({ data: bytea }, 'select data from sent_piece where clip_id = ? and n = ?');
/** How many pieces there are before a number, how large they are, and how the film begins. */
export const PIECES = rows(
  { pieces: int, bytes: int, head: orNull(bytea) },
  `select count(*)::int as pieces, coalesce(sum(octet_length(data)), 0)::int as bytes,
     (select substring(data from 1 for 12) from sent_piece where clip_id = ? and n = 0) as head
   from sent_piece where clip_id = ? and n < ?`,
);
/** Takes out what another film left behind the last piece: clip, pieces. */
export const DROP_REST = change('delete from sent_piece where clip_id = ? and n >= ?');
/** Marks a clip as whole: type, seconds, bytes, clip. */
export const SENT_DONE = change(
  'update sent_clip set type = ?, seconds = ?, bytes = ?, sent_at = coalesce(sent_at, now()) where id = ?',
);
/** The answer: words, sound, its type, clip. */
export const ANSWER = change(
  'update sent_clip set words = ?, voice = ?, voice_type = ?, answered_at = coalesce(answered_at, now()) where id = ?',
);
export const VOICE = rows(
  { swimmerId: uuid, voice: orNull(bytea), type: orNull(text) },
  'select swimmer_id as "swimmerId", voice, voice_type as type from sent_clip where id = ?',
);
export const REMOVE_SENT = change('delete from sent_clip where id = ?');
/** Clips whose answer is old enough. */
export const SWEEP_SENT = change(`delete from sent_clip where answered_at < now() - interval '${SENT_DAYS} days'`);
/** All of a swimmer who may not be filmed any more. */
export const NO_SENT = change('delete from sent_clip where swimmer_id = ?');
