import type { RaceChoices } from '@upwell/core/goal';
import type { EntityManager } from '@mikro-orm/postgresql';
import { RacePlanEntity } from '../src/goal/entities';
import { planSwimmers } from '../src/goal';
import { PEOPLE } from './people';
import { idFor } from './random';
import { CLUB_ID, isoDay, swimmerId } from './shared';

/** What the coaches decided about some ways to a race; the others go by what is known. */
export async function seedGoals(em: EntityManager, now: Date): Promise<void> {
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
  await planSwimmers(em, CLUB_ID, racers.map(swimmerId), isoDay(now, 0));
}
