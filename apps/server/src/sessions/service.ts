// How sessions are listed, stored, refused and proposed.
import { zoneAt } from '@upwell/core/days/place';
import type { Me } from '@upwell/contract/account';
import type {
  ProposalQuery,
  SessionFields,
  SessionProposal,
  SessionQuery,
  SessionRow,
  SessionSave,
  SessionView,
} from '@upwell/contract/sessions';
import { type DrillId, KIT_IDS } from '@upwell/core/library';
import { CAUSE_IDS, causeCard } from '@upwell/core/review';
import {
  AS_USUAL,
  type LevelHistory,
  type PastLoad,
  type SessionPlan,
  proposeGroups,
  proposeThemes,
  setsOf,
} from '@upwell/core/sessions';
import type { LevelId } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import type { RunWork } from '../work';
import type { PlanFacts } from './planFacts';
import { plainName } from '@upwell/core/text';
import { clubRule } from '../swimmers';
import { SquadEntity, SwimmerEntity } from '../swimmers/entities';
import { showCourse } from '../water';
import { attendeesOf, forSafety, peopleOfPlan } from './people';
import { TrainingSessionEntity, type TrainingSessionRecord } from './entities';
import { all } from '../platform/statement';
import { LOADS, SESSIONS, SHAPING } from './sql';

/** Sessions of a span of days, the earliest first; without the plan itself. */
export async function listSessions(
  em: EntityManager,
  { timeZone }: Pick<Me, 'timeZone'>,
  query: SessionQuery,
): Promise<SessionRow[]> {
  const words = plainName(query.search ?? '');
  const themes = words === '' ? [] : CAUSE_IDS.filter((id) => causeCard(id).name.toLowerCase().includes(words));
  const pattern = `%${words.replace(/[\\%_]/g, '\\$&')}%`;
  const squad = query.squadId ?? null;
  const rows = await all(em, SESSIONS, [
    ...[query.templates ?? false, query.from ?? null, query.to ?? null],
    ...[words, pattern, `{${themes.join(',')}}`, squad, squad, query.limit ?? 50],
  ]);
  return rows
    .map(({ start_time, spot, summary, squad_ids, series_id, ...row }) => ({
      ...row,
      startTime: start_time,
      timeZone: spot ? zoneAt(spot) : timeZone,
      squadIds: squad_ids,
      seriesId: series_id,
      groups: summary,
    }))
    .reverse();
}

/** One session; what its coach noted for themselves, afterwards or of others, is shown to coaches only. */
export async function showSession(
  em: EntityManager,
  me: Pick<Me, 'role' | 'timeZone'>,
  id: string,
): Promise<SessionView> {
  const record = await em.findOne(TrainingSessionEntity, { id });
  if (!record) throw notFound();
  const course = record.courseId ? await showCourse(em, record.courseId) : null;
  const view = toView(record, course?.timeZone ?? me.timeZone);
  if (me.role !== 'swimmer') return view;
  return { ...view, breatheFreely: [], tonight: AS_USUAL, done: view.done && { ...view.done, note: '' } };
}

export async function saveSession(
  em: EntityManager,
  work: RunWork,
  me: Me,
  id: string,
  save: SessionSave,
): Promise<SessionView> {
  const { title, date, startTime, squadIds, template, seriesId, courseId, breatheFreely, plan, done } = save;
  const existing = await em.findOne(TrainingSessionEntity, { id });
  await refuseForeignSquads(em, squadIds, existing?.squadIds ?? []);
  // An app that does not know of it leaves it as it is.
  const tonight = save.tonight ?? existing?.tonight ?? AS_USUAL;
  await refuseForeignGuests(em, tonight.guests, existing?.tonight.guests ?? []);
  const facts = await refuseHarm(em, work, me, { ...save, tonight }, existing?.plan ?? null);
  // The reference alone would also hold for another club's course.
  const course = courseId === null ? null : await showCourse(em, courseId);
  const view = (record: TrainingSessionRecord) => toView(record, course?.timeZone ?? me.timeZone);
  const { row } = await saveVersioned(
    em,
    TrainingSessionEntity,
    id,
    save,
    {
      clubId: me.clubId,
      createdBy: existing?.createdBy ?? me.accountId,
      title,
      date,
      startTime,
      squadIds: [...squadIds],
      template,
      seriesId,
      courseId,
      breatheFreely: [...breatheFreely],
      tonight,
      theme: plan.theme,
      minutes: Math.round(plan.minutes),
      plan,
      summary: facts.summary,
      done,
      doneSummary: facts.doneSummary,
    },
    view,
  );
  return view(row);
}

/** A session is put into squads that one coaches, and taken out of those; others that are in it stay. */
async function refuseForeignSquads(em: EntityManager, now: readonly string[], before: readonly string[]) {
  const changed = [...new Set([...now, ...before])].filter((id) => !now.includes(id) || !before.includes(id));
  if (changed.length === 0 || (await em.count(SquadEntity, { id: { $in: changed } })) === changed.length) return;
  const message = 'One of these squads is not yours: only its coach or the head coach plans for it.';
  throw new ProblemError(422, message, { fields: [{ field: 'squadIds', message }] });
}

