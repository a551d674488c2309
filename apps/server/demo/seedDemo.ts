import { plainName } from '@upwell/core/text';
import type { EntityManager } from '@mikro-orm/postgresql';
import { weekdayOf } from '@upwell/core/days';
import type { Standard } from '@upwell/core/measures';
import { ageYear, isChild } from '@upwell/core/swimmers';
import { randomBytes } from 'node:crypto';
import { INVITATION_DAYS } from '@upwell/contract/people';
import { AccountEntity, InvitationEntity } from '../src/account/entities';
import { tokenHash } from '../src/platform/identity';
import { hashPassword } from '../src/account/password';
import { ClubEntity, ResultEntity, SquadCoachEntity, SquadEntity, SwimmerEntity } from '../src/swimmers/entities';
import { ACCOUNTS, CLUB, FIRST_STEPS, PASSWORD, PEOPLE, SQUADS } from './people';
import { idFor, numbers } from './random';
import { seedRuns, seedTests } from './seedDeck';
import { seedRaces } from './seedRace';
import { seedExperience, seedLibrary } from './seedLibrary';
import { seedClip, seedEye, seedStills } from './seedLooks';
import { seedRecord, seedReviews } from './seedReviews';
import { seedSent } from './seedSent';
import { seedCourses, seedTracks } from './seedWater';
import { seedSessions } from './seedSessions';
import { bestTimesOf, CLUB_ID, isoDay, modelOf, swimmerId } from './shared';

/**
 * Fills an empty database with the demo club; does nothing when there is a club already.
 *
 * Everything hangs on one seed; only the dates follow `now`, so that today always has something due.
 *
 * @param film a simulated clip in WebM that a swimmer has sent in; without it none is
 */
export async function seedDemo(em: EntityManager, now: Date, film: Buffer | null = null): Promise<boolean> {
  if ((await em.count(ClubEntity)) > 0) return false;
  await em.transactional(async (tx) => {
    await seedClub(tx, now);
    await seedLibrary(tx, now);
    await seedSwimmers(tx, now);
    await seedRecord(tx, now);
    await seedReviews(tx, now);
    await seedExperience(tx, now);
    await seedClip(tx, CLUB_ID, swimmerId(PEOPLE.find((p) => p.given === 'Mirela')!), now);
    await seedStills(tx, CLUB_ID, swimmerId(PEOPLE.find((p) => p.given === 'Dilys')!), now);
    await seedEye(tx, CLUB_ID);
    await seedSent(tx, CLUB_ID, swimmerId(PEOPLE.find((p) => p.given === 'Mirela')!), now, film);
    await seedCourses(tx, now);
    await seedSessions(tx, now);
    await seedResults(tx, now);
    await seedRuns(tx);
    await seedTests(tx, now);
    await seedTracks(tx, now);
    await seedRaces(tx, now);
    await seedAccess(tx, now);
  });
  return true;
}

/** What the club asks for before somebody swims with those who race. */
const STANDARDS: readonly Standard[] = [
  { name: 'Racing lane', distanceM: 100, pool: { length: 25, unit: 'm' }, timeS: 76 },
  { name: 'Racing lane', distanceM: 400, pool: { length: 25, unit: 'm' }, timeS: 345 },
  { name: 'Long-course day', distanceM: 400, pool: { length: 50, unit: 'm' }, timeS: 360 },
];

/** Shares of a swim at each quarter, or each half: a quick start, a slow third quarter, a last push. */
const QUARTERS = [0.243, 0.495, 0.75];
const HALVES = [0.488];

async function seedClub(em: EntityManager, now: Date): Promise<void> {
  const passwordHash = await hashPassword(PASSWORD);
  await em.insert(ClubEntity, {
    id: CLUB_ID,
    name: CLUB.name,
    settings: {
      timeZone: CLUB.timeZone,
      pool: CLUB.pool,
      lake: CLUB.lake,
      kit: ['buoy', 'board', 'fins', 'beeper', 'bright-cap', 'tow-float', 'whistle'],
      standards: STANDARDS,
    },
    writeId: idFor('club rules'),
  });
  await em.insertMany(
    AccountEntity,
    ACCOUNTS.map((a) => ({
      id: idFor(a.email),
      clubId: CLUB_ID,
      email: a.email,
      name: a.name,
      role: a.role,
      passwordHash,
      swimmerId: null,
    })),
  );
  await em.insertMany(
    SquadEntity,
    SQUADS.map((s) => ({
      id: idFor(s.key),
      clubId: CLUB_ID,
      name: s.name,
      poolTimes: s.poolTimes.map(({ inDays, ...hour }) => ({ ...hour, weekday: weekdayOf(isoDay(now, inDays)) })),
      archived: false,
      version: 1,
      writeId: idFor(`${s.key} write`),
    })),
  );
  await em.insertMany(
    SquadCoachEntity,
    SQUADS.flatMap((s) =>
      s.coaches.map((email) => ({ squadId: idFor(s.key), accountId: idFor(email), clubId: CLUB_ID })),
    ),
  );
}

