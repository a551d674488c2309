import type { Role } from '@upwell/contract/account';
import type { FastifyInstance } from 'fastify';
import { v7 } from 'uuid';
import { AccountEntity } from '../src/account/entities';
import { hashPassword } from '../src/account/password';
import { createApp } from '../src/platform/app';
import { readConfig, type Config } from '../src/platform/config';
import { backgroundWork } from '../src/platform/background';
import { connect, connectAsOwner, inTurn, migrate, type Database } from '../src/platform/database';
import { prepareJobs, startJobs, type Jobs } from '../src/platform/jobs';
import { startWork, type Work } from '../src/work';
import { ClubEntity, SquadCoachEntity, SquadEntity, SwimmerEntity } from '../src/swimmers/entities';

// The demo club is made with all its inference; on a busy machine that takes its time.
jest.setTimeout(60_000);

export const PASSWORD = 'a long enough password';

/** A server on a real PostgreSQL, reached without a port. */
export class Harness {
  private constructor(
    readonly config: Config,
    readonly owner: Database,
    readonly database: Database,
    readonly jobs: Jobs,
    readonly work: Work,
    readonly app: FastifyInstance,
    private readonly passwordHash: string,
  ) {}

  static async start(): Promise<Harness> {
    if (!process.env.DATABASE_URL) throw new Error('Run these tests with: npm test -- server');
    const config = readConfig(process.env);
    const owner = await connectAsOwner(config);
    await inTurn(owner, async () => {
      await migrate(owner, config);
      await prepareJobs(owner, config);
    });
    const database = await connect(config);
    const work = await startWork();
    const jobs = await startJobs(config, backgroundWork(database, work));
    const app = await createApp({ database, config, jobs, work });
    await app.ready();
    return new Harness(config, owner, database, jobs, work, app, await hashPassword(PASSWORD));
  }

  async stop(): Promise<void> {
    await this.app.close();
    await this.jobs.stop();
    await this.work.stop();
    await this.database.close();
    await this.owner.close();
  }

  /** Work on an empty database of its own, gone afterwards. */
  async inEmptyDatabase(work: (owner: Database, config: Config) => Promise<void>): Promise<void> {
    const name = `own_${v7().replaceAll('-', '')}`;
    const url = new URL(this.config.ownerUrl);
    url.pathname = `/${name}`;
    await this.owner.em.fork().execute(`create database ${name}`);
    const config = readConfig({ ...process.env, DATABASE_URL: url.toString() });
    const owner = await connectAsOwner(config);
    try {
      await work(owner, config);
    } finally {
      await owner.close();
      await this.owner.em.fork().execute(`drop database ${name} with (force)`);
      await this.owner.em.fork().execute(`drop role if exists ${config.appRole.name}`);
    }
  }

  /** Work on a migrated database of its own, gone afterwards. */
  inOwnDatabase(work: (owner: Database, config: Config) => Promise<void>): Promise<void> {
    return this.inEmptyDatabase(async (owner, config) => {
      await migrate(owner, config);
      await work(owner, config);
    });
  }

  /** A club with one squad, a head coach, and a coach in charge of that squad. */
  async club(): Promise<TestClub> {
    const em = this.owner.em.fork();
    const clubId = v7();
    await em.insert(ClubEntity, { id: clubId, name: `Club ${clubId.slice(-6)}`, settings: {}, writeId: v7() });
    const club = new TestClub(this, clubId);
    await club.addAccount('head');
    await club.addAccount('coach');
    await club.addSquad('First', [club.accounts.coach!.id]);
    return club;
  }

  async addAccount(clubId: string, role: Role, swimmerId: string | null): Promise<{ id: string; email: string }> {
    const id = v7();
    const email = `${role}-${id}@club.example`;
    await this.owner.em.fork().insert(AccountEntity, {
      id,
      clubId,
      email,
      name: `${role} ${id.slice(-4)}`,
      role,
      passwordHash: this.passwordHash,
      swimmerId,
    });
    return { id, email };
  }
}

