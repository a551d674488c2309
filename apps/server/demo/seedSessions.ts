/** Four sessions a week for six weeks as they were swum, one this morning, a swim-out to come and a template. */
import type { EntityManager } from '@mikro-orm/postgresql';
import type { SessionDone } from '@upwell/contract/sessions';
import type { DrillId } from '@upwell/core/library';
import { causeCard, type CauseId } from '@upwell/core/review';
import {
  AS_USUAL,
  type AnySet,
  type Attendee,
  type BuildRequest,
  type SessionPlan,
  type Tonight,
  addItem,
  buildSession,
  editGroup,
  editRounds,
  proposeGroups,
  setsOf,
} from '@upwell/core/sessions';
import { TrainingSessionEntity } from '../src/sessions/entities';
import { summaryOf } from '../src/sessions/planFacts';
import { ACCOUNTS, BATHS, FIRST_STEPS, PEOPLE, type SquadKey } from './people';
import { idFor } from './random';
import { bestTimesOf, CLUB_ID, isoDay, modelOf, swimmerId } from './shared';
import { CAMP, lanternMile } from './seedWater';

const THEMES: readonly CauseId[] = [
  'holds-breath',
  'looks-forward',
  'no-chest-press',
  'breath-too-low',
  'crosses-midline',
  'dropped-elbow',
];

/** Who swims on which day after the day of the demo, as the water is hired. */
const SWIMS: Readonly<Record<number, SquadKey>> = { 0: 'crossing', 2: 'evening', 4: 'first', 6: 'evening' };

export async function seedSessions(em: EntityManager, now: Date): Promise<void> {
  const known = new Set<DrillId>();
  for (let day = -42; day <= 0; day++) {
    const slot = (day + 42) % 7;
    const squad = SWIMS[slot];
    if (!squad) continue;
    const week = Math.floor((day + 42) / 7);
    // Today two squads share the water: three levels at once.
    const squads: readonly SquadKey[] = day === 0 ? ['crossing', 'evening'] : [squad];
    const plan = built({
      kind: slot === 2 ? 'technique' : 'aerobic',
      theme: THEMES[week % THEMES.length]!,
      // Forty minutes yesterday, since today is one more than usual: a week that asks for a word, and no more.
      minutes: day === -1 ? 40 : 60,
      pool: BATHS,
      kit: ['buoy', 'board', 'fins', 'beeper'],
      seed: 100 + day,
      groups: groupsOf(squads).map((g) => ({ ...g, knownDrills: [...known] })),
    });
    for (const { set } of plan.groups.flatMap((g) => g.blocks.flatMap((b) => setsOf(b.items)))) {
      if (set.drill) known.add(set.drill);
    }
    await insert(em, now, {
      ...{ key: `session ${day}`, day, squads, plan, done: day < -1 ? doneOf(plan, week) : null },
      ...(day === 0 ? { tonight: tonightOf(plan) } : {}),
    });
  }
  const outside = built({
    kind: 'aerobic',
    theme: 'sights-high',
    minutes: 75,
    place: 'open-water',
    pool: { length: Math.round(lanternMile()), unit: 'm' },
    kit: ['bright-cap', 'tow-float', 'whistle'],
    seed: 7,
    groups: groupsOf(['crossing']),
  });
  const swimOut = { squads: ['crossing'], plan: outside, done: null } as const;
  await insert(em, now, {
    ...swimOut,
    ...{ key: 'swim-out', day: 3, title: 'Round the Lantern marks', course: 'Lantern Mile' },
  });
  // An evening away, two zones east of the club.
  await insert(em, now, {
    ...swimOut,
    ...{ key: 'camp', day: 12, startTime: '18:30', title: 'Camp: evening loop', course: CAMP },
  });
  const quick = (minutes: number) =>
    built({
      kind: 'speed',
      theme: 'late-breath',
      minutes,
      pool: BATHS,
      kit: ['buoy', 'board', 'fins'],
      seed: 21,
      groups: groupsOf(['crossing']),
    });
  await insert(em, now, {
    key: 'few breaths',
    day: 2,
    squads: ['crossing'],
    plan: withFewBreaths(quick(60), quick(52)),
    done: null,
    title: 'Quick breaths, with a lifeguard',
    // Runa had a cold.
    breatheFreely: PEOPLE.filter((p) => p.given === 'Runa').map(swimmerId),
  });
  const template = built({
    kind: 'speed',
    theme: 'dropped-elbow',
    minutes: 60,
    pool: BATHS,
    kit: ['buoy', 'board', 'fins'],
    seed: 11,
    groups: groupsOf(['evening']),
  });
  await insert(em, now, {
    key: 'template',
    day: -20,
    squads: ['evening'],
    plan: template,
    done: null,
    title: 'Thursday with speed',
    template: true,
  });
}

