import { dayIn } from '@upwell/core/days';
import { archiveSchema, MOST_ARCHIVE_BYTES } from '@upwell/contract/archive';
import type { FastifyInstance, FastifyReply } from 'fastify';
import type { Database } from '../platform/database';
import { asMe, HEAD, whoAsks } from '../platform/identity';
import { ProblemError } from '../platform/problem';
import { workFor } from '../work';
import { AccountEntity } from '../account/entities';
import { all } from '../platform/statement';
import { ERASED } from './sql';
import { shows } from '../swimmers';
import { archiveText, everybody, takeArchive } from './service';
import { forget, linesOf, readOnce, spool, spoolFile } from '../platform/spool';

/** A large archive over a slow line. */
const LONGEST_MS = 10 * 60_000;

/** The club as one file, out and in. Files are streamed by the disk, one at a time. */
export async function archiveRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  let busy = false;
  /** Takes the one place there is, once it is known who asks, until the answer is sent or nobody waits for it any more. */
  const takeTurn = async (_request: unknown, reply: FastifyReply): Promise<void> => {
    if (busy)
      throw new ProblemError(
        429,
        'An archive is already on its way, and only one is handled at a time. Try again in a minute.',
      );
    busy = true;
    reply.raw.once('close', () => (busy = false));
  };

  app.get(
    '/archive',
    {
      config: HEAD,
      preParsing: takeTurn,
      schema: { summary: 'Everything the club keeps, as one file (head coach)' },
    },
    async (request, reply) => {
      const me = whoAsks(request);
      const file = spoolFile();
      await asMe(database, me, async (em) => {
        shows(request, await everybody(em));
        await spool(archiveText(em, me), file, Infinity);
      });
      const day = dayIn(me.timeZone, Date.now());
      return reply
        .type('application/json; charset=utf-8')
        .header('content-disposition', `attachment; filename="upwell-club-${day}.json"`)
        .header('cache-control', 'no-store')
        .send(readOnce(file));
    },
  );

  await app.register(async (taking) => {
    // Straight to the disk: nothing of it is held in memory here.
    taking.removeContentTypeParser('application/json');
    taking.addContentTypeParser('application/json', async (_request: unknown, body: NodeJS.ReadableStream) => {
      const file = spoolFile();
      await spool(body, file, MOST_ARCHIVE_BYTES);
      return file;
    });
    // Checked where it is read, row by row.
    taking.setValidatorCompiler(() => () => true);

    taking.post<{ Body: string }>(
      '/archive',
      {
        bodyLimit: MOST_ARCHIVE_BYTES,
        config: { ...HEAD, bodyMs: LONGEST_MS },
        preParsing: takeTurn,
        schema: {
          body: archiveSchema,
          summary: 'Take in an archive: adds what is missing, changes nothing (head coach)',
        },
      },
      async (request) => {
        const me = whoAsks(request);
        const work = workFor(request);
        const into = spoolFile();
        try {
          const { accounts, erased } = await asMe(database, me, async (em) => ({
            accounts: await em.find(AccountEntity, {}, { fields: ['id'] }),
            erased: await all(em, ERASED),
          }));
          const read = await work('read-archive', {
            file: request.body,
            into,
            clubId: me.clubId,
            me: me.accountId,
            accounts: accounts.map(({ id }) => id),
            erased: erased.map(({ id }) => id),
          });
          return await asMe(database, me, (em) => takeArchive(em, work, me, read, linesOf(into)));
        } finally {
          await Promise.all([forget(request.body), forget(into)]);
        }
      },
    );
  });
}
