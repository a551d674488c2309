import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';

/** The one door to the server; each domain adds its endpoints. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api/v1', timeout: 20_000, credentials: 'same-origin' }),
  tagTypes: ['Me', 'Swimmer', 'Squad', 'Session', 'Deck'],
  refetchOnReconnect: true,
  endpoints: () => ({}),
});
