/** A swimmer's own week: sessions, the one focus, the weeks to the race, what is missing. */
import type { Me } from '@upwell/contract/account';
import type { MyWeek } from '@upwell/contract/race';
import { raceReadiness, type ReadyItem } from '@upwell/core/race';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound } from '../platform/problem';
import { openFocusesOf } from '../review';
import { SwimmerEntity } from '../swimmers/entities';
import { addDays, dayIn, weekOf } from '@upwell/core/days';
import { zoneAt } from '@upwell/core/days/place';
import { v7 } from 'uuid';
import { all } from '../platform/statement';
import { TrainingSessionEntity } from '../sessions/entities';
import { RaceOutlookEntity, SessionRatingEntity } from './entities';
import { keptWeeks, known } from './service';
import { MY_SESSIONS } from './sql';

export async function myWeek(
  em: EntityManager,
  { swimmerId: id, timeZone }: Me & { readonly swimmerId: string },
  today: string,
): Promise<MyWeek> {
  const one = await known(em, id, today);
  const monday = weekOf(today);
  const record = await em.findOneOrFail(SwimmerEntity, { id });
  const days = [addDays(monday, 7), monday, addDays(monday, -7)];
  const sessions = await all(em, MY_SESSIONS, [id, one.squadId, ...days]);
  const weeks = await keptWeeks(em, id, monday);
  const stored = one.facts
    ? await em.findOne(RaceOutlookEntity, { swimmerId: id, raceOn: one.facts.raceOn }, { disableIdentityMap: true })
    : null;
  const [focus] = await openFocusesOf(em, [id]);
  const ready: ReadyItem[] = one.facts ? raceReadiness(one.facts, one.choices, today) : [];
  return {
    swimmerId: id,
    givenName: one.givenName,
    sessions: sessions.map(({ groups, spot, ...session }) => {
      const own = groups.find((g) => g.level === record.level);
      return {
        ...session,
        timeZone: spot ? zoneAt(spot) : timeZone,
        metres: own?.metres ?? null,
        ...(own?.inPool ? { inPool: own.inPool } : {}),
      };
    }),
    focus: focus ?? null,
    race:
      one.facts && one.facts.raceOn >= today
        ? {
            event: one.facts.event,
            raceOn: one.facts.raceOn,
            distanceM: one.facts.distanceM,
            targetS: one.facts.targetS,
            courseId: one.choices.courseId ?? null,
            outlook: stored?.outlook ?? null,
          }
        : null,
    weeks,
    ready,
  };
}

/** How a session felt to the swimmer; rating it again replaces the first rating. */
export async function rateSession(
  em: EntityManager,
  me: Me,
  sessionId: string,
  value: number,
): Promise<{ readonly sessionId: string; readonly value: number }> {
  const tomorrow = addDays(dayIn(me.timeZone, Date.now()), 1);
  const session = await em.count(TrainingSessionEntity, { id: sessionId, template: false, date: { $lte: tomorrow } });
  if (session === 0) throw notFound();
  await em.upsert(
    SessionRatingEntity,
    { id: v7(), sessionId, swimmerId: me.swimmerId!, clubId: me.clubId, value, ratedAt: new Date() },
    { onConflictFields: ['sessionId', 'swimmerId'], onConflictMergeFields: ['value', 'ratedAt'] },
  );
  return { sessionId, value };
}