/** A guest is somebody one coaches; guests of another coach stay. */
async function refuseForeignGuests(em: EntityManager, now: readonly string[], before: readonly string[]) {
  const added = now.filter((id) => !before.includes(id));
  if (added.length === 0 || (await em.count(SwimmerEntity, { id: { $in: added } })) === added.length) return;
  const message = 'One of these guests is not in your squads: ask the head coach.';
  throw new ProblemError(422, message, { fields: [{ field: 'tonight', message }] });
}

/** What could hurt someone is not stored, no matter who asks or by which route. */
export async function refuseHarm(
  em: EntityManager,
  work: RunWork,
  me: Me,
  save: Pick<SessionSave, 'plan' | 'squadIds' | 'breatheFreely' | 'tonight' | 'done'>,
  before: SessionPlan | null,
): Promise<PlanFacts> {
  const people = await peopleOfPlan(em, save.plan, save.squadIds, save.tonight);
  const { plan, done, breatheFreely } = save;
  const facts = await work('check-session', { plan, done, people, breatheFreely });
  const { blocked } = facts;
  if (blocked.length > 0) {
    throw new ProblemError(422, blocked.join(' '), { fields: blocked.map((message) => ({ field: 'plan', message })) });
  }
  // A coach who cannot see all the swimmers cannot vouch for them.
  const seen = await em.count(SquadEntity, { id: { $in: [...save.squadIds] } });
  if (seen !== save.squadIds.length && facts.fewBreaths) {
    const message = 'Few breaths need a coach of every squad that comes: one of these squads is not yours.';
    throw new ProblemError(422, message, { fields: [{ field: 'plan', message }] });
  }
  const agreed = (plan: SessionPlan | null) => plan?.groups.some((g) => g.breathRecord?.minorsAgreed) ?? false;
  if (agreed(save.plan) && !agreed(before) && me.role !== 'head') {
    const message = 'Only the head coach can note that guardians agreed to limited breathing.';
    throw new ProblemError(422, message, { fields: [{ field: 'plan', message }] });
  }
  return facts;
}

/** A stored session as a save of it would carry it. */
export function fieldsOf(record: TrainingSessionRecord): SessionFields {
  const { title, date, startTime, squadIds, template, seriesId, courseId, breatheFreely, tonight } = record;
  return {
    ...{ title, date, startTime, squadIds, template, breatheFreely, tonight },
    ...{ seriesId: seriesId ?? null, courseId: courseId ?? null },
    ...{ plan: record.plan, done: record.done ?? null },
  };
}

const toView = (record: TrainingSessionRecord, timeZone: string): SessionView => ({
  ...{ id: record.id, version: record.version, timeZone },
  ...fieldsOf(record),
});

/** What the people of some squads bring to a session on a day. No squads means all one may see. */
export async function proposeSession(em: EntityManager, { squadIds, date }: ProposalQuery): Promise<SessionProposal> {
  const attendees = await attendeesOf(em, squadIds, date);
  const history = await levelHistory(em, squadIds, date);
  const table = await clubRule(em, 'paceTable');
  const capacity = await clubRule(em, 'laneCapacity');
  return {
    groups: proposeGroups(attendees, history).map((group) => (table ? { ...group, paceTable: table } : group)),
    themes: proposeThemes(attendees),
    served: attendees.map(({ id, name, level, focus, planTheme, week, raceInDays }) => ({
      ...{ id, name, level, focus, planTheme, week, raceInDays },
    })),
    swimmers: attendees.length,
    kit: await clubKit(em),
    laneCapacity: capacity ?? null,
    people: attendees.map(forSafety),
  };
}

async function levelHistory(
  em: EntityManager,
  squadIds: readonly string[],
  date: string,
): Promise<Partial<Record<LevelId, LevelHistory>>> {
  const squads = `{${squadIds.join(',')}}`;
  const drills = new Map<LevelId, Set<DrillId>>();
  for (const { plan } of await all(em, SHAPING, [date, date, squads, squads])) {
    for (const group of plan.groups) {
      const known = entry(drills, group.level, () => new Set<DrillId>());
      for (const { set } of group.blocks.flatMap((block) => setsOf(block.items))) if (set.drill) known.add(set.drill);
    }
  }
  const loads = new Map<LevelId, Map<string, PastLoad[]>>();
  for (const { days_ago: daysAgo, squad_ids, summary } of await all(em, LOADS, [date, date, date, squads, squads])) {
    for (const { level, load } of summary) {
      const bySquad = entry(loads, level, () => new Map<string, PastLoad[]>());
      for (const squad of squad_ids) entry(bySquad, squad, () => []).push({ daysAgo, load });
    }
  }
  return Object.fromEntries(
    [...drills].map(([level, known]) => [
      level,
      { knownDrills: [...known], loadsBySquad: [...(loads.get(level)?.values() ?? [])] },
    ]),
  );
}

/** The value of a key, made when it is missing. */
function entry<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const found = map.get(key) ?? make();
  map.set(key, found);
  return found;
}

async function clubKit(em: EntityManager): Promise<SessionProposal['kit']> {
  const kit = await clubRule(em, 'kit');
  return KIT_IDS.filter((item) => kit?.includes(item) ?? true);
}
