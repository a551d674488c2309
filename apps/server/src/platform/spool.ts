import { randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream, type ReadStream } from 'node:fs';
import { unlink } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createInterface } from 'node:readline';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ProblemError } from './problemError';

/** A file of one's own in the folder for such; nobody else on the machine may read it. */
export const spoolFile = (): string => path.join(tmpdir(), `upwell-${randomUUID()}`);

/** Writes what comes into a file, piece by piece. @throws ProblemError 413 when there is more than `most` bytes */
export async function spool(
  from: NodeJS.ReadableStream | AsyncIterable<string>,
  file: string,
  most: number,
): Promise<void> {
  let bytes = 0;
  const limited = new Transform({
    transform(piece: Buffer, _encoding, done) {
      bytes += piece.length;
      if (bytes > most) done(new ProblemError(413, 'This archive is too large to import.'));
      else done(null, piece);
    },
  });
  try {
    await pipeline(Readable.from(from), limited, createWriteStream(file, { mode: 0o600 }));
  } catch (error) {
    await forget(file);
    throw error;
  }
}

/** Reads a spooled file and takes it off the disk as soon as it is open. */
export function readOnce(file: string): ReadStream {
  const stream = createReadStream(file);
  stream.once('open', () => void forget(file));
  return stream;
}

/** The lines of a spooled file. Reading begins with the first one asked for: a reader that waits loses lines. */
export async function* linesOf(file: string): AsyncGenerator<string> {
  for await (const line of createInterface({ input: createReadStream(file), crlfDelay: Infinity })) yield line;
}

/** Takes a spooled file off the disk; one that is gone already is fine. */
export async function forget(file: string): Promise<void> {
  await unlink(file).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== 'ENOENT') throw error;
  });
}
