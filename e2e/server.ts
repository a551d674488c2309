import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import path from 'node:path';

const ROOT = path.resolve(import.meta.dirname, '..');

/** A port that nobody uses. */
export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const server = createServer();
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(port));
    });
  });
}

/** The real server on its own port, which a journey can stop and start again. */
export class Server {
  private child: ChildProcess | null = null;
  /** The one-time code, while there is no club. */
  code = '';

  constructor(
    readonly port: number,
    /** Another database, another build of the app, without the demo. */
    private readonly env: Readonly<Record<string, string>> = {},
  ) {}

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  start(): Promise<void> {
    if (!process.env.DATABASE_URL) throw new Error('Run the journeys with: npm test -- e2e');
    const child = spawn(process.execPath, ['dist/main.mjs'], {
      cwd: path.join(ROOT, 'apps/server'),
      env: {
        ...process.env,
        HOST: '127.0.0.1',
        PORT: String(this.port),
        WEB_ROOT: path.join(ROOT, 'apps/web/dist'),
        UPWELL_DEMO: '1',
        LOG_LEVEL: 'warn',
        ...this.env,
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.child = child;
    // A measurement that throws ends without stopping what it began.
    const end = () => child.kill('SIGKILL');
    process.once('exit', end);
    child.once('exit', () => process.off('exit', end));
    return new Promise((resolve, reject) => {
      child.stdout.on('data', (data: Buffer) => {
        this.code = /setup code (\S+)/.exec(data.toString())?.[1] ?? this.code;
        if (data.toString().includes('listening on')) resolve();
      });
      child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    });
  }

  async stop(): Promise<void> {
    const child = this.child;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGTERM');
    await gone;
  }

  /** The hard way: no chance to finish anything. */
  async kill(): Promise<void> {
    const child = this.child!;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await gone;
  }
}
