import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import fastifyStatic from '@fastify/static';
import type { FastifyInstance } from 'fastify';
import { PUBLIC } from './identity';
import { sendProblem } from './problem';

/** Which build of the web app is served, as its pages say it of themselves; null when none is. */
export function servedBuild(webRoot: string | null): string | null {
  const mark = webRoot === null ? null : path.join(webRoot, '.upwell-build');
  return mark !== null && existsSync(mark) ? readFileSync(mark, 'utf8').slice(0, 12) : null;
}

/** Serves the exported web app; every address that is a page answers with its index. */
export async function webApp(app: FastifyInstance, { webRoot }: { webRoot: string | null }): Promise<void> {
  // Pages and their files are for everybody; what they show is asked for with a sign-in.
  app.addHook('onRoute', (route) => {
    route.config = { ...PUBLIC, ...route.config };
  });
  const served = webRoot !== null && existsSync(webRoot);
  if (served) {
    await app.register(fastifyStatic, {
      root: webRoot,
      wildcard: false,
      // Packed as the app was built, where the browser takes it.
      preCompressed: true,
      setHeaders: (reply, path) => {
        // Names of built files carry their hash; the index must always be asked for again.
        const lasting = path.includes('/_expo/') || path.includes('/assets/');
        reply.header('cache-control', lasting ? 'public, max-age=31536000, immutable' : 'no-cache');
        reply.header('vary', 'accept-encoding');
      },
    });
  }
  app.setNotFoundHandler((request, reply) => {
    const page = request.method === 'GET' && (request.headers.accept ?? '').includes('text/html');
    if (served && page && !request.url.startsWith('/api/')) return reply.sendFile('index.html');
    return sendProblem(reply, { status: 404, detail: 'There is nothing at this address.' });
  });
}
