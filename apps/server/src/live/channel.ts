// One connection of this process on which PostgreSQL tells what changed.
import type { Here } from '@upwell/contract/live';
import type { FastifyBaseLogger } from 'fastify';
import { Client } from 'pg';

/** What processes tell one another, and triggers tell them all. */
export type Told =
  | { readonly kind: 'session'; readonly id: string; readonly version: number | null }
  | { readonly kind: 'run'; readonly id: string }
  /** Who has a session open at another process. */
  | { readonly kind: 'here'; readonly id: string; readonly process: string; readonly here: readonly Here[] };

const CHANNEL = 'upwell_live';
/** How long a connection that broke waits before each new try, milliseconds; then always the last. */
const WAITS = [100, 500, 2000, 5000];

interface Ears {
  readonly onTold: (told: Told) => void;
  /** It listens again: something may have been missed. */
  readonly onAgain: () => void;
  readonly log: FastifyBaseLogger;
}

/** Listens from the first {@link listen} on, and again whenever the connection breaks, until it is closed. */
export class Channel {
  private client: Client | null = null;
  private opening: Promise<void> | null = null;
  private timer: NodeJS.Timeout | undefined;
  private failures = 0;
  private closed = false;

  constructor(
    private readonly url: string,
    private readonly ears: Ears,
  ) {}

  /** Resolves once it listens. @throws when the database cannot be reached */
  async listen(): Promise<void> {
    if (this.closed) return;
    this.opening ??= this.connect();
    await this.opening;
  }

  async close(): Promise<void> {
    this.closed = true;
    clearTimeout(this.timer);
    await this.opening?.catch(() => undefined);
    await this.client?.end();
  }

  private async connect(): Promise<void> {
    const client = new Client({ connectionString: this.url, keepAlive: true, application_name: 'upwell live' });
    client.on('notification', ({ payload }) => this.ears.onTold(JSON.parse(payload ?? '{}') as Told));
    let lost = false;
    const onLost = (error?: Error) => {
      if (lost || this.closed) return;
      lost = true;
      this.ears.log.warn({ reason: error?.message ?? 'ended' }, 'the connection for live changes broke');
      this.client = null;
      this.again();
    };
    client.on('error', onLost);
    client.on('end', () => onLost());
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
    } catch (error) {
      lost = true;
      this.opening = null;
      await client.end().catch(() => undefined);
      throw error;
    }
    this.client = client;
    this.failures = 0;
  }

  private again(): void {
    const wait = WAITS[Math.min(this.failures++, WAITS.length - 1)]!;
    this.timer = setTimeout(() => {
      this.opening = this.connect();
      this.opening.then(this.ears.onAgain, () => this.again());
    }, wait).unref();
  }
}
