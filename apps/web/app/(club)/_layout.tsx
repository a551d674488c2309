import { Slot, useRouter, type Href } from 'expo-router';
import { useEffect } from 'react';
import type { Me } from '@upwell/contract/account';
import { useMeQuery } from '@/account';
import { Shell } from '@/frame';
import { useLibraryQuery } from '@/library';
import { Failure, Loading } from '@/ui/States';

// At the pool the deck is opened on slow phones: its page comes while the account is still asked for.
if (/^\/deck\/[^/]+\/run$/.test(globalThis.location?.pathname ?? '')) void import('./deck/[id]/run');

/** Everything behind the sign-in. */
export default function ClubLayout() {
  const { data: me, error, isLoading, refetch } = useMeQuery();
  if (isLoading) return <Loading label="Opening Upwell" />;
  if (me === null) return <ToSignIn />;
  if (!me) return error ? <Failure error={error} retry={() => void refetch()} /> : <Loading />;
  return <InClub me={me} />;
}

/** The pages of a club, in the words of its own library. */
function InClub({ me }: { readonly me: Me }) {
  // A club that has written nothing of its own has nothing to wait for.
  const own = me.libraryVersion > 0;
  const { data: library, error, refetch } = useLibraryQuery(undefined, { skip: !own });
  // Somebody else has changed it since.
  const old = library !== undefined && library.version < me.libraryVersion;
  useEffect(() => {
    if (old) void refetch();
  }, [old, refetch]);
  // Without a network, and nothing kept of it yet, what is built in has to do.
  if (own && !library && !error) return <Loading label="Opening Upwell" />;
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
