import { spawnSync } from 'node:child_process';
import path from 'node:path';

/** What is in a PDF. */
export interface ReadPdf {
  readonly pages: readonly string[];
  readonly title: string;
  readonly language: string;
  readonly version: string;
  readonly marked: boolean;
  /** Of its structure, in the order of reading. */
  readonly roles: readonly string[];
  readonly alts: readonly string[];
}

export function readPdf(bytes: Buffer): ReadPdf {
  const { stdout, stderr, status } = spawnSync(process.execPath, [path.join(__dirname, 'pdfInside.mjs')], {
    input: bytes,
  });
  if (status !== 0) throw new Error(stderr.toString());
  return JSON.parse(stdout.toString()) as ReadPdf;
}
