// How focuses, reviews and tries are listed, shown and stored.
import type { Me } from '@upwell/contract/account';
import type { FocusSave, FocusView, ReviewSave, ReviewView, TryFields } from '@upwell/contract/review';
import { causeCard, taughtBy, type CauseId } from '@upwell/core/review';
import type { DrillId } from '@upwell/core/library';
import type { EntityManager } from '@mikro-orm/postgresql';
import { lockSwimmers } from '../platform/lock';
import { notFound, ProblemError } from '../platform/problem';
import { saveVersioned } from '../platform/saveVersioned';
import type { RunWork } from '../work';
import { FocusEntity, FocusTryEntity, ReviewEntity, type ReviewRecord } from './entities';
import { all, first, one, run, type RowOf } from '../platform/statement';
import { FOCUSES_DUE, FOCUSES_OF, GIVEN_BY, LEARN, ONE_FOCUS, ONE_REVIEW, OPEN_FOCUSES, REVIEWS_OF } from './sql';

/** How many of the likeliest causes are kept with a review. */
const KEPT = 6;

/** A focus as it is read, in lists without its tries. */
export type FocusRow = RowOf<typeof FOCUSES_DUE> & Partial<RowOf<typeof ONE_FOCUS>>;

export const toFocus = (row: FocusRow): FocusView => ({
  id: row.id,
  swimmerId: row.swimmer_id,
  swimmerName: row.swimmer_name,
  cause: row.cause,
  drill: row.drill,
  cue: row.cue,
  tries: row.tries,
  since: new Date(row.since).toISOString(),
  relookOn: row.relook_on,
  outcome: row.outcome,
  // A list of open ones says nothing of it.
  closedAt: row.closed_at ? new Date(row.closed_at).toISOString() : null,
  reviewId: row.review_id,
  version: row.version,
  saidBack: row.said_back,
  felt: row.felt,
  triesMade: row.tries_made ?? [],
});

/** All focuses of one swimmer, open ones first. */
export async function focusesOf(em: EntityManager, swimmerId: string): Promise<FocusView[]> {
  const rows = await all(em, FOCUSES_OF, [swimmerId]);
  return rows.map(toFocus);
}

/** Open focuses whose second look is due on a day, the oldest first. */
export async function openFocusesDue(em: EntityManager, onDate: string): Promise<FocusView[]> {
  const rows = await all(em, FOCUSES_DUE, [onDate]);
  return rows.map(toFocus);
}

/** The open focus of some swimmers that one may see. */
export async function openFocusesOf(em: EntityManager, swimmerIds: readonly string[]): Promise<FocusView[]> {
  const rows = await all(em, OPEN_FOCUSES, [`{${swimmerIds.join(',')}}`]);
  return rows.map(toFocus);
}

const toReview = (row: RowOf<typeof ONE_REVIEW>): ReviewView => ({
  id: row.id,
  version: row.version,
  swimmerId: row.swimmer_id,
  coachName: row.coach_name,
  lookedAt: new Date(row.looked_at).toISOString(),
  stroke: row.stroke,
  model: row.model,
  level: row.level,
  signs: row.signs,
  measured: row.measured,
  noted: row.noted,
  good: row.good,
  ranking: row.ranking,
  focusCause: row.focus_cause,
});

/** The reviews of one swimmer, the newest first. */
export async function reviewsOf(em: EntityManager, swimmerId: string): Promise<ReviewView[]> {
  const rows = await all(em, REVIEWS_OF, [swimmerId]);
  return rows.map(toReview);
}

export async function showReview(em: EntityManager, id: string): Promise<ReviewView> {
  const row = await first(em, ONE_REVIEW, [id]);
  if (!row) throw notFound();
  return toReview(row);
}

/**
 * Stores a review with its focus in one step. The causes are worked out again here from the signs,
 * so that what is stored is what core says, whatever the screen sent. An older open focus of the
 * swimmer is closed as this look says, and replaced by a new one: one focus at a time.
 */
export async function saveReview(
  em: EntityManager,
  work: RunWork,
  me: Me,
  id: string,
  save: ReviewSave,
): Promise<ReviewView> {
  const { swimmerId, stroke, model, level, signs } = save;
  // One focus at a time: two reviews of a swimmer at once go one after the other.
  if ((await lockSwimmers(em, [swimmerId])).length === 0) {
    throw new ProblemError(404, 'This swimmer is not here, or not yours to see.');
  }
  const { ranking } = await work('infer-causes', { stroke, model, level, signs });
  const { focus } = save;
  if (focus && !ranking.some((r) => r.cause === focus.cause)) {
    throw new ProblemError(400, 'This focus does not belong to the stroke that was reviewed.', {
      fields: [{ field: 'focus.cause', message: 'Choose a focus of this stroke.' }],
    });
  }
  const { row, repeated } = await saveVersioned(
    em,
    ReviewEntity,
    id,
    save,
    {
      clubId: me.clubId,
      coachId: me.accountId,
      swimmerId,
      lookedAt: new Date(save.lookedAt),
      stroke,
      model,
      level,
      signs,
      measured: save.measured,
      noted: save.noted,
      good: save.good,
      ranking: ranking.slice(0, KEPT),
    },
    (stored) => ({ id: stored.id, version: stored.version }),
  );
  if (!repeated) await followUp(em, me, row, save);
  return showReview(em, id);
}

