// What others change of a session, told while one has it open.
import { liveQuerySchema, type LiveEvents, type LiveNow } from '@upwell/contract/live';
import type { OutgoingHttpHeaders } from 'node:http';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import type { Config } from '../platform/config';
import type { Database } from '../platform/database';
import { asMe, COACH, signedInStill, whoAsks, type SignedIn } from '../platform/identity';
import { idParams } from '../platform/params';
import { notFound, ProblemError } from '../platform/problem';
import { all, first } from '../platform/statement';
import { Channel } from './channel';
import { Rooms, type Listener } from './rooms';
import { TELL, VERSION } from './sql';

/** Streams that one account may hold open: many tabs on some devices. */
const MOST_OF_ACCOUNT = 24;
/** Bytes that may wait for a device that does not read. */
const MOST_UNREAD = 64 * 1024;

type Asked = FastifyRequest<{ Params: { id: string }; Querystring: { device: string } }>;

export async function liveRoutes(
  app: FastifyInstance,
  { database, config }: { database: Database; config: Config },
): Promise<void> {
  const rooms = new Rooms((told) => {
    all(database.em.fork(), TELL, [JSON.stringify(told)]).catch((error: Error) =>
      app.log.warn({ reason: error.message }, 'who is here was not told to the other processes'),
    );
  });
  const versionOf = (me: SignedIn, id: string) => asMe(database, me, (em) => first(em, VERSION, [id]));
  const channel = new Channel(config.appUrl, {
    onTold: (told) => rooms.told(told),
    // What was missed meanwhile is asked for: no version is the one that anybody has.
    onAgain: () => {
      for (const [, listener] of rooms.all()) {
        listener.send('session', { version: -1 });
        listener.send('run', {});
      }
      rooms.remind();
    },
    log: app.log,
  });

  /** Streams of people who have signed out, or may not see the session now, end; the others show that they live. */
  const checks = new Map<Listener, () => Promise<boolean>>();
  const beat = setInterval(() => {
    for (const [listener, mayHear] of checks) {
      listener.beat();
      void mayHear().then((may) => (may ? undefined : listener.end()));
    }
    rooms.remind();
  }, config.limits.beatMs).unref();
  let leaving = false;
  app.addHook('preClose', async () => {
    leaving = true;
    clearInterval(beat);
    for (const [, listener] of rooms.all()) listener.end();
    await channel.close();
  });

  app.get<{ Params: { id: string }; Querystring: { device: string } }>(
    '/sessions/:id/live',
    {
      config: COACH,
      schema: {
        params: idParams,
        querystring: liveQuerySchema,
        summary: 'What others change of a session, as server-sent events; who has it open, for those who ask once',
      },
    },
    async (request: Asked, reply): Promise<LiveNow | undefined> => {
      const me = whoAsks(request);
      const { id } = request.params;
      const seen = await versionOf(me, id);
      if (!seen) throw notFound();
      if (!request.headers.accept?.includes('text/event-stream'))
        return { version: seen.version, here: rooms.here(id) };
      if (!rooms.hasRoomFor(me.accountId, MOST_OF_ACCOUNT))
        throw new ProblemError(429, 'This is open in too many places. Close some of them.');
      await channel.listen();
      if (leaving) throw new ProblemError(503, 'The server is being started again. Try again in a moment.');
      const stream = open(reply, me, request.query.device);
      checks.set(stream, async () => {
        const now = await signedInStill(database, request);
        return now !== null && (await versionOf(now, id)) !== null;
      });
      reply.raw.once('close', () => {
        checks.delete(stream);
        rooms.leave(id, stream);
      });
      rooms.join(id, stream);
      // What changed between the look and the joining is told now; so is what a device missed that was away.
      const version = (await versionOf(me, id))?.version ?? null;
      stream.send('session', { version });
      stream.send('run', {});
      return undefined;
    },
  );
}

/** Takes the answer over as a stream of events. */
function open(reply: FastifyReply, { accountId, name }: SignedIn, device: string): Listener {
  reply.hijack();
  const { raw } = reply;
  raw.writeHead(200, {
    ...(reply.getHeaders() as OutgoingHttpHeaders),
    'content-type': 'text/event-stream; charset=utf-8',
    'cache-control': 'no-store',
    // Proxies that collect answers would hold the events back.
    'x-accel-buffering': 'no',
  });
  raw.flushHeaders();
  const write = (text: string) => {
    if (raw.writableEnded || raw.destroyed) return;
    if (raw.writableLength > MOST_UNREAD) raw.destroy();
    else raw.write(text);
  };
  // The browser tries again after a second.
  write('retry: 1000\n\n');
  return {
    ...{ accountId, name, device },
    send: <K extends keyof LiveEvents>(event: K, data: LiveEvents[K]) =>
      write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`),
    beat: () => write(':\n\n'),
    end: () => raw.end(),
  };
}
