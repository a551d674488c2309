import { Slot, useRouter, type Href } from 'expo-router';
import { useEffect } from 'react';
import { useMeQuery } from '@/account';
import { Shell } from '@/frame';
import { Failure, Loading } from '@/ui/States';

/** Everything behind the sign-in. */
export default function ClubLayout() {
  const { data: me, error, isLoading, refetch } = useMeQuery();
  if (isLoading) return <Loading label="Opening Upwell" />;
  if (me === null) return <ToSignIn />;
  if (!me) return error ? <Failure error={error} retry={() => void refetch()} /> : <Loading />;
  return (
    <Shell club={me.clubName} role={me.role}>
      <Slot />
    </Shell>
  );
}

/** Leads to the sign-in and remembers where the work was. */
function ToSignIn() {
  const router = useRouter();
  useEffect(() => {
    router.replace(`/sign-in?to=${encodeURIComponent(window.location.pathname)}` as Href);
  }, [router]);
  return <Loading label="Opening the sign-in" />;
}
