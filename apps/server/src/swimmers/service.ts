// How swimmers and squads are listed, shown and stored.
import { plainName } from '@upwell/core/text';
import type { Me } from '@upwell/contract/account';
import type { Page } from '@upwell/contract/common';
import type {
  Coach,
  Squad,
  SquadSave,
  Swimmer,
  SwimmerPage,
  SwimmerQuery,
  SwimmerRow,
  SwimmerSave,
} from '@upwell/contract/swimmers';
import { ageYear, isChild, mayBeFilmed } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { AccountEntity } from '../account/entities';
import type { Database, Identity } from '../platform/database';
import { prepared } from '../platform/prepared';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { all } from '../platform/statement';
import { clipsOf, focusesOf, noStills, reviewsOf, toFocus } from '../review';
import { noSentClips } from '../sent';
import { ResultEntity, SquadCoachEntity, SquadEntity, SwimmerEntity, type SwimmerRecord } from './entities';
import { SQUADS, SWIMMERS_FIRST, SWIMMERS_FOUND, SWIMMERS_NEXT, SWIMMERS_OF_SQUAD } from './sql';

/** One page of swimmers by family name, found by the names that follow the last one shown. */
export async function listSwimmers(database: Database, who: Identity, query: SwimmerQuery): Promise<Page<SwimmerRow>> {
  const limit = query.limit ?? 30;
  const search = plainName(query.search ?? '').replace(/[\\%_]/g, '\\$&');
  const cursor = query.cursor ? readCursor(query.cursor) : null;
  const ofSquad = !search && query.squadId !== undefined;
  const values = [
    who.clubId,
    who.accountId,
    who.role,
    who.swimmerId ?? '',
    `{${who.squadIds.join(',')}}`,
    query.archived ?? false,
    ...(ofSquad ? [] : [search ? `%${search}%` : null]),
    query.squadId ?? null,
    query.level ?? null,
    limit + 1,
    ...(cursor ?? (search || ofSquad ? [null, null, null] : [])),
  ];
  const asked = search ? SWIMMERS_FOUND : ofSquad ? SWIMMERS_OF_SQUAD : cursor ? SWIMMERS_NEXT : SWIMMERS_FIRST;
  const rows = await prepared(database.em, asked, values);
  const shown = rows.slice(0, limit);
  const year = ageYear();
  const last = rows.length > limit ? shown[shown.length - 1] : undefined;
  return {
    items: shown.map((row) => ({
      id: row.id,
      givenName: row.given_name,
      familyName: row.family_name,
      level: row.level,
      squadId: row.squad_id,
      squadName: row.squad_name,
      child: isChild(row.birth_year, year),
      clipConsent: row.clip_consent,
      archived: row.archived,
      goal: row.goal,
      focus: row.focus && toFocus(row.focus),
    })),
    next: last ? Buffer.from(JSON.stringify([last.family_name, last.given_name, last.id])).toString('base64url') : null,
  };
}

function readCursor(cursor: string): [string, string, string] {
  try {
    const parts: unknown = JSON.parse(Buffer.from(cursor, 'base64url').toString());
    if (Array.isArray(parts) && parts.length === 3 && parts.every((part) => typeof part === 'string')) {
      const [family, given, id] = parts as [string, string, string];
      if (/^[0-9a-f-]{36}$/i.test(id)) return [family, given, id];
    }
  } catch {
    // Not JSON: answered below like any other bad cursor.
  }
  throw new ProblemError(400, 'This page of the list is not known. Start from the top.', {
    fields: [{ field: 'cursor', message: 'This page of the list is not known.' }],
  });
}

/** Everything about one swimmer. */
export async function showSwimmer(em: EntityManager, id: string): Promise<SwimmerPage> {
  const record = await em.findOne(SwimmerEntity, { id });
  if (!record) throw notFound();
  const swimmer = await toSwimmer(em, record);
  const results = await em.find(ResultEntity, { swimmerId: id }, { orderBy: { heldOn: 'desc' }, limit: 100 });
  return {
    ...swimmer,
    focuses: await focusesOf(em, id),
    reviews: await reviewsOf(em, id),
    clips: await clipsOf(em, id),
    results: results.map((r) => ({
      id: r.id,
      on: r.heldOn,
      distanceM: r.distanceM,
      timeS: r.timeS,
      strokesPerLength: r.strokesPerLength ?? null,
    })),
  };
}

