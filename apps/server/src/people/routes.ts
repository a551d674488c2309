import type { FastifyInstance } from 'fastify';
import type { Config } from '../platform/config';
import type { Database } from '../platform/database';
import type { Mail } from '../platform/mail';
import { accountsRoutes } from './accounts';
import { invitationRoutes } from './invitations';

export interface PeopleParts {
  readonly database: Database;
  readonly config: Config;
  /** Null where this server sends no mail. */
  readonly mail: Mail | null;
}

/** Who comes in, with which rights, and who left. */
export async function peopleRoutes(app: FastifyInstance, parts: PeopleParts): Promise<void> {
  await app.register(invitationRoutes, parts);
  await app.register(accountsRoutes, parts);
}
