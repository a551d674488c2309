import type { SessionFields, SessionSave } from '@upwell/contract/sessions';
import { AS_USUAL } from '@upwell/core/sessions';
import { v7 } from 'uuid';

/** A new session like another one, on another day: nothing of it was swum yet, and nobody is away. */
export function copyOn(date: string, like: SessionFields, more: Partial<SessionFields> = {}): SessionSave {
  const fields = { ...like, done: null, tonight: AS_USUAL, template: false, seriesId: null, ...more };
  return { ...fields, date, version: 0, writeId: v7() };
}
