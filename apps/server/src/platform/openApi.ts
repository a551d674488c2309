// The OpenAPI document: questions by the schemas that validate them, answers by the types that both sides are held to.
import swagger from '@fastify/swagger';
import answersFile from '@upwell/contract/answers.json';
import { Joi } from '@upwell/contract/joi';
import type { FastifyInstance } from 'fastify';
import fp from 'fastify-plugin';
import { EXAMPLES } from './examples';
import { PUBLIC } from './identity';
import { documentSchema } from './jsonSchema';

const { answers, schemas } = answersFile as {
  readonly answers: Readonly<Record<string, object>>;
  readonly schemas: Readonly<Record<string, object>>;
};

const PREFIX = '/api/v1';
const JSON_TYPE = 'application/json';

/** Routes that answer with a file or a stream, by what it is. */
const FILES: Readonly<Record<string, readonly string[]>> = {
  'GET /swimmers/{id}/export': [JSON_TYPE],
  'GET /focuses/{id}/handout.pdf': ['application/pdf'],
  'GET /handouts/{token}/page.pdf': ['application/pdf'],
  'GET /lists/{list}/{format}': [
    'application/pdf',
    'text/csv',
    'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  ],
  'GET /swimmers/{id}/lists/{list}/{format}': [
    'application/pdf',
    'text/csv',
    'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  ],
  'GET /sessions/{id}/export/{format}': ['text/plain', JSON_TYPE, 'text/csv', 'text/calendar'],
  'GET /sessions/{id}/sheet.pdf': ['application/pdf'],
  'GET /sessions/{id}/live': ['text/event-stream'],
  'GET /schemas/session.json': [JSON_TYPE],
  'GET /calendars/{token}': ['text/calendar'],
  'GET /results.csv': ['text/csv'],
  'GET /sent-clips/{id}/film': ['video/webm', 'video/mp4'],
  'GET /sent-clips/{id}/voice': ['audio/webm'],
  'GET /club/archive': [JSON_TYPE],
  'GET /water-days/{id}/card.pdf': ['application/pdf'],
  'POST /race-cards/pdf': ['application/pdf'],
  'GET /courses/{id}/export/{format}': ['application/gpx+xml', 'application/geo+json'],
  'GET /swimmers/{id}/race-plan.csv': ['text/csv'],
};

/** Routes that answer with what was worked out from a body, in a shape that the questions decide. */
const FREE: readonly string[] = [
  'POST /compute/build-session',
  'POST /compute/lane-check',
  'POST /compute/session-text',
  'POST /compute/sighting-interval',
  'POST /compute/simulate-leg',
  'POST /compute/crossing',
  'POST /compute/sun',
  'POST /compute/breathing-side',
];

const EMPTY: readonly string[] = [
  'POST /account/sign-out',
  'POST /account/password',
  'DELETE /account/sign-ins',
  'DELETE /account/sign-ins/{id}',
  'DELETE /invitations/{id}',
  'POST /account/reset',
  'DELETE /clips/{id}',
  'DELETE /clips/{id}/stills',
  'PUT /sent-clips/{id}/pieces/{n}',
  'DELETE /sent-clips/{id}',
];
const CREATES: readonly string[] = ['POST /setup', 'POST /invitations', 'POST /invitations/accept'];

const PROBLEM = {
  type: 'object',
  description: 'RFC 9457, with a sentence that a coach understands.',
  properties: {
    type: { type: 'string', examples: ['about:blank'] },
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string', description: 'What is wrong, and what to do.' },
    fields: {
      type: 'array',
      items: {
        type: 'object',
        properties: { field: { type: 'string' }, message: { type: 'string' } },
        required: ['field', 'message'],
      },
    },
    current: { description: 'With 409: what is stored now.' },
  },
  required: ['type', 'title', 'status', 'detail'],
};

/** The problems that answers have, by status. */
const PROBLEMS = {
  400: ['What was sent cannot be right; the fields say where.', 'This is not a date.'],
  401: ['Nobody is signed in.', 'You are signed out. Sign in again; what you entered is still here.'],
  403: ['Signed in, and not allowed to.', 'Your role may not do this.'],
  404: ['Not there, or not yours to see: the same answer.', 'This is not here, or not yours to see.'],
  409: ['Changed by somebody else in the meantime; what is stored comes with it.', 'Changed in the meantime.'],
  422: ['Understood, and impossible or unsafe.', 'This cannot be done.'],
  429: ['Too much at once; `Retry-After` says how long to wait.', 'Too many tries. Wait a little.'],
} as const;
type ProblemStatus = keyof typeof PROBLEMS;

const problemAnswer = (status: ProblemStatus) => ({
  description: PROBLEMS[status][0],
  content: {
    'application/problem+json': {
      schema: { $ref: '#/components/schemas/Problem' },
      example: { type: 'about:blank', title: PROBLEMS[status][0], status, detail: PROBLEMS[status][1] },
    },
  },
});

/** Which problems a route can answer with. */
function problemsOf(name: string, isPublic: boolean, asks: boolean): ProblemStatus[] {
  const changes = !name.startsWith('GET');
  return [
    ...(asks ? [400 as const] : []),
    ...(isPublic ? [] : ([401, 403] as const)),
    ...(/\{/.test(name) ? [404 as const] : []),
    ...(changes ? ([409, 422, 429] as const) : []),
  ];
}

/** The good answer of a route. */
function goodAnswer(name: string): Record<string, object> {
  if (EMPTY.includes(name)) return { 204: { description: 'Done; there is nothing to say.' } };
  const types = FILES[name];
  const description = types ? 'A file.' : 'As it is now.';
  const binary = (type: string) => /pdf|sheet/.test(type);
  const content = types
    ? Object.fromEntries(
        types.map((type) => [type, { schema: binary(type) ? {} : { type: type === JSON_TYPE ? 'object' : 'string' } }]),
      )
    : { [JSON_TYPE]: { schema: FREE.includes(name) ? { type: 'object' } : answers[name] } };
  return { [CREATES.includes(name) ? 201 : 200]: { description, content } };
}

interface Operation {
  responses: Record<string, object>;
  requestBody?: { content: Record<string, { example?: unknown }> };
  parameters?: readonly object[];
  security?: readonly object[];
}

/** The OpenAPI document, made from the same Joi schemas that validate. */
export const openApi = fp(async (app: FastifyInstance) => {
  const shared: Record<string, object> = {};
  const open = new Set<string>();
  app.addHook('onRoute', ({ url, method, config }) => {
    const methods = [method].flat();
    if ((config as { access?: string } | undefined)?.access === PUBLIC.access)
      for (const one of methods) open.add(`${one} ${url}`);
  });
  await app.register(swagger, {
    openapi: {
      openapi: '3.1.0',
      info: { title: 'Upwell', version: '1', description: 'Stroke review and sessions for swim coaches.' },
      servers: [{ url: '/', description: 'This server' }],
      components: { securitySchemes: { cookie: { type: 'apiKey', in: 'cookie', name: 'upwell_session' } } },
      security: [{ cookie: [] }],
    },
    transform: (route) => {
      const parts = Object.entries((route.schema ?? {}) as Readonly<Record<string, unknown>>);
      const converted = parts.map(([key, part]) => [key, Joi.isSchema(part) ? documentSchema(part, shared) : part]);
      return { schema: Object.fromEntries(converted) as object, url: route.url };
    },
    transformObject: (document) => {
      if (!('openapiObject' in document)) return document.swaggerObject;
      const api = document.openapiObject as unknown as {
        paths: Record<string, Record<string, Operation>>;
        components: Record<string, unknown>;
      };
      for (const [path, methods] of Object.entries(api.paths))
        for (const [method, operation] of Object.entries(methods)) {
          const name = `${method.toUpperCase()} ${path.replace(PREFIX, '')}`;
          const isPublic = open.has(`${method.toUpperCase()} ${path.replace(/\{(\w+)\}/g, ':$1')}`);
          const asks = operation.requestBody !== undefined || (operation.parameters ?? []).length > 0;
          if (isPublic) operation.security = [];
          operation.responses = {
            ...goodAnswer(name),
            ...Object.fromEntries(problemsOf(name, isPublic, asks).map((status) => [status, problemAnswer(status)])),
          };
          const body = operation.requestBody?.content[JSON_TYPE];
          if (body && EXAMPLES[name] !== undefined) body.example = EXAMPLES[name];
        }
      api.components['schemas'] = { Problem: PROBLEM, ...schemas, ...shared };
      return document.openapiObject;
    },
  });
  app.get(`${PREFIX}/openapi.json`, { config: PUBLIC, schema: { hide: true } }, () => app.swagger());
});
