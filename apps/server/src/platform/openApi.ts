import swagger from '@fastify/swagger';
import type { FastifyInstance } from 'fastify';
import fp from 'fastify-plugin';
import { Joi } from '@upwell/contract/joi';
import { PUBLIC } from './identity';
import { jsonSchema } from './jsonSchema';

/** The OpenAPI document, made from the same Joi schemas that validate. */
export const openApi = fp(async (app: FastifyInstance) => {
  await app.register(swagger, {
    openapi: {
      info: { title: 'Upwell', version: '1', description: 'Stroke review and sessions for swim coaches.' },
      components: { securitySchemes: { cookie: { type: 'apiKey', in: 'cookie', name: 'upwell_session' } } },
      security: [{ cookie: [] }],
    },
    transform: (route) => {
      const parts = Object.entries((route.schema ?? {}) as Readonly<Record<string, unknown>>);
      const converted = parts.map(([key, part]) => [key, Joi.isSchema(part) ? jsonSchema(part, 'open-api') : part]);
      return { schema: Object.fromEntries(converted) as object, url: route.url };
    },
  });
  app.get('/api/v1/openapi.json', { config: PUBLIC, schema: { hide: true } }, () => app.swagger());
});
