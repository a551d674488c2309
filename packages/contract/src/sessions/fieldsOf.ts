import type { SessionFields, SessionView } from './session';

/** What a save of a session carries: all but what the server adds. */
export const sessionFieldsOf = ({ id: _, version: _v, timeZone: _z, ...fields }: SessionView): SessionFields => fields;
