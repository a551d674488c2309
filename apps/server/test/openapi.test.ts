import answersFile from '@upwell/contract/answers.json';
import Ajv2020 from 'ajv/dist/2020';
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { EXAMPLES } from '../src/platform/examples';
import { addressOf, everyRoute, goodBody, storedOfAll, type AllStored, type AskedRoute } from './everyRoute';
import { Harness, type TestClub } from './harness';

const ROOT = path.resolve(__dirname, '../../..');

interface Answered {
  readonly description: string;
  readonly content?: Readonly<Record<string, { readonly schema: object; readonly example?: object }>>;
}
interface Operation {
  readonly summary?: string;
  readonly responses: Readonly<Record<string, Answered>>;
  readonly requestBody?: {
    readonly content: Readonly<Record<string, { readonly schema: object; readonly example?: unknown }>>;
  };
}
interface Document {
  readonly openapi: string;
  readonly paths: Readonly<Record<string, Readonly<Record<string, Operation>>>>;
  readonly components: { readonly schemas: Readonly<Record<string, object>> };
}

let harness: Harness;
let club: TestClub;
let here: AllStored;
let routes: AskedRoute[];
let document: Document;

beforeAll(async () => {
  harness = await Harness.start();
  club = await harness.club();
  here = await storedOfAll(club, harness);
  routes = await everyRoute(harness);
  document = (await harness.app.inject({ url: '/api/v1/openapi.json' })).json();
});
afterAll(() => harness.stop());

/** A schema of the document with everything it refers to. */
const whole = (schema: object) => ({ ...schema, components: document.components });
/** Runs a module in a Node of its own: Jest does not load these libraries. */
const inNode = (module: string, input = ''): string =>
  execFileSync(process.execPath, ['--input-type=module', '-e', module], {
    cwd: ROOT,
    input,
    maxBuffer: 50e6,
  }).toString();
const checker = () => new Ajv2020({ strict: false, allErrors: true, validateFormats: false });

