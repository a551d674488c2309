// Builds the web app and the server for `npm run serve`, which needs neither this script nor its tools.
import { buildServer, buildWeb, checkNode, fail, installPackages, step } from './lib/steps.mjs';

async function main() {
  checkNode();
  await step('npm packages', installPackages);
  await step('web app', buildWeb);
  await step('server', buildServer);
}

main().catch(fail);
