// Commands for the person who runs the server: the setup code, another club, a new password.
import { randomBytes } from 'node:crypto';
import { parseArgs } from 'node:util';
import { check } from '@upwell/contract/common';
import { Joi } from '@upwell/contract/joi';
import { RESET_HOURS } from '@upwell/contract/people';
import { clubFields, type SetupBegin } from '@upwell/contract/setup';
import { v7 } from 'uuid';
import { AccountEntity } from './account/entities';
import { hashPassword } from './account/password';
import { setupCode } from './account/setup';
import { FORGET_CODE } from './account/sql';
import { keepReset } from './people/accounts';
import { makeLink } from './people/link';
import { readConfig, type Config } from './platform/config';
import { connectAsOwner, inTurn, migrate, type Database } from './platform/database';
import { run } from './platform/statement';
import { ClubEntity } from './swimmers/entities';

const HELP = `npm run club -- code
    prints the code with which the first club is begun
npm run club -- create --club "Kestrel Bay" --zone Europe/Lisbon --name "Ines Moll" --email ines@club.example
    makes one more club on this server, and a link with which its head coach chooses a password
npm run club -- reset ines@club.example
    makes a link for a new password, also for a head coach`;

type Work = (owner: Database, config: Config) => Promise<string>;

const COMMANDS: Readonly<Record<string, (args: readonly string[]) => Work>> = {
  code: () => async (owner) => (await setupCode(owner)) ?? 'There is a club here: it has been begun.',
  create: (args) => (owner, config) => create(owner, config, args),
  reset:
    ([email = '']) =>
    (owner, config) =>
      reset(owner, config, email),
};

/** What the person who runs the server does for its clubs. */
async function main([command = '', ...args]: readonly string[]): Promise<string> {
  const work = COMMANDS[command]?.(args);
  if (!work) return HELP;
  const config = readConfig(process.env);
  const owner = await connectAsOwner(config);
  try {
    await inTurn(owner, () => migrate(owner, config));
    return await work(owner, config);
  } finally {
    await owner.close();
  }
}

type NewClub = Pick<SetupBegin, 'clubName' | 'timeZone' | 'name' | 'email'>;

const SAID: Readonly<Record<keyof NewClub, string>> = {
  ...{ clubName: '--club', timeZone: '--zone', name: '--name', email: '--email' },
};

async function create(owner: Database, config: Config, args: readonly string[]): Promise<string> {
  const text = { type: 'string', default: '' } as const;
  const { values } = parseArgs({ args: [...args], options: { club: text, zone: text, name: text, email: text } });
  const asked = { clubName: values.club, timeZone: values.zone, name: values.name, email: values.email };
  const { value, error } = check(Joi.object<NewClub>(clubFields), asked);
  if (error) throw new Error(error.details.map((d) => `${SAID[d.path[0] as keyof NewClub]}: ${d.message}`).join('\n'));
  const { clubName, timeZone, name, email } = value as NewClub;
  const [clubId, accountId] = [v7(), v7()];
  // Nobody knows this password: the link is how one is chosen.
  const passwordHash = await hashPassword(randomBytes(32).toString('base64url'));
  const link = await owner.em.fork().transactional(async (em) => {
    if (await em.count(AccountEntity, { email })) throw new Error(`Somebody signs in with ${email} already.`);
    await em.insert(ClubEntity, { id: clubId, name: clubName, settings: { timeZone }, writeId: v7() });
    await em.insert(AccountEntity, { id: accountId, clubId, email, name, role: 'head', passwordHash, swimmerId: null });
    // With a club there is nothing to begin.
    await run(em, FORGET_CODE);
    return resetLink(em, config, { id: accountId, clubId });
  });
  return `${clubName} is there. ${name} chooses a password here, within ${RESET_HOURS} hours:\n${link}`;
}

async function reset(owner: Database, config: Config, email: string): Promise<string> {
  return owner.em.fork().transactional(async (em) => {
    const account = await em.findOne(AccountEntity, { email: email.trim().toLowerCase(), disabled: false });
    if (!account) throw new Error(`Nobody signs in with ${email || 'an empty address'}.`);
    return `${account.name} chooses a new password here, within ${RESET_HOURS} hours:\n${await resetLink(em, config, account)}`;
  });
}

async function resetLink(
  em: Parameters<typeof keepReset>[0],
  { publicUrl, port }: Config,
  account: { readonly id: string; readonly clubId: string },
): Promise<string> {
  const { link, hash } = makeLink(publicUrl ?? `http://127.0.0.1:${port}`, 'reset');
  await keepReset(em, hash, account);
  return link;
}

main(process.argv.slice(2))
  .then((said) => console.log(said))
  .catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 1;
  });
