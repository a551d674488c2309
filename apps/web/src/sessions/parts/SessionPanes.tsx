// Two views of a session that ask for something first: its text is read, its people are asked for.
import type { SessionPerson } from '@upwell/contract/sessions';
import { useMemo } from 'react';
import type { ApiError } from '@/api/problem';
import { Failure, Loading } from '@/ui/States';
import { type SessionDraft, withFields, withPlan } from '../draft';
import { useText } from '../useText';
import { LanesPane, type LanesPaneProps } from './LanesPane';
import { TextPane } from './TextPane';

/** The session as text; what is typed becomes the plan, with the title and the hour it names. */
export function SessionText({
  id,
  draft,
  setDraft,
}: {
  readonly id: string;
  readonly draft: SessionDraft;
  readonly setDraft: (change: (now: SessionDraft) => SessionDraft) => void;
}) {
  const { title, date, startTime, plan } = draft.fields;
  const document = useMemo(() => ({ title, date, startTime, plan }), [title, date, startTime, plan]);
  const { text, setText, read, reading } = useText(`session-text:${id}`, document, ({ document: said }) =>
    setDraft((now) => {
      const { fields } = now;
      const named = {
        title: said.title || fields.title,
        date: said.date ?? fields.date,
        startTime: said.startTime ?? fields.startTime,
      };
      return withFields(withPlan(now, said.plan), named);
    }),
  );
  return <TextPane text={text} read={read} reading={reading} onText={setText} />;
}

/** Who swims in which lane, once it is known who could come. */
export function SessionLanes({
  asked: { data, error, isFetching, refetch },
  ...rest
}: Omit<LanesPaneProps, 'people' | 'asking'> & {
  readonly asked: {
    readonly data?: readonly SessionPerson[] | undefined;
    readonly error?: ApiError | undefined;
    readonly isFetching: boolean;
    readonly refetch: () => unknown;
  };
}) {
  if (data) return <LanesPane people={data} asking={isFetching} {...rest} />;
  return error ? <Failure error={error} retry={() => void refetch()} /> : <Loading label="Checking who is coming" />;
}
