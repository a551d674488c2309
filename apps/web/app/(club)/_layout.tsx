import { Redirect, Slot, usePathname, type Href } from 'expo-router';
import { useMeQuery } from '@/account/api';
import { Shell } from '@/ui/Shell';
import { Failure, Loading } from '@/ui/States';

/** Everything behind the sign-in. */
export default function ClubLayout() {
  const { data: me, error, isLoading, refetch } = useMeQuery();
  const path = usePathname();
  if (isLoading) return <Loading label="Opening Upwell" />;
  if (me === null) return <Redirect href={`/sign-in?to=${encodeURIComponent(path)}` as Href} />;
  if (!me) return error ? <Failure error={error} retry={() => void refetch()} /> : <Loading />;
  return (
    <Shell club={me.clubName} role={me.role}>
      <Slot />
    </Shell>
  );
}
