import {
  createApi,
  fetchBaseQuery,
  type BaseQueryApi,
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';
import { isLeaving, tellServer } from './leaving';

/** An endpoint that changes something says what to call it while it waits, and what pages show of it meanwhile. */
export interface Waits {
  readonly label: (body: never) => string;
  /** The answer to expect, made from what was sent; kept pages may be changed to match. */
  readonly shown: (body: never, path: string, about: string) => unknown;
}

/** A request may say whose page it shows on while it waits. */
export interface Args extends FetchArgs {
  readonly about?: string;
  /** What was stored when the change was made: a change that waits can then be put together with those of others. */
  readonly base?: unknown;
}

export interface Extra {
  readonly waits?: Waits;
}

const fetchJson = fetchBaseQuery({ baseUrl: '/api/v1', timeout: 20_000, credentials: 'same-origin' });

type Answer = Awaited<ReturnType<BaseQueryFn<string | Args, unknown, FetchBaseQueryError, Extra>>>;

/** What stands between a screen and the network; set by the part that keeps work on the device. */
export interface Keeper {
  /** A change: safe on the device first, then on its way. */
  change(args: Args, waits: Waits, store: BaseQueryApi): Promise<Answer>;
  /** Whose work is kept on this device now. */
  account(): string;
  /** What the server answered, or what was kept of it; with whose device it was when it was asked. */
  answered(args: string | Args, answer: Answer, store: BaseQueryApi, askedAs: string): Promise<Answer>;
}

let keeper: Keeper | null = null;

export function setKeeper(given: Keeper): void {
  keeper = given;
}

/** Hears which build the server serves, and says whether it is a newer one; set by the part that keeps the app. */
let onBuild: ((build: string | null, store: BaseQueryApi) => boolean) | null = null;

export function setOnBuild(given: typeof onBuild): void {
  onBuild = given;
}

/** A request that a newer server does not understand is explained as that. */
function outdated(error: FetchBaseQueryError): { readonly error: FetchBaseQueryError } {
  const detail = 'The server is newer than this page. Load the new version; what you entered is kept.';
  return { error: { ...error, data: { ...(error.data as object | undefined), detail } } as FetchBaseQueryError };
}

/** A sign-in that ran out is noticed at any call: who is signed in is asked again, and the frame shows the sign-in. */
const fetchSignedIn: BaseQueryFn<string | Args, unknown, FetchBaseQueryError, Extra> = async (args, store, extra) => {
  if (isLeaving() && !(await tellServer())) {
    if (args === '/account/me') return { data: null };
    return { error: { status: 'FETCH_ERROR', error: 'Signed out on this device.' } };
  }
  if (keeper && extra?.waits && typeof args !== 'string') return keeper.change(args, extra.waits, store);
  const askedAs = keeper?.account() ?? '';
  const asked = await fetchJson(args, store, extra ?? {});
  const build = asked.meta?.response?.headers.get('upwell-build') ?? null;
  const older = onBuild?.(build, store) ?? false;
  const result = (older && asked.error?.status === 400 ? outdated(asked.error) : asked) as Answer;
  const signingIn = typeof args !== 'string' && args.url === '/account/sign-in';
  if (result.error?.status === 401 && !signingIn) store.dispatch(api.util.invalidateTags(['Me']));
  return keeper ? keeper.answered(args, result, store, askedAs) : result;
};

/** The one door to the server; each domain adds its endpoints. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchSignedIn,
  tagTypes: [
    'Me',
    'Swimmer',
    'Squad',
    'Session',
    'Deck',
    'Outcome',
    'Clip',
    'Still',
    'Sent',
    'Eye',
    'Link',
    'Club',
    'Records',
    'Course',
    'Reading',
    'Race',
    'SignIn',
    'People',
    'Library',
  ],
  refetchOnReconnect: true,
  endpoints: () => ({}),
});
