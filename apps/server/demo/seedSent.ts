import { DAY_MS } from '@upwell/core/days';
import type { EntityManager } from '@mikro-orm/postgresql';
import { ACCOUNTS } from './people';
import { idFor } from './random';

/**
 * Mirela has sent two clips: one is answered, the other waits for her coach.
 *
 * @param film a simulated clip in WebM; without it nothing is sent
 */
export async function seedSent(
  em: EntityManager,
  clubId: string,
  swimmerId: string,
  now: Date,
  film: Buffer | null,
): Promise<void> {
  if (!film) return;
  for (const [name, wish, days, words] of [
    [
      'first',
      'Three lengths at an easy pace',
      6,
      'Your legs ride high now. Next: let the head turn before the arm comes out.',
    ],
    ['second', 'The last length of the main set, when you are tired', 1, null],
  ] as const) {
    const id = idFor(`sent mirela ${name}`);
    const [asked, sent, answered] = [days + 2, days, days - 1].map((ago) => new Date(now.getTime() - ago * DAY_MS));
    await em.execute(
      `insert into sent_clip (id, club_id, swimmer_id, asked_by, asked_at, wish, view, type, seconds, bytes, sent_at,
         answered_at, words) values (?, ?, ?, ?, ?, ?, 'side', 'video/webm', 8, ?, ?, ?, ?)`,
      [id, clubId, swimmerId, idFor(ACCOUNTS[1].email), asked, wish, film.length, sent, words && answered, words ?? ''],
    );
    await em.execute('insert into sent_piece (clip_id, club_id, n, data) values (?, ?, 0, ?)', [id, clubId, film]);
  }
}
