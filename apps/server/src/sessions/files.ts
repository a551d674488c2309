// A session as a file: text, JSON, CSV or calendar.
import { sessionFileSchema, type ExportFormat, type SessionFile, type SessionView } from '@upwell/contract/sessions';
import { writeSession, writeSessionCsv, type SessionDocument } from '@upwell/core/notation';
import type { CourseView } from '@upwell/contract/water';
import { placeWord } from '@upwell/core/sessions';
import { CSV_MARK } from '../platform/fileName';
import { jsonSchema } from '../platform/jsonSchema';
import { toCalendar } from './calendar';
import { summaryOf } from './planFacts';

const TYPES: Readonly<Record<ExportFormat, string>> = {
  upwell: 'text/plain; charset=utf-8',
  json: 'application/json; charset=utf-8',
  csv: 'text/csv; charset=utf-8',
  ics: 'text/calendar; charset=utf-8',
};

/** A stored session as a file in one of the open formats. */
export function exportSession(
  session: SessionView,
  format: ExportFormat,
  course: CourseView | null,
): { readonly type: string; readonly body: string } {
  const { title, date, startTime, plan } = session;
  const document: SessionDocument = { title, date, startTime, plan };
  const body = {
    upwell: () => writeSession(document),
    json: () => `${JSON.stringify(toFile(document), null, 2)}\n`,
    csv: () => CSV_MARK + writeSessionCsv(document),
    ics: () =>
      toCalendar(title, [
        {
          ...session,
          ...{ theme: plan.theme, minutes: Math.round(plan.minutes), groups: summaryOf(plan) },
          at: { name: course?.name ?? placeWord(plan), spot: course?.course.start ?? null },
        },
      ]),
  }[format]();
  return { type: TYPES[format], body };
}

export const toFile = ({ title, date, startTime, plan }: SessionDocument): SessionFile => ({
  format: 'upwell-session',
  version: 1,
  title,
  date,
  startTime,
  plan,
});

/** The JSON Schema of a session file, made from the check at the door. */
export function sessionJsonSchema(): Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Upwell session',
    ...jsonSchema(sessionFileSchema),
  };
}