it('is OpenAPI 3.1, and another program finds nothing wrong with it', async () => {
  expect(document.openapi).toBe('3.1.0');
  const found = inNode(
    `import { Validator } from '@seriousme/openapi-schema-validator';
     import { text } from 'node:stream/consumers';
     const { valid, errors } = await new Validator().validate(JSON.parse(await text(process.stdin)));
     process.stdout.write(JSON.stringify([valid, errors ?? null]));`,
    JSON.stringify(document),
  );
  expect(JSON.parse(found)).toEqual([true, null]);
  // Everything that is referred to is there, and can be compiled.
  const text = JSON.stringify(document);
  const named = new Set([...text.matchAll(/"#\/components\/schemas\/([^"]+)"/g)].map(([, name]) => name!));
  expect([...named].filter((name) => !(name in document.components.schemas))).toEqual([]);
  for (const name of Object.keys(document.components.schemas))
    expect(() => checker().compile(whole({ $ref: `#/components/schemas/${name}` }))).not.toThrow();
});

it('describes of every route what it answers, and its problems', () => {
  const bare: string[] = [];
  for (const [address, methods] of Object.entries(document.paths))
    for (const [method, { responses, summary }] of Object.entries(methods)) {
      const good = Object.entries(responses).find(([status]) => status.startsWith('2'));
      const said = good?.[0] === '204' || Object.values(good?.[1].content ?? {}).some(({ schema }) => schema);
      if (!said || !summary || JSON.stringify(responses).includes('Default Response'))
        bare.push(`${method} ${address}`);
    }
  expect(bare).toEqual([]);
  const problem = document.paths['/api/v1/swimmers/{id}']!['get']!.responses['404']!;
  expect(problem.content!['application/problem+json']!.example).toMatchObject({ status: 404 });
});

it('the answers are those of the types today: npm run answers writes them', () => {
  const now = inNode("process.stdout.write((await import('./scripts/answers.mjs')).answerSchemas())");
  expect(now === readFileSync(path.join(ROOT, 'packages/contract/src/answers.json'), 'utf8')).toBe(true);
});

it('whatever a route answers is what the document says', async () => {
  const cookie = (name: string) => ({
    upwell_session: club.cookie(name.includes('my-week') || name.includes('/rating') ? 'swimmer' : 'head'),
  });
  await club.as('head');
  await club.addAccount('swimmer', here.swimmerId);
  await club.as('swimmer');
  const wrong: unknown[] = [];
  let tried = 0;
  // What is taken out or ended would be missed by those after it.
  const order = [...routes].sort((a, b) => Number(a.method === 'DELETE') - Number(b.method === 'DELETE'));
  for (const route of order) {
    if (/sign-|password|\/setup|accept|reset|archive|\/live$/.test(route.path)) continue;
    const name = `${route.method} ${route.path.replace('/api/v1', '')}`;
    const sent = goodBody(route, here);
    const answer = await harness.app.inject({
      method: route.method,
      url: addressOf(route, here),
      cookies: cookie(name),
      ...(sent === undefined ? {} : { headers: { 'content-type': 'application/json' }, payload: JSON.stringify(sent) }),
    });
    const { responses } = document.paths[route.path]![route.method.toLowerCase()]!;
    const described = responses[String(answer.statusCode)];
    if (answer.statusCode >= 300) {
      // What a test cannot ask well is at least refused as it is written.
      const problem = described?.content?.['application/problem+json'];
      if (!problem && ![404, 410].includes(answer.statusCode))
        wrong.push([name, answer.statusCode, answer.body.slice(0, 200)]);
      continue;
    }
    if (!described) wrong.push([name, answer.statusCode, 'is not described']);
    const schema = described?.content?.['application/json']?.schema;
    if (!schema || !String(answer.headers['content-type']).includes('application/json') || answer.body === '') continue;
    if (Object.keys(schema).length === 0) continue;
    tried++;
    const check = checker().compile(whole(schema));
    if (!check(answer.json()))
      wrong.push([name, check.errors!.slice(0, 3).map((e) => `${e.instancePath} ${e.message}`)]);
  }
  expect(wrong).toEqual([]);
  expect(tried).toBeGreaterThan(80);
});

it('the examples are taken by the doors they stand at', async () => {
  await club.as('head');
  for (const [name, example] of Object.entries(EXAMPLES)) {
    const [method, address] = name.split(' ') as [string, string];
    const operation = document.paths[`/api/v1${address}`]![method.toLowerCase()]!;
    const { schema, example: shown } = operation.requestBody!.content['application/json']!;
    expect([name, shown]).toEqual([name, example]);
    const check = checker().compile(whole(schema));
    expect([name, check(example), check.errors]).toEqual([name, true, null]);
    if (!address.startsWith('/compute/')) continue;
    const answer = await harness.app.inject({
      ...{ method: 'POST', url: `/api/v1${address}`, payload: example as object },
      cookies: { upwell_session: club.cookie('head') },
    });
    expect([name, answer.statusCode]).toEqual([name, 200]);
  }
});

/** Files with the endpoints of the web app's client. */
function* clientFiles(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const file = path.join(folder, entry.name);
    if (entry.isDirectory()) yield* clientFiles(file);
    else if (/api\.ts$/.test(entry.name)) yield file;
  }
}

it('the client of the web app asks for what is there, and expects what is answered', () => {
  const { answers } = answersFile as { answers: Record<string, { $ref?: string; items?: { $ref?: string } }> };
  const typed = new Map(Object.keys(answers).map((name) => [name.replace(/\{\w+\}/g, '{}'), answers[name]!]));
  const all = new Set(routes.map((r) => `${r.method} ${r.path.replace('/api/v1', '').replace(/\{\w+\}/g, '{}')}`));
  const wrong: string[] = [];
  let seen = 0;
  for (const file of clientFiles(path.join(ROOT, 'apps/web/src')))
    for (const part of readFileSync(file, 'utf8')
      .split(/(?=build\.(?:query|mutation|infiniteQuery)<)/)
      .slice(1)) {
      const answer = /^build\.\w+<\s*([\w\[\]]+)/.exec(part)?.[1];
      const url = /(?:url: |=> )(?:`|')(\/[^`'?]*)/.exec(part)?.[1]?.replace(/\$\{[^}]+\}/g, '{}');
      if (!answer || !url || url.startsWith('/{}/')) continue;
      const name = `${/method: '(\w+)'/.exec(part)?.[1] ?? 'GET'} ${url}`;
      seen++;
      if (!all.has(name)) wrong.push(`${name} is not there`);
      const said = typed.get(name);
      const type = answer.replace('[]', '');
      const ref = (answer.endsWith('[]') ? said?.items?.$ref : said?.$ref)?.split('/').at(-1);
      // A type that is put together from others has no name of its own.
      if (ref && !/^(Record|Partial|Pick)_/.test(ref) && !['unknown', 'Page'].includes(type) && ref !== type)
        wrong.push(`${name} answers ${ref}, not ${answer}`);
    }
  expect(wrong).toEqual([]);
  expect(seen).toBeGreaterThan(70);
});