export async function saveSwimmer(em: EntityManager, me: Me, id: string, save: SwimmerSave): Promise<Swimmer> {
  const { version: _version, writeId: _writeId, ...fields } = save;
  const squad = await em.findOne(SquadEntity, { id: save.squadId });
  if (!squad) {
    throw new ProblemError(400, 'Choose a squad that is yours.', {
      fields: [{ field: 'squadId', message: 'Choose a squad that is yours.' }],
    });
  }
  const { row } = await saveVersioned(
    em,
    SwimmerEntity,
    id,
    save,
    { ...fields, clubId: me.clubId, searchName: plainName(`${save.givenName} ${save.familyName}`) },
    (stored) => bare(stored, ''),
  );
  const child = isChild(row.birthYear ?? null, ageYear());
  if (!mayBeFilmed({ child, clipConsent: row.clipConsent })) {
    await noStills(em, id);
    await noSentClips(em, id);
  }
  return toSwimmer(em, row);
}

async function toSwimmer(em: EntityManager, record: SwimmerRecord): Promise<Swimmer> {
  const squad = await em.findOneOrFail(SquadEntity, { id: record.squadId });
  return bare(record, squad.name);
}

function bare(record: SwimmerRecord, squadName: string): Swimmer {
  return {
    id: record.id,
    version: record.version,
    squadId: record.squadId,
    squadName,
    givenName: record.givenName,
    familyName: record.familyName,
    level: record.level,
    birthYear: record.birthYear ?? null,
    child: isChild(record.birthYear ?? null, ageYear()),
    strokeModel: record.strokeModel,
    breathingSide: record.breathingSide,
    healthFlags: record.healthFlags,
    healthConsent: record.healthConsent,
    clipConsent: record.clipConsent,
    kit: record.kit,
    ladderSteps: record.ladderSteps,
    ladderLog: record.ladderLog,
    goal: record.goal ?? null,
    bestTimes: record.bestTimes,
    strokeTimes: record.strokeTimes,
    archived: record.archived,
  };
}

export async function listSquads(em: EntityManager): Promise<Squad[]> {
  const rows = await all(em, SQUADS);
  return rows.map(({ coach_ids, pool_times, ...row }) => ({
    ...row,
    coachIds: coach_ids ?? [],
    poolTimes: pool_times,
  }));
}

export async function saveSquad(em: EntityManager, me: Me, id: string, save: SquadSave): Promise<Squad> {
  const coaches = await em.count(AccountEntity, {
    id: { $in: [...save.coachIds] },
    role: { $ne: 'swimmer' },
    disabled: false,
  });
  if (coaches !== save.coachIds.length) throw new ProblemError(400, 'One of these coaches is not in your club.');
  const { row, repeated } = await saveVersioned(
    em,
    SquadEntity,
    id,
    save,
    { name: save.name, archived: save.archived, poolTimes: save.poolTimes, clubId: me.clubId },
    (stored) => stored,
  );
  if (!repeated) {
    await em.nativeDelete(SquadCoachEntity, { squadId: id });
    await em.insertMany(
      SquadCoachEntity,
      save.coachIds.map((accountId) => ({ squadId: id, accountId, clubId: me.clubId })),
    );
  }
  const swimmers = await em.count(SwimmerEntity, { squadId: id, archived: false });
  const { version, name, archived, poolTimes } = row;
  return { id, version, name, archived, poolTimes, swimmers, coachIds: [...save.coachIds] };
}

export async function listCoaches(em: EntityManager): Promise<Coach[]> {
  const accounts = await em.find(
    AccountEntity,
    { role: { $ne: 'swimmer' }, disabled: false },
    { orderBy: { name: 'asc' }, limit: 200 },
  );
  return accounts.map(({ id, name }) => ({ id, name }));
}

/** A swimmer's whole name. @throws a 404 when one may not see them */
export async function swimmerName(em: EntityManager, id: string): Promise<string> {
  const swimmer = await em.findOne(SwimmerEntity, { id });
  if (!swimmer) throw notFound();
  return `${swimmer.givenName} ${swimmer.familyName}`;
}