/** Closes the focus that was looked at again, and gives the new one. */
async function followUp(em: EntityManager, me: Me, review: ReviewRecord, save: ReviewSave): Promise<void> {
  const existing = await em.findOne(FocusEntity, { reviewId: review.id });
  if (existing) {
    if (save.focus) em.assign(existing, withoutId(save.focus));
    await em.flush();
    return;
  }
  if (save.relook) await closeFocus(em, review, save.relook);
  if (!save.focus) return;
  const { id, ...fields } = save.focus;
  await em.nativeUpdate(FocusEntity, { swimmerId: review.swimmerId, closedAt: null }, { closedAt: review.lookedAt });
  await em.insert(FocusEntity, {
    id,
    ...fields,
    clubId: me.clubId,
    swimmerId: review.swimmerId,
    reviewId: review.id,
    since: review.lookedAt,
    saidBack: '',
    felt: '',
    version: 1,
    writeId: save.writeId,
  });
}

const withoutId = ({ id: _id, ...fields }: NonNullable<ReviewSave['focus']>) => fields;

/** Closes a focus as a second look judged it. Closed by another look meanwhile, it keeps what that one said. */
async function closeFocus(
  em: EntityManager,
  review: ReviewRecord,
  { focusId, outcome }: NonNullable<ReviewSave['relook']>,
): Promise<void> {
  const focus = await em.findOne(FocusEntity, { id: focusId, swimmerId: review.swimmerId });
  if (!focus) throw new ProblemError(404, 'The focus of this second look is not here, or not yours to see.');
  if (focus.closedAt && focus.outcome !== outcome) {
    const as = focus.outcome === null ? 'replaced by another one' : `closed as “${focus.outcome}”`;
    throw new ProblemError(
      409,
      `This focus was ${as} meanwhile. Your look can still be kept, without closing it again.`,
      {
        current: await showFocus(em, focusId),
      },
    );
  }
  if (focus.closedAt) return;
  em.assign(focus, { outcome, closedAt: review.lookedAt });
  await em.flush();
  const given = await one(em, GIVEN_BY, [focusId]);
  await run(em, LEARN, [JSON.stringify(taughtBy({ ...given, cause: focus.cause, drill: focus.drill, outcome }))]);
}

/** One focus with its tries. */
export async function showFocus(em: EntityManager, id: string): Promise<FocusView> {
  const row = await first(em, ONE_FOCUS, [id]);
  if (!row) throw notFound();
  return toFocus(row);
}

/** Changes the drill of a focus, or what the swimmer said of it. */
export async function saveFocus(em: EntityManager, id: string, save: FocusSave): Promise<FocusView> {
  const { drill, cue, tries, saidBack, felt, relookOn } = save;
  const focus = await em.findOne(FocusEntity, { id });
  if (!focus) throw notFound();
  refuseForeignDrill(focus, drill);
  const now = await showFocus(em, id);
  await saveVersioned(
    em,
    FocusEntity,
    id,
    save,
    {
      ...{ drill, saidBack, felt, relookOn },
      ...(cue === undefined ? {} : { cue }),
      ...(tries === undefined ? {} : { tries }),
    },
    () => now,
  );
  return showFocus(em, id);
}

/** Records one try; the same id again changes nothing. */
export async function addTry(
  em: EntityManager,
  me: Me,
  focusId: string,
  id: string,
  made: TryFields,
): Promise<FocusView> {
  const focus = await em.findOne(FocusEntity, { id: focusId });
  if (!focus) throw notFound();
  refuseForeignDrill(focus, made.drill);
  const existing = await em.findOne(FocusTryEntity, { id });
  if (!existing) {
    await em.insert(FocusTryEntity, {
      id,
      ...made,
      at: new Date(made.at),
      clubId: me.clubId,
      swimmerId: focus.swimmerId,
      focusId,
    });
  }
  return showFocus(em, focusId);
}

/** Takes a try back; taking it back twice changes nothing. */
export async function takeBackTry(em: EntityManager, focusId: string, id: string): Promise<FocusView> {
  const focus = await showFocus(em, focusId);
  await em.nativeDelete(FocusTryEntity, { id, focusId: focus.id });
  return showFocus(em, focusId);
}

/** A drill that the club has hidden since stays where it is worked on. */
function refuseForeignDrill(focus: { readonly cause: CauseId; readonly drill: DrillId }, drill: DrillId): void {
  if (drill === focus.drill || causeCard(focus.cause).answers.includes(drill)) return;
  const message = 'This drill does not answer the focus. Choose one of its drills.';
  throw new ProblemError(400, message, { fields: [{ field: 'drill', message }] });
}
