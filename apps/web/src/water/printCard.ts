import type { Problem } from '@upwell/contract/common';
import type { RaceCard } from '@upwell/core/water';
import { saveFile } from '@/ui/saveFile';

/**
 * The card as a page of A6, saved on this device.
 *
 * @returns null, or a sentence that says why it could not be made
 */
export async function printCard(card: RaceCard): Promise<string | null> {
  let response: Response;
  try {
    response = await fetch('/api/v1/race-cards/pdf', {
      method: 'POST',
      credentials: 'same-origin',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(card),
    });
  } catch {
    return 'No connection to the server: printing needs it. The card on this page can still be read.';
  }
  if (!response.ok) {
    const problem = (await response.json().catch(() => ({}))) as Partial<Problem>;
    return problem.detail ?? 'The card could not be printed.';
  }
  saveFile('race-card.pdf', 'application/pdf', await response.blob());
  return null;
}
