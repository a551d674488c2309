// Type-checks every part; two at a time would fight for memory on a small machine. What was found is kept in
// .cache/types, so that the next time only what changed is looked at. With --quick, of what builds on a change only the
// files that import it.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { ROOT } from './lib/steps.mjs';

const quick = process.argv.includes('--quick');
const kept = path.join(ROOT, '.cache', quick ? 'types-quick' : 'types');
const tsc = path.join(ROOT, 'node_modules', 'typescript', 'bin', 'tsc');
const parts = ['packages/core', 'packages/contract', 'apps/server', 'apps/web', 'e2e', 'bench'];
let failed = 0;
for (const part of parts) {
  const args = ['-p', part, '--pretty', 'false', '--incremental'];
  args.push('--tsBuildInfoFile', path.join(kept, `${part.replace('/', '-')}.tsbuildinfo`));
  if (quick) args.push('--assumeChangesOnlyAffectDirectDependencies');
  const { status } = spawnSync(process.execPath, [tsc, ...args], { cwd: ROOT, stdio: 'inherit' });
  if (status !== 0) failed++;
}
process.exitCode = failed;
