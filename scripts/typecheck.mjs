// Type-checks every part, or those that are named; two at a time would fight for memory on a small machine. What was
// found is kept in .cache/types, so that the next time only what changed is looked at.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { ROOT } from './lib/steps.mjs';

const PARTS = ['packages/core', 'packages/contract', 'apps/server', 'apps/web', 'e2e', 'bench'];
const asked = process.argv.slice(2);
const tsc = path.join(ROOT, 'node_modules', 'typescript', 'bin', 'tsc');
let failed = 0;
for (const part of PARTS.filter((name) => asked.length === 0 || asked.includes(name))) {
  const kept = path.join(ROOT, '.cache', 'types', `${part.replace('/', '-')}.tsbuildinfo`);
  const args = ['-p', part, '--pretty', 'false', '--incremental', '--tsBuildInfoFile', kept];
  const { status } = spawnSync(process.execPath, [tsc, ...args], { cwd: ROOT, stdio: 'inherit' });
  if (status !== 0) failed++;
}
process.exitCode = failed;
