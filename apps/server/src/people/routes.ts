import type { FastifyInstance } from 'fastify';
import { accountsRoutes } from './accounts';
import { invitationRoutes } from './invitations';
import type { PeopleParts } from './parts';

/** Who comes in, with which rights, and who left. */
export async function peopleRoutes(app: FastifyInstance, parts: PeopleParts): Promise<void> {
  await app.register(invitationRoutes, parts);
  await app.register(accountsRoutes, parts);
}
