import { DAY_MS } from '@upwell/core/days';
import type { EntityManager } from '@mikro-orm/postgresql';
import { drillCard, type DrillId } from '@upwell/core/library';
import {
  causeCard,
  type CauseId,
  daysToRelook,
  type FocusOutcome,
  helped,
  inferCauses,
  linksOf,
  type Outcome,
  type Sighting,
  type SignsSeen,
} from '@upwell/core/review';
import { FocusEntity, FocusTryEntity, ReviewEntity } from '../src/review/entities';
import { ACCOUNTS, PEOPLE, type Person } from './people';
import { idFor, numbers } from './random';
import { CLUB_ID, isoDay, modelOf, swimmerId } from './shared';

/** What each reviewed swimmer really does: [who, cause then, cause now]. */
const TRUTH: readonly (readonly [given: string, before: CauseId | null, now: CauseId])[] = [
  ['Bea', null, 'unease'],
  ['Colm', 'unease', 'holds-breath'],
  ['Dilys', 'holds-breath', 'looks-forward'],
  ['Corwin', 'looks-forward', 'breath-too-low'],
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

/** Most beginners show more than one fault: what else was seen in their last look, by sign and in words. */
const ALSO: Readonly<Record<string, { readonly signs: SignsSeen; readonly noted: string }>> = {
  Halina: {
    signs: {
      'enters-past-middle': 'often',
      'hand-laid-flat': 'sometimes',
      'long-in-air': 'often',
      'arm-short': 'often',
    },
    noted: 'Stops kicking when somebody overtakes.',
  },
  Tamsin: {
    signs: {
      'one-side-only': 'often',
      'belly-hangs': 'sometimes',
      'pulls-under-body': 'often',
      'exits-before-hip': 'often',
      'bubbles-at-mouth': 'sometimes',
    },
    noted: '',
  },
};

/** Whose focus before was gone at the second look. */
const SOLVED = ['Mirela', 'Bo'];

const GOOD = [
  'calm face',
  'long, quiet front arm',
  'steady rhythm',
  'good line off the wall',
  'relaxed hands',
  'even kick',
];

export async function seedReviews(em: EntityManager, now: Date): Promise<void> {
  const random = numbers(7);
  for (const [given, before, current] of TRUTH) {
    const person = PEOPLE.find((p) => p.given === given)!;
    if (before) {
      const judged: Outcome = random() < 0.65 ? 'better' : random() < 0.7 ? 'same' : 'worse';
      const outcome = SOLVED.includes(given) ? 'solved' : judged;
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
  outcome: FocusOutcome | null,
): Promise<void> {
  const also = outcome === null ? ALSO[person.given] : undefined;
  const signs: SignsSeen = { ...also?.signs, ...signsOf(cause, random) };
  const model = modelOf(person);
  const { ranking } = inferCauses({ stroke: 'front-crawl', model, level: person.level, signs });
  const drill: DrillId = causeCard(cause).answers[0];
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
    noted: also?.noted ?? '',
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
    cue: causeCard(cause).cue,
    tries: drillCard(drill).dose.tries,
    since: lookedAt,
    relookOn: isoDay(now, relookInDays),
    outcome,
    closedAt: outcome ? new Date(now.getTime() + relookInDays * DAY_MS) : null,
    saidBack: outcome ? causeCard(cause).cue.replace(/\.$/, '').toLowerCase() : '',
    felt: outcome && helped(outcome) ? 'lighter' : '',
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

export async function seedRecord(em: EntityManager, now: Date): Promise<void> {
  const holders = PEOPLE.filter((p) => p.level === 'hold');
  const random = numbers(11);
  for (const [cause, which, better, notBetter] of RECORD) {
    const drill = (causeCard(cause).answers as readonly DrillId[])[which]!;
    for (let i = 0; i < better + notBetter; i++) {
      const person = holders[i % holders.length]!;
      const key = `${cause} ${drill} ${i}`;
      const lookedAt = new Date(now.getTime() - (90 + 7 * i) * DAY_MS);
      const model = modelOf(person);
      const signs = shownBy(cause, random);
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
        noted: '',
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
        cue: causeCard(cause).cue,
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

/** How often a sign is seen in this club, where the cause is there: not quite as the catalogue says. */
const SHOWN = { strong: 0.92, some: 0.6, weak: 0.15 };

/** Every sign of a cause looked for, each as often seen as it is shown here. */
const shownBy = (cause: CauseId, random: () => number): SignsSeen =>
  Object.fromEntries(
    Object.entries(linksOf(cause)).map(([sign, strength]) => [sign, random() < SHOWN[strength] ? 'often' : 'absent']),
  );

/** Signs as somebody with this cause shows them: strong links nearly always, others at times, and two clear looks. */
function signsOf(cause: CauseId, random: () => number): SignsSeen {
  const seen: Record<string, Sighting> = {};
  for (const [sign, strength] of Object.entries(linksOf(cause))) {
    if (strength === 'strong') seen[sign] = 'often';
    else if (random() < 0.5) seen[sign] = 'sometimes';
  }
  for (const sign of ['feet-hooked', 'hands-meet-and-stop']) seen[sign] ??= 'absent';
  return seen;
}
