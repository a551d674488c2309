// Asks a worker thread for heavy work, and gives up when nobody waits for it any more.
import type { FastifyRequest } from 'fastify';
import type { ServerResponse } from 'node:http';
import type { Asker, RunWork, Work } from './pool';

declare module 'fastify' {
  interface FastifyInstance {
    work: Work;
  }
  interface FastifyRequest {
    /** Where the answer goes; it closes when it is sent, or when nobody waits for it any more. */
    answer: ServerResponse | null;
  }
}

/** Work in the name of somebody. */
export const boundTo =
  (work: Work, asker: Asker): RunWork =>
  (task, input) =>
    work.run(task, input, asker);

/** Work for a request: in turn with everybody else's, and given up when the one who asked has gone. */
export function workFor(request: FastifyRequest): RunWork {
  const gone = new AbortController();
  request.answer?.once('close', () => gone.abort());
  const { me, ip, shelves, server } = request;
  return boundTo(server.work, { owner: me?.accountId ?? ip, signal: gone.signal, shelves });
}
