/** Guests who were asked by somebody else, of squads that are not one's own: counted, since nobody here can see them. */
import type { Tonight } from '@upwell/core/sessions';
import { counted } from '@upwell/core/words';
import { Notice } from '@/ui/States';

interface HiddenGuestsProps {
  readonly tonight: Tonight | undefined;
  readonly people: readonly { readonly id: string }[];
}

export function HiddenGuests({ tonight, people }: HiddenGuestsProps) {
  const hidden = tonight?.guests.filter((id) => !people.some((p) => p.id === id)).length ?? 0;
  if (hidden === 0) return null;
  return (
    <Notice tone="error">
      {`${counted(hidden, 'guest is', 'guests are')} of a squad that is not yours, and not in these lanes. Ask the head coach who swims along.`}
    </Notice>
  );
}
