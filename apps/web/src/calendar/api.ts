// What the server is asked about calendar addresses.
import type { CalendarLink, CalendarLinkSave } from '@upwell/contract/sessions';
import { api } from '@/api/api';

const endpoints = api.injectEndpoints({
  endpoints: (build) => ({
    calendarLinks: build.query<CalendarLink[], void>({ query: () => '/calendar-links', providesTags: ['Link'] }),
    makeCalendarLink: build.mutation<CalendarLink, { id: string; body: CalendarLinkSave }>({
      query: ({ id, body }) => ({ url: `/calendar-links/${id}`, method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Link']),
    }),
    revokeCalendarLink: build.mutation<CalendarLink, string>({
      query: (id) => ({ url: `/calendar-links/${id}/revoke`, method: 'POST' }),
      invalidatesTags: (_result, error) => (error ? [] : ['Link']),
    }),
  }),
});

export const { useCalendarLinksQuery, useMakeCalendarLinkMutation, useRevokeCalendarLinkMutation } = endpoints;
