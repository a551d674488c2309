import type { EntityManager } from '@mikro-orm/postgresql';
import { drillCard, type DrillId } from '@upwell/core/library';
import {
  CAUSES,
  daysToRelook,
  inferCauses,
  LINKS,
  type CauseId,
  type Outcome,
  type Sighting,
  type SignsSeen,
} from '@upwell/core/review';
import { buildSession, proposeGroups, setsOf, type Comer } from '@upwell/core/sessions';
import { defaultModel, type StrokeModelId } from '@upwell/core/swimmers';
import { AccountEntity } from '../src/account/entities';
import { hashPassword } from '../src/account/password';
import { FocusEntity, FocusTryEntity, ReviewEntity } from '../src/review/entities';
import { TrainingSessionEntity } from '../src/sessions/entities';
import { summaryOf } from '../src/sessions/service';
import { ClubEntity, ResultEntity, SquadCoachEntity, SquadEntity, SwimmerEntity } from '../src/swimmers/entities';
import { searchable } from '../src/swimmers/service';
import { ACCOUNTS, CLUB, PASSWORD, PEOPLE, SQUADS, type Person } from './people';
import { idFor, numbers } from './random';
import { seedClip, seedEye } from './seedLooks';

const DAY_MS = 86_400_000;
const CLUB_ID = idFor('club');

/**
 * Fills an empty database with the demo club; does nothing when there is a club already.
 *
 * Everything hangs on one seed; only the dates follow `now`, so that today always has something due.
 */
export async function seedDemo(em: EntityManager, now: Date): Promise<boolean> {
  if ((await em.count(ClubEntity)) > 0) return false;
  await em.transactional(async (tx) => {
    await seedClub(tx);
    await seedSwimmers(tx, now);
    await seedRecord(tx, now);
    await seedReviews(tx, now);
    await seedClip(tx, CLUB_ID, swimmerId(PEOPLE.find((p) => p.given === 'Mirela')!), now);
    await seedEye(tx, CLUB_ID);
    await seedSessions(tx, now);
    await seedResults(tx, now);
  });
  return true;
}