async function seedSwimmers(em: EntityManager, now: Date): Promise<void> {
  await em.insertMany(
    SwimmerEntity,
    PEOPLE.map((p, i) => ({
      id: swimmerId(p),
      clubId: CLUB_ID,
      squadId: idFor(p.squad),
      givenName: p.given,
      familyName: p.family,
      searchName: plainName(`${p.given} ${p.family}`),
      level: p.level,
      birthYear: p.birthYear,
      strokeModel: modelOf(p),
      breathingSide: (['right', 'left', 'both'] as const)[i % 3]!,
      healthFlags: i === 4 ? (['asthma'] as const) : i === 13 ? (['ear'] as const) : [],
      healthConsent: i === 4 || i === 13,
      // One guardian has agreed to clips, the others were not asked yet.
      clipConsent: p.given === 'Tamsin',
      kit: p.level === 'settle' ? [] : (['buoy', 'fins'] as const),
      // The beginners are on the first rungs; the others are not kept on ladders.
      ladderSteps: p.level === 'settle' ? FIRST_STEPS : {},
      goal: p.goal
        ? {
            event: p.goal.event,
            date: isoDay(now, p.goal.inDays),
            distanceM: p.goal.distanceM,
            place: p.goal.open ? ('open-water' as const) : ('pool' as const),
            targetTimeS: p.goal.targetS,
          }
        : null,
      bestTimes: bestTimesOf(p),
      archived: false,
      version: 1,
      writeId: idFor(`${p.given} ${p.family} write`),
    })),
  );
  const swimmer = PEOPLE.find((p) => p.given === 'Mirela')!;
  await em.insert(AccountEntity, {
    id: idFor('swimmer account'),
    clubId: CLUB_ID,
    email: 'swimmer@upwell.example',
    name: `${swimmer.given} ${swimmer.family}`,
    role: 'swimmer',
    passwordHash: await hashPassword(PASSWORD),
    swimmerId: swimmerId(swimmer),
  });
  // Somebody who is to come; nobody has this link.
  await em.insert(InvitationEntity, {
    id: idFor('an open invitation'),
    clubId: CLUB_ID,
    tokenHash: tokenHash(randomBytes(32).toString('base64url')),
    role: 'coach',
    email: 'new.coach@upwell.example',
    swimmer: null,
    squadIds: [],
    madeBy: idFor(ACCOUNTS[0].email),
    expiresAt: new Date(now.getTime() + INVITATION_DAYS * 86_400_000),
  });
}

/** A timed 100, 200 and 400 every third week, getting a little faster; the second time at a meet in a pool of 50 m. */
async function seedResults(em: EntityManager, now: Date): Promise<void> {
  const random = numbers(11);
  const rows = PEOPLE.flatMap((p) =>
    [-38, -17, -3].flatMap((inDays, step) =>
      bestTimesOf(p).map(({ distanceM, timeS: bestS }) => {
        const meet = step === 1;
        // Fewer turns: the long pool is slower by about a fiftieth.
        const slower = (1 + (2 - step) * (0.008 + 0.01 * random())) * (meet ? 1.02 : 1);
        const timeS = Math.round(bestS * slower * 10) / 10;
        const shares = distanceM >= 200 ? QUARTERS : HALVES;
        return {
          id: idFor(`${p.given} ${distanceM} ${inDays}`),
          clubId: CLUB_ID,
          swimmerId: swimmerId(p),
          heldOn: isoDay(now, inDays),
          distanceM,
          timeS,
          strokesPerLength: Math.round(17 + 7 * random()) * (meet ? 2 : 1),
          kind: 'trial' as const,
          details: {
            pool: { length: meet ? 50 : 25, unit: 'm' as const },
            splitsS: shares.map((share) => Math.round(timeS * share * 10) / 10),
            ...(meet ? { meet: 'Lantern Cup' } : {}),
          },
        };
      }),
    ),
  );
  await em.insertMany(ResultEntity, rows);
}

/** Each review of a child began with a look at their page. */
async function seedAccess(em: EntityManager, now: Date): Promise<void> {
  const swimmers = await em.find(SwimmerEntity, {});
  const children = swimmers.filter((s) => isChild(s.birthYear ?? null, ageYear(now.getTime()))).map((s) => s.id);
  await em.execute(
    `insert into access_log (club_id, account_id, swimmer_id, what, looked_at)
     select r.club_id, r.coach_id, r.swimmer_id, l.what, r.looked_at - l.before
     from review r, (values ('GET /swimmers/:id', interval '4 minutes'), ('PUT /reviews/:id', interval '0')) l (what, before)
     where r.swimmer_id = any(?::uuid[]) order by r.looked_at - l.before`,
    [`{${children.join(',')}}`],
    'run',
  );
}
