// Results, swim tests, imports, and the records of a swimmer.
import { Readable } from 'node:stream';
import { uuid } from '@upwell/contract/common';
import {
  chunkParams,
  chunkSchema,
  commitSchema,
  resultSaveSchema,
  resultsQuerySchema,
  testSaveSchema,
  type ChunkBody,
  type ClubResult,
  type CommitBody,
  type ResultSave,
  type ResultsQuery,
  type TestSave,
} from '@upwell/contract/records';
import { resultPieces } from '@upwell/core/exchange';
import type { FastifyInstance } from 'fastify';
import { Joi } from '@upwell/contract/joi';
import type { Database } from '../platform/database';
import { CSV_MARK, named } from '../platform/fileName';
import { asMe, COACH, whoAsks } from '../platform/identity';
import { idParams } from '../platform/params';
import { inTurns } from '../platform/turns';
import { shows } from '../swimmers';
import { addChunk, checkImport, commitImport, dropImport, importState, listImports, undoImport } from './imports';
import { listResults, recordsOf, removeResult, removeTest, resultsForFile, saveResult, saveTest } from './service';

function* markedPieces(rows: readonly ClubResult[]): Generator<string> {
  yield CSV_MARK;
  yield* resultPieces(rows);
}

export async function recordRoutes(app: FastifyInstance, { database }: { database: Database }): Promise<void> {
  app.get<{ Params: { id: string } }>(
    '/swimmers/:id/records',
    { schema: { params: idParams, summary: 'Everything measured of one swimmer' } },
    (request) => asMe(database, whoAsks(request), (em) => recordsOf(em, request.params.id)),
  );

  app.put<{ Params: { id: string }; Body: TestSave }>(
    '/tests/:id',
    {
      config: COACH,
      schema: { params: idParams, body: testSaveSchema, summary: 'Store a test; what it says is worked out here' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => saveTest(em, me, request.params.id, request.body));
    },
  );

  app.delete<{ Params: { id: string } }>(
    '/tests/:id',
    { config: COACH, schema: { params: idParams, summary: 'Take a test out for good' } },
    (request) => asMe(database, whoAsks(request), (em) => removeTest(em, request.params.id)),
  );

  app.get<{ Querystring: ResultsQuery }>(
    '/results',
    {
      config: COACH,
      schema: { querystring: resultsQuerySchema, summary: 'Results of the swimmers one coaches, found and sorted' },
    },
    (request) => asMe(database, whoAsks(request), (em) => listResults(em, request.query)),
  );

  app.put<{ Params: { id: string }; Body: ResultSave }>(
    '/results/:id',
    {
      config: COACH,
      schema: { params: idParams, body: resultSaveSchema, summary: 'Store one result, or correct it with what it was' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => saveResult(em, me, request.params.id, request.body));
    },
  );

  app.delete<{ Params: { id: string } }>(
    '/results/:id',
    { config: COACH, schema: { params: idParams, summary: 'Take a result out for good' } },
    (request) => asMe(database, whoAsks(request), (em) => removeResult(em, request.params.id)),
  );

  app.get<{ Querystring: { squadId?: string } }>(
    '/results.csv',
    {
      config: COACH,
      schema: {
        querystring: Joi.object<{ squadId?: string }>({ squadId: uuid() }),
        summary: 'Results as CSV, which can be imported again',
      },
    },
    async (request, reply) => {
      const rows = await asMe(database, whoAsks(request), (em) => resultsForFile(em, request.query.squadId ?? null));
      shows(
        request,
        rows.map((r) => r.swimmerId),
      );
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', named('results.csv'))
        .header('cache-control', 'no-store')
        .send(Readable.from(inTurns(markedPieces(rows))));
    },
  );

  app.put<{ Params: { id: string; chunk: number }; Body: ChunkBody }>(
    '/imports/:id/:chunk',
    { config: COACH, schema: { params: chunkParams, body: chunkSchema, summary: 'Some rows of a file of results' } },
    (request) => {
      const me = whoAsks(request);
      const { id, chunk } = request.params;
      return asMe(database, me, (em) => addChunk(em, me, id, chunk, request.body.rows));
    },
  );

  app.get('/imports', { config: COACH, schema: { summary: 'Imports of results, the newest first' } }, (request) =>
    asMe(database, whoAsks(request), listImports),
  );

  app.get<{ Params: { id: string } }>(
    '/imports/:id',
    { config: COACH, schema: { params: idParams, summary: 'What became of an import' } },
    (request) => asMe(database, whoAsks(request), (em) => importState(em, request.params.id)),
  );

  app.post<{ Params: { id: string } }>(
    '/imports/:id/check',
    { config: COACH, schema: { params: idParams, summary: 'Which of the rows that have arrived are here already' } },
    (request) => asMe(database, whoAsks(request), (em) => checkImport(em, request.params.id)),
  );

  app.post<{ Params: { id: string }; Body: CommitBody }>(
    '/imports/:id/commit',
    {
      config: COACH,
      schema: { params: idParams, body: commitSchema, summary: 'Store all rows of a file at once, or none' },
    },
    (request) => {
      const me = whoAsks(request);
      return asMe(database, me, (em) => commitImport(em, me, request.params.id, request.body));
    },
  );

  app.post<{ Params: { id: string } }>(
    '/imports/:id/undo',
    { config: COACH, schema: { params: idParams, summary: 'Take back the results that an import brought' } },
    (request) => asMe(database, whoAsks(request), (em) => undoImport(em, request.params.id)),
  );

  app.delete<{ Params: { id: string } }>(
    '/imports/:id',
    { config: COACH, schema: { params: idParams, summary: 'Forget the rows of a file' } },
    (request) => asMe(database, whoAsks(request), (em) => dropImport(em, request.params.id)),
  );
}