export class TestClub {
  readonly accounts: Partial<Record<Role, { id: string; email: string }>> = {};
  readonly squads: string[] = [];
  private readonly cookies = new Map<Role, string>();

  constructor(
    private readonly harness: Harness,
    readonly id: string,
  ) {}

  async addAccount(role: Role, swimmerId: string | null = null): Promise<void> {
    this.accounts[role] = await this.harness.addAccount(this.id, role, swimmerId);
  }

  async addSquad(name: string, coachIds: readonly string[]): Promise<string> {
    const em = this.harness.owner.em.fork();
    const id = v7();
    await em.insert(SquadEntity, {
      id,
      clubId: this.id,
      name,
      poolTimes: [],
      archived: false,
      version: 1,
      writeId: v7(),
    });
    await em.insertMany(
      SquadCoachEntity,
      coachIds.map((accountId) => ({ squadId: id, accountId, clubId: this.id })),
    );
    this.squads.push(id);
    return id;
  }

  async addSwimmer(squadId = this.squads[0]!, change: Partial<Parameters<typeof fieldsOf>[1]> = {}): Promise<string> {
    const id = v7();
    await this.harness.owner.em.fork().insert(SwimmerEntity, {
      id,
      clubId: this.id,
      searchName: 'ada lindqvale',
      version: 1,
      writeId: v7(),
      ...fieldsOf(squadId, change),
    });
    return id;
  }

  private async signIn(role: Role): Promise<string> {
    const { email } = this.accounts[role]!;
    const signedIn = await this.harness.app.inject({
      method: 'POST',
      url: '/api/v1/account/sign-in',
      payload: { email, password: PASSWORD },
    });
    const cookie = signedIn.cookies[0]!.value;
    this.cookies.set(role, cookie);
    return cookie;
  }

  /** The cookie of the account that signed in with this role before. */
  cookie(role: Role): string {
    return this.cookies.get(role)!;
  }

  /** Signs in and answers a caller that sends the cookie. */
  async as(role: Role) {
    const cookie = this.cookies.get(role) ?? (await this.signIn(role));
    return async (method: 'GET' | 'PUT' | 'POST' | 'DELETE', url: string, payload?: object) => {
      const response = await this.harness.app.inject({
        method,
        url: `/api/v1${url}`,
        cookies: { upwell_session: cookie },
        ...(payload ? { payload } : {}),
      });
      // What a body holds is for each test to say.
      return { status: response.statusCode, body: response.body ? JSON.parse(response.body) : null };
    };
  }
}

/** The fields of a swimmer as the contract has them. */
export function fieldsOf(squadId: string, change: object = {}) {
  return {
    squadId,
    givenName: 'Ada',
    familyName: 'Lindqvale',
    level: 'hold' as const,
    birthYear: 1990 as number | null,
    strokeModel: 'long-line' as const,
    breathingSide: 'right' as const,
    healthFlags: [],
    healthConsent: false,
    clipConsent: false,
    kit: [],
    ladderSteps: {},
    goal: null,
    bestTimes: [{ distanceM: 400, timeS: 380 }],
    archived: false,
    ...change,
  };
}

export interface Route {
  readonly method: 'GET' | 'PUT' | 'POST' | 'DELETE';
  /** As in the OpenAPI document, with its parameters in braces. */
  readonly path: string;
  /** With ids that look right. */
  readonly url: string;
}

/** Every route there is. */
export async function allRoutes({ app }: Harness): Promise<Route[]> {
  const document = await app.inject({ url: '/api/v1/openapi.json' });
  const { paths } = document.json<{ paths: Record<string, Record<string, unknown>> }>();
  return Object.entries(paths).flatMap(([path, methods]) =>
    Object.keys(methods).map((method) => ({
      method: method.toUpperCase() as Route['method'],
      path,
      url: path.replace(/\{token\}/g, 'x'.repeat(43)).replace(/\{\w+\}/g, () => v7()),
    })),
  );
}
