import { SMTPServer } from 'smtp-server';
import type { AddressInfo } from 'node:net';
import { createApp } from '../src/platform/app';
import { readConfig } from '../src/platform/config';
import { Harness, type TestClub } from './harness';

/** A mail server on loopback that keeps what it is given. */
class MailStandIn {
  readonly letters: { readonly to: readonly string[]; readonly text: string }[] = [];
  refuses = false;
  private readonly server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    onRcptTo: (_address, _session, done) => done(this.refuses ? new Error('no such mailbox') : null),
    onData: (stream, session, done) => {
      const parts: Buffer[] = [];
      stream.on('data', (part: Buffer) => parts.push(part));
      stream.on('end', () => {
        this.letters.push({
          to: session.envelope.rcptTo.map((r) => r.address),
          text: Buffer.concat(parts).toString().replace(/=\r\n/g, '').replace(/=3D/g, '='),
        });
        done();
      });
    },
  });
  async listen(): Promise<string> {
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve));
    return `smtp://127.0.0.1:${(this.server.server.address() as AddressInfo).port}`;
  }
  close = () => new Promise<void>((resolve) => this.server.close(resolve));
}

let harness: Harness;
let club: TestClub;
let app: Awaited<ReturnType<typeof createApp>>;
const mail = new MailStandIn();
const lines: string[] = [];
beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  await club.as('head');
  const { config, database, jobs, work } = harness;
  const settings = { url: await mail.listen(), from: 'Upwell <upwell@club.example>' };
  app = await createApp({
    ...{ database, jobs, work, log: { write: (line: string) => void lines.push(line) } },
    config: { ...config, mail: settings, publicUrl: 'https://swim.club.example' },
  });
});
afterAll(async () => {
  await app.close();
  await mail.close();
  await harness.stop();
});

const post = async (url: string, payload: object = {}) =>
  (
    await app.inject({
      ...{ method: 'POST', url: `/api/v1${url}`, payload },
      cookies: { upwell_session: club.cookie('head') },
    })
  ).json<{ link: string; mailed: boolean | null }>();

it('sends an invitation to its address, with the link and who it is from', async () => {
  const { link, mailed } = await post('/invitations', { role: 'coach', email: 'odile@club.example' });
  expect(mailed).toBe(true);
  expect(link).toMatch(/^https:\/\/swim\.club\.example\/join#[\w-]{43}$/);
  const letter = mail.letters.at(-1)!;
  expect(letter.to).toEqual(['odile@club.example']);
  expect(letter.text).toContain(link);
  expect(letter.text).toContain('From: Upwell <upwell@club.example>');
  expect(letter.text).toMatch(/Subject: Club \w+: your invitation to Upwell/);
  expect(letter.text).toContain('It works once, until');
});

it('sends a link for a new password to the address of the account', async () => {
  const { id, email } = club.accounts.coach!;
  const { link, mailed } = await post(`/accounts/${id}/reset-link`);
  expect(mailed).toBe(true);
  expect(mail.letters.at(-1)).toMatchObject({ to: [email], text: expect.stringContaining(link) });
});

it('sends nothing without an address', async () => {
  const before = mail.letters.length;
  expect((await post('/invitations', { role: 'coach' })).mailed).toBeNull();
  expect(mail.letters).toHaveLength(before);
});

it('shows the link all the same when the letter does not go out, and keeps address and secret out of the log', async () => {
  mail.refuses = true;
  lines.length = 0;
  const { link, mailed } = await post('/invitations', { role: 'coach', email: 'gone@club.example' });
  mail.refuses = false;
  expect(mailed).toBe(false);
  expect(link).toContain('/join#');
  expect(lines.join('')).toContain('a letter did not go out');
  expect(lines.join('')).not.toContain('gone@club.example');
  expect(lines.join('')).not.toContain(link.split('#')[1]);
});

it('takes no line of a letter from a name', async () => {
  const [row] = await harness.owner.em
    .fork()
    .execute<{ name: string }[]>(`update club set name = ? where id = ? returning name`, [
      'A\r\nBcc: all@club.example',
      club.id,
    ]);
  expect(row!.name).toContain('\n');
  await post('/invitations', { role: 'coach', email: 'odile@club.example' });
  expect(
    mail.letters
      .at(-1)!
      .text.split('\r\n')
      .filter((line) => line.startsWith('Bcc')),
  ).toEqual([]);
  expect(mail.letters.at(-1)!.to).toEqual(['odile@club.example']);
});

it.each([
  ['nowhere at all', undefined, 'address of a mail server'],
  ['https://mail.example', 'a@b.example', 'address of a mail server'],
  ['smtp://mail.example', undefined, 'MAIL_FROM'],
])('does not start with %s', (url, from, words) => {
  expect(() => readConfig({ ...process.env, SMTP_URL: url, ...(from ? { MAIL_FROM: from } : {}) })).toThrow(words);
});
