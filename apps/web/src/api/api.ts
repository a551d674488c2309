import {
  createApi,
  fetchBaseQuery,
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';

const fetchJson = fetchBaseQuery({ baseUrl: '/api/v1', timeout: 20_000, credentials: 'same-origin' });

/** A sign-in that ran out is noticed at any call: who is signed in is asked again, and the frame shows the sign-in. */
const fetchSignedIn: BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError> = async (args, store, extra) => {
  const result = await fetchJson(args, store, extra);
  const signingIn = typeof args !== 'string' && args.url === '/account/sign-in';
  if (result.error?.status === 401 && !signingIn) store.dispatch(api.util.invalidateTags(['Me']));
  return result;
};

/** The one door to the server; each domain adds its endpoints. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchSignedIn,
  tagTypes: ['Me', 'Swimmer', 'Squad', 'Session', 'Deck', 'Outcome', 'Clip', 'Eye', 'Link', 'Club'],
  refetchOnReconnect: true,
  endpoints: () => ({}),
});
