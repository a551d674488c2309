import { setupCode } from './account/setup';
import { readConfig } from './platform/config';
import { connectAsOwner, inTurn, migrate } from './platform/database';

/** `npm run club -- code`: prints the one-time code of a server without a club. */
async function main(asked: string | undefined): Promise<string> {
  if (asked !== 'code') return 'npm run club -- code   prints the code with which the first club is begun';
  const config = readConfig(process.env);
  const owner = await connectAsOwner(config);
  try {
    await inTurn(owner, () => migrate(owner, config));
    const code = await setupCode(owner);
    return code ?? 'There is a club here: it has been begun.';
  } finally {
    await owner.close();
  }
}

main(process.argv[2])
  .then((said) => console.log(said))
  .catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 1;
  });
