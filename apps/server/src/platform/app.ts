import type { IncomingMessage, ServerResponse } from 'node:http';
import { libraryRoutes } from '../library/routes';
import { liveRoutes } from '../live/routes';
import cookie from '@fastify/cookie';
import compress from '@fastify/compress';
import rateLimit from '@fastify/rate-limit';
import helmet, { type HelmetOptions } from 'helmet';
import Fastify, { type FastifyInstance } from 'fastify';
import { accountRoutes } from '../account/routes';
import { setupRoutes } from '../account/setup';
import { archiveRoutes } from '../archive/routes';
import { computeRoutes } from '../compute/routes';
import { deckRoutes } from '../deck/routes';
import { eyeRoutes } from '../eye/routes';
import { raceRoutes } from '../race/routes';
import { handoutRoutes } from '../handout/routes';
import { listRoutes } from '../lists/routes';
import { peopleRoutes } from '../people/routes';
import { recordRoutes } from '../records/routes';
import { reviewRoutes } from '../review/routes';
import { sentRoutes } from '../sent/routes';
import { sessionRoutes } from '../sessions/routes';
import { looks } from '../swimmers/looks';
import { swimmerRoutes } from '../swimmers/routes';
import { waterCompute } from '../water/compute';
import { waterRoutes } from '../water/routes';
import type { Config } from './config';
import type { Database } from './database';
import type { Work } from '../work';
import { SMALL_BODY } from '../work/bodies';
import { jsonBodies } from '../work/jsonBodies';
import { healthRoutes } from './health';
import { identity } from './identity';
import type { Jobs } from './jobs';
import { leaving } from './leave';
import { bodyTimes, requestLimits } from './limits';
import { createMail } from './mail';
import { openApi } from './openApi';
import { answerError, registerProblems } from './problem';
import { servedBuild, webApp } from './webApp';

/** An archive of a large club over a slow line. */
const LONGEST_REQUEST_MS = 15 * 60_000;

export interface Parts {
  readonly database: Database;
  readonly config: Config;
  readonly jobs: Jobs;
  readonly work: Work;
  /** Where the log goes, one line of JSON each; to standard output when left out. */
  readonly log?: { write(line: string): void };
}

/** The headers that Helmet writes. They are the same in every answer, and asked for once. */
function headersOf(options: HelmetOptions): Readonly<Record<string, string>> {
  const headers: Record<string, string> = {};
  const response = {
    setHeader: (name: string, value: string) => void (headers[name] = value),
    removeHeader: () => undefined,
  };
  helmet(options)({} as IncomingMessage, response as unknown as ServerResponse, (error) => {
    if (error) throw new Error('Helmet refused its options', { cause: error });
  });
  return headers;
}

/** The whole server, not yet listening. Reads as its table of contents. */
export async function createApp({ database, config, jobs, work, log }: Parts): Promise<FastifyInstance> {
  const app = Fastify({
    logger: {
      level: log ? 'info' : (process.env.LOG_LEVEL ?? 'warn'),
      ...(log ? { stream: log } : {}),
      // Addresses hold names that were searched for, and secrets: the route says enough.
      serializers: {
        req: ({ method, routeOptions, ip }) => ({ method, route: routeOptions?.url ?? null, address: ip }),
      },
    },
    bodyLimit: SMALL_BODY,
    trustProxy: config.trustedProxies,
    frameworkErrors: (error, request, reply) => void answerError(error, request, reply),
    // The longest that any request may take to arrive; most have less, see `bodyTimes`.
    requestTimeout: LONGEST_REQUEST_MS,
    http: { headersTimeout: config.limits.bodyMs, connectionsCheckingInterval: 5000 },
  });
  app.decorate('work', work);
  const mail = createMail(config, app.log);
  app.addHook('onClose', async () => mail?.close());
  registerProblems(app);

  const safeHeaders = headersOf({
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        // The libraries of the app write their style sheets into the page as they load; nothing else has styles.
        styleSrc: ["'self'", "'unsafe-inline'"],
        styleSrcAttr: ["'none'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        mediaSrc: ["'self'", 'blob:'],
        workerSrc: ["'self'", 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        upgradeInsecureRequests: null,
      },
    },
    strictTransportSecurity: config.secureCookies,
  });
  app.addHook('onRequest', (_request, reply, done) => {
    void reply.headers(safeHeaders);
    done();
  });
  await app.register(leaving);
  await app.register(compress, { threshold: 1024, globalDecompression: false });
  await app.register(cookie);
  await app.register(rateLimit, { global: false, cache: 50_000 });
  await app.register(identity, { database, config });
  await app.register(bodyTimes, config.limits);
  await app.register(jsonBodies);
  await app.register(openApi);

  await app.register(healthRoutes, { database });
  await app.register(
    async (api) => {
      // An open page of an older build hears that there is a newer one.
      const build = servedBuild(config.webRoot);
      await api.register(requestLimits, config.limits);
      // What is answered here is about people: no cache between here and the device keeps it.
      api.addHook('onSend', (_request, reply, _payload, done) => {
        if (!reply.hasHeader('cache-control')) void reply.header('cache-control', 'no-store');
        if (build) void reply.header('upwell-build', build);
        done();
      });
      await api.register(looks, { database });
      await api.register(accountRoutes, { database, config, prefix: '/account' });
      await api.register(setupRoutes, { database, config });
      await api.register(peopleRoutes, { database, config, mail });
      await api.register(swimmerRoutes, { database, mail: mail !== null });
      await api.register(reviewRoutes, { database });
      await api.register(handoutRoutes, { database });
      await api.register(sentRoutes, { database });
      await api.register(listRoutes, { database });
      await api.register(libraryRoutes, { database });
      await api.register(eyeRoutes, { database, prefix: '/eye' });
      await api.register(sessionRoutes, { database });
      await api.register(deckRoutes, { database, prefix: '/deck' });
      await api.register(liveRoutes, { database, config });
      await api.register(recordRoutes, { database });
      await api.register(archiveRoutes, { database, prefix: '/club' });
      await api.register(waterRoutes, { database });
      await api.register(raceRoutes, { database, jobs });
      await api.register(computeRoutes, { prefix: '/compute' });
      await api.register(waterCompute, { prefix: '/compute' });
    },
    { prefix: '/api/v1' },
  );
  await app.register(webApp, { webRoot: config.webRoot });
  return app;
}
