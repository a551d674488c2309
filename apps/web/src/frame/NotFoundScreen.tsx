import { Screen } from '@/ui/Screen';
import { Empty } from '@/ui/States';
import { WayOn } from '@/ui/WayOn';

/** An address that leads nowhere: a mistyped one, or one from before a page moved. */
export function NotFoundScreen() {
  return (
    <Screen title="No such page">
      <Empty title="There is nothing at this address" action={<WayOn to="/" label="Go to the start" />}>
        It may have been mistyped, or the page has moved. Nothing you have entered is lost.
      </Empty>
    </Screen>
  );
}
