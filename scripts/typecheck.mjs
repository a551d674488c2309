// Type-checks every part; two at a time would fight for memory on a small machine.
import { spawnSync } from 'node:child_process';
import { ROOT } from './lib/steps.mjs';

const parts = ['packages/core', 'packages/contract', 'apps/server', 'apps/web', 'e2e', 'bench'];
let failed = 0;
for (const part of parts) {
  const { status } = spawnSync('npx', ['--no-install', 'tsc', '-p', part, '--pretty', 'false'], {
    cwd: ROOT,
    stdio: 'inherit',
  });
  if (status !== 0) failed++;
}
process.exitCode = failed;