function groupsOf(squads: readonly SquadKey[]) {
  const attendees = PEOPLE.filter((p) => squads.includes(p.squad)).map((p): Attendee => ({
    level: p.level,
    model: modelOf(p),
    bestTimes: bestTimesOf(p),
    focus: null,
    healthFlags: [],
    ladderSteps: p.level === 'settle' ? FIRST_STEPS : {},
  }));
  return proposeGroups(attendees, {});
}

/** The session of an hour, in which Race swims a shorter one and then 25s with three breaths each. */
function withFewBreaths(hour: SessionPlan, shorter: SessionPlan): SessionPlan {
  const race = shorter.groups.find((g) => g.level === 'race')!;
  const plan = { ...hour, groups: hour.groups.map((group) => (group.level === 'race' ? race : group)) };
  const speed = race.blocks.find((b) => b.kind === 'speed')!;
  const set: AnySet = {
    kind: 'swim',
    id: 'few-breaths',
    reps: 4,
    lengths: 1,
    stroke: 'front-crawl',
    drill: null,
    effort: 0.9,
    breathing: { kind: 'limited', first: 3, last: 2 },
    sighting: null,
    strokeRateSpm: null,
    timing: { kind: 'rest', seconds: 60 },
    kit: [],
    note: '',
  };
  const breathRecord = { lifeguard: 'Sela Quill', rulesTold: true, minorsAgreed: false };
  const added = addItem(plan, set, { holderId: speed.id, index: speed.items.length });
  return editGroup(added, race.id, { breathRecord });
}

function built(request: BuildRequest): SessionPlan {
  const result = buildSession(request);
  if (result.kind === 'clash') throw new Error(`demo session cannot be built: ${result.clashes[0]?.message}`);
  return result.plan;
}

/** As planned, but for a round less of the main part in every third week; everybody was asked how it felt. */
function doneOf(plan: SessionPlan, week: number): SessionDone {
  const rounds = plan.groups.flatMap((g) => g.blocks.find((b) => b.kind === 'main')?.items ?? []);
  const shorter = rounds.reduce(
    (shown, item) =>
      item.kind === 'rounds' && week % 3 === 2 && item.rounds > 2 ? editRounds(shown, item.id, item.rounds - 1) : shown,
    plan,
  );
  return {
    plan: shorter,
    ratings: Object.fromEntries(plan.groups.map((g, i) => [g.id, 4 + ((week + i) % 4)])),
    note: week % 3 === 2 ? 'Ten minutes lost to the lane rope.' : '',
  };
}

interface Demo {
  readonly key: string;
  readonly day: number;
  readonly squads: readonly SquadKey[];
  readonly plan: SessionPlan;
  readonly done: SessionDone | null;
  readonly title?: string;
  readonly template?: boolean;
  readonly course?: string;
  readonly startTime?: string;
  readonly breatheFreely?: readonly string[];
  readonly tonight?: Tonight;
}

/** One is away, one comes from another squad, and one swims with friends. */
function tonightOf(plan: SessionPlan): Tonight {
  const id = (given: string) => swimmerId(PEOPLE.find((p) => p.given === given)!);
  const group = plan.groups.find((g) => g.level === 'hold')!.id;
  return { away: [id('Pell')], guests: [id('Emrys')], places: { [id('Otis')]: { group, lane: 1 } } };
}

async function insert(
  em: EntityManager,
  now: Date,
  {
    key,
    day,
    squads,
    plan,
    done,
    title,
    course,
    startTime,
    template = false,
    breatheFreely = [],
    tonight = AS_USUAL,
  }: Demo,
): Promise<void> {
  await em.insert(TrainingSessionEntity, {
    id: idFor(key),
    clubId: CLUB_ID,
    createdBy: idFor(ACCOUNTS[squads[0] === 'first' ? 2 : 1].email),
    title: title ?? causeCard(plan.theme).cue.replace(/\.$/, ''),
    date: isoDay(now, day),
    startTime: startTime ?? (squads[0] === 'crossing' ? '07:00' : '19:00'),
    squadIds: squads.map(idFor),
    template,
    seriesId: null,
    courseId: course ? idFor(`course ${course}`) : null,
    breatheFreely: [...breatheFreely],
    tonight,
    theme: plan.theme,
    minutes: plan.minutes,
    plan,
    summary: summaryOf(plan),
    done,
    doneSummary: done ? summaryOf(done.plan, done.ratings) : null,
    version: 1,
    writeId: idFor(`${key} write`),
  });
}
