/** Counts wrong passwords. */
import type { SignIn } from '@upwell/contract/account';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import type { Config } from '../platform/config';
import { ProblemError } from '../platform/problem';
import { counted } from '@upwell/core/words';

const MINUTE_MS = 60_000;
/**
 * Wrong passwords that are taken. A device on which somebody signed in before has its own count for that account,
 * so somebody who guesses at it, from the same pool network or from anywhere, does not lock its owner out.
 */
export const WRONG_TRIES = {
  /** For one account from one address, on devices where it was never signed in. */
  place: { max: 10, timeWindow: 5 * MINUTE_MS },
  /** For one account from everywhere, on such devices. */
  account: { max: 100, timeWindow: 60 * MINUTE_MS },
  /** From one address for all accounts, on such devices: a whole club signs in at one pool. */
  address: { max: 60, timeWindow: 5 * MINUTE_MS },
  /** For one account on one device where it was signed in before. */
  device: { max: 10, timeWindow: 5 * MINUTE_MS },
} as const;

const DEVICE = 'upwell_device';
/** People who share a device. */
const MOST_PEOPLE = 8;
const YEAR_S = 365 * 24 * 3600;

type Count = ReturnType<FastifyInstance['createRateLimit']>;

async function refuseAfter(
  counts: readonly Count[],
  what: string,
  request: FastifyRequest,
  reply: FastifyReply,
): Promise<void> {
  for (const look of counts) {
    const found = await look(request, { increment: false });
    if (found.isAllowed || found.remaining > 0) continue;
    void reply.header('retry-after', String(found.ttlInSeconds));
    const minutes = Math.ceil(found.ttlInSeconds / 60);
    throw new ProblemError(429, `Too many ${what}. Try again in ${counted(minutes, 'minute')}.`);
  }
}

/** Wrong tries at one secret: each of the given kinds is counted by its own key. */
export function countWrong(
  app: FastifyInstance,
  what: string,
  kinds: readonly {
    readonly max: number;
    readonly timeWindow: number;
    readonly key: (request: FastifyRequest) => string;
  }[],
): Pick<Tries, 'refuse' | 'wrong'> {
  const counts = kinds.map(({ max, timeWindow, key }, i) =>
    app.createRateLimit({ max, timeWindow, keyGenerator: (request) => `${what} ${i} ${key(request)}` }),
  );
  return {
    refuse: (request, reply) => refuseAfter(counts, what, request, reply),
    async wrong(request) {
      for (const add of counts) await add(request);
    },
  };
}

export interface Tries {
  /** @throws ProblemError 429 when too many were wrong */
  refuse(request: FastifyRequest, reply: FastifyReply): Promise<void>;
  wrong(request: FastifyRequest): Promise<void>;
  /** Remembers that this device was signed in. */
  right(request: FastifyRequest, reply: FastifyReply): void;
}

const emailOf = (request: FastifyRequest) => (request.body as SignIn).email.toLowerCase();

export function countTries(app: FastifyInstance, { secret, secureCookies }: Config): Tries {
  const markOf = (email: string, id: string) =>
    createHmac('sha256', secret).update(`${id} ${email}`).digest('base64url');
  const marks = (request: FastifyRequest) =>
    (request.cookies[DEVICE] ?? '').slice(0, 1000).split('~').slice(0, MOST_PEOPLE);
  /** The device, when it was signed in to this account before. */
  const deviceOf = (request: FastifyRequest): string | undefined =>
    marks(request).find((mark) => {
      const [id = '', signed = ''] = mark.split('.');
      const right = Buffer.from(markOf(emailOf(request), id));
      const said = Buffer.from(signed);
      return id !== '' && said.length === right.length && timingSafeEqual(said, right);
    });
  const count = (name: keyof typeof WRONG_TRIES, key: (request: FastifyRequest) => string) =>
    app.createRateLimit({ ...WRONG_TRIES[name], keyGenerator: (request) => `${name} ${key(request)}` });
  const known = [count('device', (request) => `${deviceOf(request)}`)];
  const unknown = [
    count('place', (request) => `${request.ip} ${emailOf(request)}`),
    count('account', emailOf),
    count('address', (request) => request.ip),
  ];
  const counts = (request: FastifyRequest) => (deviceOf(request) ? known : unknown);
  return {
    refuse: (request, reply) => refuseAfter(counts(request), 'wrong passwords', request, reply),
    async wrong(request) {
      for (const add of counts(request)) await add(request);
    },
    right(request, reply) {
      if (deviceOf(request)) return;
      const id = randomBytes(12).toString('base64url');
      const mine = `${id}.${markOf(emailOf(request), id)}`;
      void reply.setCookie(DEVICE, [mine, ...marks(request).filter((m) => m !== '')].slice(0, MOST_PEOPLE).join('~'), {
        path: '/api/v1/account',
        httpOnly: true,
        sameSite: 'strict',
        secure: secureCookies,
        maxAge: YEAR_S,
      });
    },
  };
}
