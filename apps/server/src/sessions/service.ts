import type { Me } from '@upwell/contract/account';
import type {
  ProposalQuery,
  SessionProposal,
  SessionQuery,
  SessionRow,
  SessionSave,
  SessionView,
} from '@upwell/contract/sessions';
import { KIT_IDS, type DrillId } from '@upwell/core/library';
import {
  groupTotals,
  proposeGroups,
  proposeThemes,
  setsOf,
  type Comer,
  type LevelHistory,
  type PastLoad,
  type SessionPlan,
} from '@upwell/core/sessions';
import type { LevelId } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { TrainingSessionEntity, type TrainingSessionRecord } from './entities';

interface ListRow {
  id: string;
  title: string;
  date: string;
  start_time: string;
  theme: SessionRow['theme'];
  minutes: number;
  summary: SessionRow['groups'];
}

/** Sessions of a span of days, the earliest first; without the plan itself. */
export async function listSessions(em: EntityManager, query: SessionQuery): Promise<SessionRow[]> {
  const rows = await em.execute<ListRow[]>(
    `select id, title, date::text as date, start_time, theme, minutes, summary from training_session
     where date >= coalesce(?::date, '-infinity') and date <= coalesce(?::date, 'infinity')
     order by date desc, start_time desc limit ${query.limit ?? 50}`,
    [query.from ?? null, query.to ?? null],
    'all',
  );
  return rows.map(({ start_time, summary, ...row }) => ({ ...row, startTime: start_time, groups: summary })).reverse();
}

export async function showSession(em: EntityManager, id: string): Promise<SessionView> {
  const record = await em.findOne(TrainingSessionEntity, { id });
  if (!record) throw notFound();
  return toView(record);
}

export async function saveSession(em: EntityManager, me: Me, id: string, save: SessionSave): Promise<SessionView> {
  const { title, date, startTime, squadIds, plan } = save;
  const existing = await em.findOne(TrainingSessionEntity, { id });
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
      theme: plan.theme,
      minutes: Math.round(plan.minutes),
      plan,
      summary: summaryOf(plan),
    },
    toView,
  );
  return toView(row);
}

/** The totals per group as the lists show them. */
export function summaryOf(plan: SessionPlan): SessionRow['groups'] {
  return plan.groups.map((group) => {
    const { metres, load } = groupTotals(group, plan.pool);
    return { name: group.name, level: group.level, metres, load };
  });
}

function toView(record: TrainingSessionRecord): SessionView {
  const { id, version, title, date, startTime, squadIds, plan } = record;
  return { id, version, title, date, startTime, squadIds, plan };
}

interface ComerRow {
  level: LevelId;
  model: Comer['model'];
  best_times: Comer['bestTimes'];
  health_flags: Comer['healthFlags'];
  focus: Comer['focus'];
}

interface PastRow {
  days_ago: number;
  squad_ids: string[];
  plan: SessionPlan;
  summary: SessionRow['groups'];
}

/** Weeks of records that shape a new session. */
const MEMORY_DAYS = 42;

/** What the people of some squads bring to a session on a day. No squads means all one may see. */
export async function proposeSession(em: EntityManager, { squadIds, date }: ProposalQuery): Promise<SessionProposal> {
  const squads = squadIds.length > 0 ? 'and s.squad_id in (?)' : '';
  const rows = await em.execute<ComerRow[]>(
    `select s.level, s.stroke_model as model, s.best_times, s.health_flags,
       (select f.cause from focus f where f.swimmer_id = s.id and f.closed_at is null order by f.since desc limit 1) as focus
     from swimmer s where not s.archived ${squads} limit 500`,
    squadIds.length > 0 ? [squadIds] : [],
    'all',
  );
  const comers = rows.map(({ best_times, health_flags, ...row }): Comer => ({
    ...row,
    bestTimes: best_times,
    healthFlags: health_flags,
  }));
  const history = await levelHistory(em, squadIds, date);
  return {
    groups: proposeGroups(comers, history),
    themes: proposeThemes(comers),
    swimmers: comers.length,
    kit: await clubKit(em),
  };
}

async function levelHistory(
  em: EntityManager,
  squadIds: readonly string[],
  date: string,
): Promise<Partial<Record<LevelId, LevelHistory>>> {
  const squads = squadIds.length > 0 ? 'and squad_ids && array[?]::uuid[]' : '';
  const past = await em.execute<PastRow[]>(
    `select ?::date - date as days_ago, squad_ids, plan, summary from training_session
     where date < ?::date and date >= ?::date - ${MEMORY_DAYS} ${squads} order by date desc limit 100`,
    [date, date, date, ...(squadIds.length > 0 ? [squadIds] : [])],
    'all',
  );
  const drills = new Map<LevelId, Set<DrillId>>();
  const loads = new Map<LevelId, Map<string, PastLoad[]>>();
  for (const { days_ago: daysAgo, squad_ids, plan, summary } of past) {
    plan.groups.forEach((group, i) => {
      const known = entry(drills, group.level, () => new Set<DrillId>());
      for (const { set } of group.blocks.flatMap((block) => setsOf(block.items))) if (set.drill) known.add(set.drill);
      const bySquad = entry(loads, group.level, () => new Map<string, PastLoad[]>());
      for (const squad of squad_ids) entry(bySquad, squad, () => []).push({ daysAgo, load: summary[i]!.load });
    });
  }
  return Object.fromEntries(
    [...drills].map(([level, known]) => [
      level,
      { knownDrills: [...known], loadsBySquad: [...loads.get(level)!.values()] },
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
  const [club] = await em.execute<{ kit: string[] | null }[]>(`select settings->'kit' as kit from club`, [], 'all');
  return KIT_IDS.filter((item) => club?.kit?.includes(item) ?? true);
}
