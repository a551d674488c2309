import type { RaceChoices } from '@upwell/core/race';
import type { EntityManager } from '@mikro-orm/postgresql';
import { RacePlanEntity } from '../src/race/entities';
import { planSwimmers } from '../src/race';
import { inPlace } from '../src/work/inPlace';
import { PEOPLE } from './people';
import { idFor } from './random';
import { CLUB_ID, isoDay, swimmerId } from './shared';

/** What the coaches decided about some race plans; the others go by what is known. */
export async function seedRaces(em: EntityManager, now: Date): Promise<void> {
  const choices: Readonly<Record<string, RaceChoices>> = {
    Ines: {
      courseId: idFor('course Quill Crossing'),
      wetsuit: true,
      waterC: 16,
      marks: { sighting: true, groupStart: false, coldDips: 2, wetsuit: true },
    },
    Mirela: {
      courseId: idFor('course Quill Crossing'),
      wetsuit: true,
      waterC: 16,
      rideFollows: true,
      marks: { sighting: true, groupStart: true, coldDips: 6 },
    },
    Otis: { waterC: 16, marks: { sighting: false } },
    // Five kilometres from 3,000 metres × effort a week: half a year is too short, and the plan says so.
    Jun: { waterC: 18, sessionsPerWeek: 4, minutesPerSession: 75 },
    Sunniva: { otherRaces: [{ event: 'Hallow Lane Gala', date: isoDay(now, 70) }] },
  };
  const racers = PEOPLE.filter((p) => p.goal);
  await em.insertMany(
    RacePlanEntity,
    racers.flatMap((p) => {
      const decided = choices[p.given];
      return decided
        ? [{ id: swimmerId(p), clubId: CLUB_ID, choices: decided, version: 1, writeId: idFor(`${p.given} race plan`) }]
        : [];
    }),
  );
  // Mirela says how it felt, and forgot the last week.
  await em.execute(
    `insert into session_rating (id, session_id, swimmer_id, club_id, value, rated_at)
     select gen_random_uuid(), t.id, s.id, s.club_id, 3 + (t.date - ?::date + 60) % 5, t.date + interval '21 hours'
     from swimmer s join training_session t on s.squad_id = any(t.squad_ids) and not t.template
     where s.id = ? and t.date < ?::date`,
    [isoDay(now, 0), swimmerId(PEOPLE.find((p) => p.given === 'Mirela')!), isoDay(now, -10)],
  );
  // Three weeks ago, so that there are past weeks, and today.
  for (const day of [-21, 0]) await planSwimmers(em, inPlace, CLUB_ID, racers.map(swimmerId), isoDay(now, day));
}
