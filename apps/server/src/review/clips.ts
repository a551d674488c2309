import type { Me } from '@upwell/contract/account';
import type { ClipRow, ClipSave, ClipView } from '@upwell/contract/clips';
import { ageYear, isChild, mayBeFilmed } from '@upwell/core/swimmers';
import type { EntityManager } from '@mikro-orm/postgresql';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import { all } from '../platform/statement';
import { SwimmerEntity } from '../swimmers/entities';
import { ClipEntity, type ClipRecord } from './entities';
import { CLIPS_OF } from './sql';

/** The clips of one swimmer, the newest first, without their taps. */
export async function clipsOf(em: EntityManager, swimmerId: string): Promise<ClipRow[]> {
  return all(em, CLIPS_OF, [swimmerId]);
}

/** What is kept of one clip. */
export async function showClip(em: EntityManager, id: string): Promise<ClipView> {
  const record = await em.findOne(ClipEntity, { id });
  if (!record) throw notFound();
  return toView(record);
}

/** Stores times, lines and notes. Refused for a child whose guardian has not agreed to clips. */
export async function saveClip(em: EntityManager, me: Me, id: string, save: ClipSave): Promise<ClipView> {
  await mayClip(em, save.swimmerId);
  const { version: _version, writeId: _writeId, ...fields } = save;
  const { row } = await saveVersioned(
    em,
    ClipEntity,
    id,
    save,
    { ...fields, clubId: me.clubId, coachId: me.accountId },
    toView,
  );
  return toView(row);
}

export async function deleteClip(em: EntityManager, id: string): Promise<void> {
  if ((await em.nativeDelete(ClipEntity, { id })) === 0) throw notFound();
}

/** Refuses clips of a child whose guardian has not agreed to them. */
export async function mayClip(em: EntityManager, swimmerId: string): Promise<void> {
  const swimmer = await em.findOne(SwimmerEntity, { id: swimmerId });
  if (!swimmer) throw notFound();
  const child = isChild(swimmer.birthYear ?? null, ageYear());
  if (mayBeFilmed({ child, clipConsent: swimmer.clipConsent })) return;
  throw new ProblemError(
    422,
    'This swimmer is under 18, or of unknown age, and the guardian has not agreed to clips. Ask first and note it on the swimmer’s page.',
  );
}

function toView(record: ClipRecord): ClipView {
  const { id, version, swimmerId, title, recordedOn, durationS, aspect, distanceM, taps, lines, notes } = record;
  return {
    id,
    version,
    swimmerId,
    title,
    recordedOn,
    durationS,
    aspect,
    distanceM: distanceM ?? null,
    taps,
    lines,
    notes,
  };
}
