// Letters: sent when a mail server is configured, otherwise shown as a link to pass on.
import type { FastifyBaseLogger } from 'fastify';
import { createTransport } from 'nodemailer';
import type { Config } from './config';

export interface Letter {
  readonly subject: string;
  readonly text: string;
}

export interface Mail {
  /** Whether the mail server took it; why it did not stands in the log, without the address. */
  send(to: string, letter: Letter): Promise<boolean>;
  close(): void;
}

/** A mail server that does not answer keeps nobody waiting for longer, milliseconds. */
const PATIENCE_MS = 8000;

/** Plain letters through the mail server of `SMTP_URL`; null without one. */
export function createMail({ mail }: Config, log: FastifyBaseLogger): Mail | null {
  if (!mail) return null;
  const transport = createTransport(
    {
      url: mail.url,
      ...{ connectionTimeout: PATIENCE_MS, greetingTimeout: PATIENCE_MS, socketTimeout: PATIENCE_MS },
      // A letter is its text: nothing is fetched and no file is read for it.
      ...{ disableFileAccess: true, disableUrlAccess: true },
    },
    { from: mail.from },
  );
  return {
    async send(to, { subject, text }) {
      try {
        await transport.sendMail({ to: { name: '', address: to }, subject, text });
        return true;
      } catch (error) {
        const { code, responseCode, command } = error as { code?: string; responseCode?: number; command?: string };
        log.error({ code, responseCode, command }, 'a letter did not go out');
        return false;
      }
    },
    close: () => transport.close(),
  };
}
