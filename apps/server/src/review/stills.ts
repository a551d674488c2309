import type { ClipStill, ClipStills, StillsSave, ThenAndNow } from '@upwell/contract/clips';
import type { EntityManager } from '@mikro-orm/postgresql';
import { imageSize } from 'image-size';
import { notFound, ProblemError } from '../platform/problem';
import { all, first, run } from '../platform/statement';
import { SwimmerEntity } from '../swimmers/entities';
import { mayClip } from './clips';
import { NO_STILLS, PUT_STILLS, STILLS_OF_CLIP, THEN_AND_NOW } from './sql';

/** The stills of one clip. */
export async function stillsOf(
  em: EntityManager,
  clipId: string,
): Promise<ClipStills & { readonly swimmerId: string }> {
  const row = await first(em, STILLS_OF_CLIP, [clipId]);
  if (!row) throw notFound();
  return row;
}

/** Puts stills of a clip in the hand-out, in the place of those before. */
export async function putStills(em: EntityManager, clipId: string, { stills }: StillsSave) {
  const { swimmerId } = await stillsOf(em, clipId);
  await mayClip(em, swimmerId);
  stills.forEach(checkStill);
  const kept = JSON.stringify(stills);
  await run(em, PUT_STILLS, [kept, kept, clipId]);
  return stillsOf(em, clipId);
}

/** Takes the consent back: the stills are gone, from every hand-out too. */
export async function takeBackStills(em: EntityManager, clipId: string): Promise<void> {
  await stillsOf(em, clipId);
  await run(em, PUT_STILLS, ['[]', '[]', clipId]);
}

/** Takes back all stills of a swimmer who may not be filmed any more. */
export async function noStills(em: EntityManager, swimmerId: string): Promise<void> {
  await run(em, NO_STILLS, [swimmerId]);
}

/** The first and the last still of a swimmer. */
export async function thenAndNow(em: EntityManager, swimmerId: string): Promise<ThenAndNow> {
  if ((await em.count(SwimmerEntity, { id: swimmerId })) === 0) throw notFound();
  const [then, now] = (await all(em, THEN_AND_NOW, [swimmerId, swimmerId])).map(({ still }) => still);
  return then && now ? { then, now } : { then: null, now: then ?? null };
}

/** A still is the JPEG that it says it is: nothing else is handed to those who open a hand-out. */
function checkStill({ image, width, height }: ClipStill): void {
  const wrong = () => new ProblemError(422, 'A still is a JPEG of the size that is given with it.');
  const bytes = Buffer.from(image, 'base64');
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) throw wrong();
  let found: ReturnType<typeof imageSize>;
  try {
    found = imageSize(bytes);
  } catch {
    throw wrong();
  }
  if (found.type !== 'jpg' || found.width !== width || found.height !== height) throw wrong();
}
