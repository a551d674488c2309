// What went wrong, in words for the person at the screen.
import type { Problem } from '@upwell/contract/common';
import type { FetchBaseQueryError } from '@reduxjs/toolkit/query';
import type { SerializedError } from '@reduxjs/toolkit';

export type ApiError = FetchBaseQueryError | SerializedError;

function problemOf(error: ApiError): Partial<Problem> | null {
  return 'data' in error && typeof error.data === 'object' && error.data !== null ? error.data : null;
}

/** What went wrong, as a sentence that says what to do. */
export function sentence(error: ApiError): string {
  const detail = problemOf(error)?.detail;
  if (detail) return detail;
  if ('status' in error && (error.status === 'FETCH_ERROR' || error.status === 'TIMEOUT_ERROR')) {
    return 'No connection to the server. What you entered is kept here; try again when the network is back.';
  }
  return 'Something went wrong. What you entered is kept here; please try again.';
}

/** Messages by field, as the server named them. */
export function fieldMessages(error: ApiError): Readonly<Record<string, string>> {
  return Object.fromEntries((problemOf(error)?.fields ?? []).map(({ field, message }) => [field, message]));
}

/** What is stored now, when somebody else saved first. */
export function storedNow<T>(error: ApiError): T | null {
  return 'status' in error && error.status === 409 ? ((problemOf(error)?.current as T | undefined) ?? null) : null;
}
