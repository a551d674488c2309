// Builds the web app and the server for `npm run serve`, which needs neither this script nor its tools.
import path from 'node:path';
import { buildWeb, checkNode, fail, installPackages, ROOT, run, step } from './lib/steps.mjs';

async function main() {
  checkNode();
  await step('npm packages', installPackages);
  await step('web app', buildWeb);
  await step('server', buildServer);
}

/** The server as plain JavaScript. */
async function buildServer() {
  await run(process.execPath, ['--import', 'tsx', 'src/build.ts'], { cwd: path.join(ROOT, 'apps/server') });
  return 'apps/server/dist';
}

main().catch(fail);
