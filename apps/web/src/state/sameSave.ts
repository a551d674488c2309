// Ids for something new that follow from what it holds.
import { v5 } from 'uuid';

/**
 * The ids of a first save. Sent again, after its answer was lost or the app was closed before it came, it is the same
 * one; with anything changed it is another, and neither takes the place of the other.
 *
 * @param draftId id of the draft that it comes from
 * @param content everything that is saved
 */
export function sameSave(draftId: string, content: unknown): { readonly id: string; readonly writeId: string } {
  const id = v5(JSON.stringify(content), draftId);
  return { id, writeId: v5('first save', id) };
}