async function seedClub(em: EntityManager): Promise<void> {
  const passwordHash = await hashPassword(PASSWORD);
  await em.insert(ClubEntity, {
    id: CLUB_ID,
    name: CLUB.name,
    settings: {
      pool: CLUB.pool,
      lake: CLUB.lake,
      kit: ['buoy', 'board', 'fins', 'beeper', 'bright-cap', 'tow-float', 'whistle'],
    },
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

const swimmerId = (p: Person): string => idFor(`${p.given} ${p.family}`);

function modelOf(p: Person): StrokeModelId {
  return defaultModel({
    level: p.level,
    place: p.goal ? (p.goal.open ? 'open-water' : 'pool') : null,
    goalDistanceM: p.goal?.distanceM ?? null,
    catchLadderPassed: p.level === 'race',
  });
}

/** Best times that follow from the 400 m time: the shape of a steady swimmer. */
function bestTimesOf(p: Person): { distanceM: number; timeS: number }[] {
  if (p.t400S === null) return [];
  const tenth = (s: number) => Math.round(s * 10) / 10;
  return [
    { distanceM: 100, timeS: tenth((p.t400S / 4) * 0.88) },
    { distanceM: 200, timeS: tenth((p.t400S / 2) * 0.945) },
    { distanceM: 400, timeS: p.t400S },
  ];
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
      searchName: searchable(`${p.given} ${p.family}`),
      level: p.level,
      birthYear: p.birthYear,
      strokeModel: modelOf(p),
      breathingSide: (['right', 'left', 'both'] as const)[i % 3]!,
      healthFlags: i === 4 ? (['asthma'] as const) : i === 13 ? (['ear'] as const) : [],
      healthConsent: i === 4 || i === 13,
      // One guardian has agreed to clips, the others were not asked yet.
      clipConsent: p.given === 'Tamsin',
      kit: p.level === 'settle' ? [] : (['buoy', 'fins'] as const),
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
  const swimmer = PEOPLE.find((p) => p.given === 'Ines')!;
  await em.insert(AccountEntity, {
    id: idFor('swimmer account'),
    clubId: CLUB_ID,
    email: 'swimmer@upwell.example',
    name: `${swimmer.given} ${swimmer.family}`,
    role: 'swimmer',
    passwordHash: await hashPassword(PASSWORD),
    swimmerId: swimmerId(swimmer),
  });
}

/** What each reviewed swimmer really does: [who, cause then, cause now]. */
const TRUTH: readonly (readonly [given: string, before: CauseId | null, now: CauseId])[] = [
  ['Bea', null, 'unease'],
  ['Colm', 'unease', 'holds-breath'],
  ['Dilys', 'holds-breath', 'looks-forward'],
  ['Ruben', 'looks-forward', 'breath-too-low'],
  ['Halina', null, 'no-chest-press'],
  ['Tamsin', null, 'knee-kick'],
  ['Pell', 'looks-forward', 'lifts-head'],
  ['Sunniva', 'lifts-head', 'breath-too-low'],
  ['Wanda', null, 'late-exhale'],
  ['Kasper', 'crosses-midline', 'breath-too-low'],
  ['Mirela', 'breath-too-low', 'crosses-midline'],
  ['Otis', 'holds-breath', 'one-sided'],
  ['Yara', null, 'dropped-elbow'],
  ['Sol', 'dropped-elbow', 'over-glide'],
  ['Bo', 'one-sided', 'dropped-elbow'],
  ['Runa', 'over-glide', 'short-finish'],
  ['Teo', null, 'spins'],
  ['Pia', 'crosses-midline', 'pulls-across'],
];

const GOOD = [
  'calm face',
  'long, quiet front arm',
  'steady rhythm',
  'good line off the wall',
  'relaxed hands',
  'even kick',
];

async function seedReviews(em: EntityManager, now: Date): Promise<void> {
  const random = numbers(7);
  for (const [given, before, current] of TRUTH) {
    const person = PEOPLE.find((p) => p.given === given)!;
    if (before) {
      const outcome: Outcome = random() < 0.65 ? 'better' : random() < 0.7 ? 'same' : 'worse';
      await seedReview(em, person, before, now, -(30 + Math.floor(random() * 10)), random, outcome);
    }
    await seedReview(em, person, current, now, -(4 + Math.floor(random() * 14)), random, null);
  }
}

async function seedReview(
  em: EntityManager,
  person: Person,
  cause: CauseId,
  now: Date,
  inDays: number,
  random: () => number,
  outcome: Outcome | null,
): Promise<void> {
  const signs: SignsSeen = signsOf(cause, random);
  const model = modelOf(person);
  const { ranking } = inferCauses({ stroke: 'front-crawl', model, level: person.level, signs });
  const drill: DrillId = CAUSES[cause].answers[0];
  const id = idFor(`${person.given} review ${cause}`);
  const lookedAt = new Date(now.getTime() + inDays * DAY_MS);
  await em.insert(ReviewEntity, {
    id,
    clubId: CLUB_ID,
    swimmerId: swimmerId(person),
    coachId: idFor(ACCOUNTS[person.squad === 'first' ? 2 : 1].email),
    lookedAt,
    stroke: 'front-crawl',
    model,
    level: person.level,
    signs,
    measured: {},
    good: GOOD[Math.floor(random() * GOOD.length)]!,
    ranking: ranking.slice(0, 6),
    version: 1,
    writeId: idFor(`${person.given} review ${cause} write`),
  });
  const relookInDays = inDays + daysToRelook(drillCard(drill));
  await em.insert(FocusEntity, {
    id: idFor(`${person.given} focus ${cause}`),
    clubId: CLUB_ID,
    swimmerId: swimmerId(person),
    reviewId: id,
    cause,
    drill,
    cue: CAUSES[cause].cue,
    tries: drillCard(drill).dose.tries,
    since: lookedAt,
    relookOn: isoDay(now, relookInDays),
    outcome,
    closedAt: outcome ? new Date(now.getTime() + relookInDays * DAY_MS) : null,
    saidBack: outcome ? CAUSES[cause].cue.replace(/\.$/, '').toLowerCase() : '',
    felt: outcome === 'better' ? 'lighter' : '',
    version: 1,
    writeId: idFor(`${person.given} focus ${cause} write`),
  });
  // On the day it was given it was tried three times.
  const verdicts: readonly Outcome[] = outcome === 'worse' ? ['same', 'same', 'better'] : ['same', 'better', 'better'];
  await em.insertMany(
    FocusTryEntity,
    verdicts.map((verdict, i) => ({
      id: idFor(`${person.given} try ${cause} ${i}`),
      clubId: CLUB_ID,
      swimmerId: swimmerId(person),
      focusId: idFor(`${person.given} focus ${cause}`),
      drill,
      verdict,
      note: '',
      at: new Date(lookedAt.getTime() + (i + 1) * 180_000),
    })),
  );
}

/** Earlier focuses of the season, so that drills have a record: [cause, drill index, better, not better]. */
const RECORD: readonly (readonly [CauseId, number, number, number])[] = [
  ['breath-too-low', 0, 7, 2],
  ['breath-too-low', 1, 2, 2],
  ['no-chest-press', 0, 5, 1],
  ['looks-forward', 0, 6, 3],
  ['dropped-elbow', 0, 4, 4],
  ['crosses-midline', 0, 5, 2],
];

async function seedRecord(em: EntityManager, now: Date): Promise<void> {
  const holders = PEOPLE.filter((p) => p.level === 'hold');
  for (const [cause, which, better, notBetter] of RECORD) {
    const drill = (CAUSES[cause].answers as readonly DrillId[])[which]!;
    for (let i = 0; i < better + notBetter; i++) {
      const person = holders[i % holders.length]!;
      const key = `${cause} ${drill} ${i}`;
      const lookedAt = new Date(now.getTime() - (90 + 7 * i) * DAY_MS);
      const model = modelOf(person);
      const signs = Object.fromEntries(Object.keys(LINKS[cause]).map((sign) => [sign, 'often'])) as SignsSeen;
      await em.insert(ReviewEntity, {
        id: idFor(`review ${key}`),
        clubId: CLUB_ID,
        swimmerId: swimmerId(person),
        coachId: idFor(ACCOUNTS[1].email),
        lookedAt,
        stroke: 'front-crawl',
        model,
        level: person.level,
        signs,
        measured: {},
        good: GOOD[i % GOOD.length]!,
        ranking: inferCauses({ stroke: 'front-crawl', model, level: person.level, signs }).ranking.slice(0, 6),
        version: 1,
        writeId: idFor(`review ${key} write`),
      });
      await em.insert(FocusEntity, {
        id: idFor(`focus ${key}`),
        clubId: CLUB_ID,
        swimmerId: swimmerId(person),
        reviewId: idFor(`review ${key}`),
        cause,
        drill,
        cue: CAUSES[cause].cue,
        tries: drillCard(drill).dose.tries,
        since: lookedAt,
        relookOn: isoDay(lookedAt, 14),
        outcome: i < better ? 'better' : 'same',
        closedAt: new Date(lookedAt.getTime() + 14 * DAY_MS),
        saidBack: '',
        felt: '',
        version: 1,
        writeId: idFor(`focus ${key} write`),
      });
    }
  }
}

/** Signs as somebody with this cause shows them: strong links nearly always, others at times, and two clear looks. */
function signsOf(cause: CauseId, random: () => number): SignsSeen {
  const seen: Record<string, Sighting> = {};
  for (const [sign, strength] of Object.entries(LINKS[cause])) {
    if (strength === 'strong') seen[sign] = 'often';
    else if (random() < 0.5) seen[sign] = 'sometimes';
  }
  for (const sign of ['feet-hooked', 'hands-meet-and-stop']) seen[sign] ??= 'absent';
  return seen;
}

const THEMES: readonly CauseId[] = [
  'holds-breath',
  'looks-forward',
  'no-chest-press',
  'breath-too-low',
  'crosses-midline',
  'dropped-elbow',
];

/** Three sessions a week for six weeks, and one this morning. */
async function seedSessions(em: EntityManager, now: Date): Promise<void> {
  const known = new Set<DrillId>();
  for (let day = -42; day <= 0; day++) {
    const slot = (day + 42) % 7;
    if (slot !== 0 && slot !== 2 && slot !== 4) continue;
    const week = Math.floor((day + 42) / 7);
    const squad = slot === 0 ? 'crossing' : slot === 2 ? 'evening' : 'first';
    const comers = PEOPLE.filter((p) => p.squad === squad).map((p): Comer => ({
      level: p.level,
      model: modelOf(p),
      bestTimes: bestTimesOf(p),
      focus: null,
      healthFlags: [],
    }));
    const theme = THEMES[week % THEMES.length]!;
    const built = buildSession({
      kind: slot === 2 ? 'technique' : 'aerobic',
      theme,
      minutes: 60,
      pool: { length: 25, unit: 'm' },
      kit: ['buoy', 'board', 'fins', 'beeper'],
      seed: 100 + day,
      groups: proposeGroups(comers, {}).map((g) => ({ ...g, knownDrills: [...known] })),
    });
    if (built.kind === 'clash') throw new Error(`demo session cannot be built: ${built.clashes[0]?.message}`);
    for (const { set } of built.plan.groups.flatMap((g) => g.blocks.flatMap((b) => setsOf(b.items)))) {
      if (set.drill) known.add(set.drill);
    }
    await em.insert(TrainingSessionEntity, {
      id: idFor(`session ${day}`),
      clubId: CLUB_ID,
      createdBy: idFor(ACCOUNTS[squad === 'first' ? 2 : 1].email),
      title: titleOf(theme),
      date: isoDay(now, day),
      startTime: squad === 'crossing' ? '07:00' : '19:00',
      squadIds: [idFor(squad)],
      theme,
      minutes: 60,
      plan: built.plan,
      summary: summaryOf(built.plan),
      version: 1,
      writeId: idFor(`session ${day} write`),
    });
  }
}

const titleOf = (theme: CauseId): string => CAUSES[theme].cue.replace(/\.$/, '');

/** A timed 100, 200 and 400 every third week, getting a little faster. */
async function seedResults(em: EntityManager, now: Date): Promise<void> {
  const random = numbers(11);
  const rows = PEOPLE.flatMap((p) =>
    [-38, -17, -3].flatMap((inDays, step) =>
      bestTimesOf(p).map(({ distanceM, timeS }) => ({
        id: idFor(`${p.given} ${distanceM} ${inDays}`),
        clubId: CLUB_ID,
        swimmerId: swimmerId(p),
        heldOn: isoDay(now, inDays),
        distanceM,
        timeS: Math.round(timeS * (1 + (2 - step) * (0.008 + 0.01 * random())) * 10) / 10,
        strokesPerLength: Math.round(17 + 7 * random()),
      })),
    ),
  );
  await em.insertMany(ResultEntity, rows);
}

function isoDay(now: Date, inDays: number): string {
  return new Date(now.getTime() + inDays * DAY_MS).toISOString().slice(0, 10);
}
