import { randomUUID } from 'node:crypto';
import { mkdir, rename, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import path from 'node:path';
import { build, type Plugin } from 'esbuild';

/** Packages of hundreds of small files, each of which a server would open three times as it starts. */
const BROUGHT_IN = /^(@upwell\/|chevrotain$|@chevrotain\/|lodash-es)/;

/** Packages stay where they are, but for a few; our own code is brought together. */
const packagesOutside: Plugin = {
  name: 'packages-outside',
  setup(build) {
    // What builds is not part of what is built, which never asks for it.
    build.onResolve({ filter: /^\.\/bundle$/ }, ({ path: name, kind }) =>
      kind === 'dynamic-import' ? { path: name, external: true } : null,
    );
    build.onResolve({ filter: /^[^./]/ }, ({ path: name }) =>
      BROUGHT_IN.test(name) ? null : { path: name, external: true },
    );
  },
};

/**
 * Makes one file of plain JavaScript of each entry, named as its key with `.mjs`. Servers that start at the same time
 * can all make it: each file appears whole.
 */
async function bundle(entryPoints: Readonly<Record<string, string>>, outdir: string): Promise<void> {
  const { outputFiles } = await build({
    entryPoints: { ...entryPoints },
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    plugins: [packagesOutside],
    logLevel: 'error',
    write: false,
  });
  await mkdir(outdir, { recursive: true });
  for (const { path: file, contents } of outputFiles) {
    const part = `${file}.${randomUUID()}`;
    await writeFile(part, contents);
    await rename(part, file);
  }
}

// From where the server runs, which lies inside the project in every way of starting it.
const ours = (file: string) => createRequire(`${process.cwd()}/package.json`).resolve(`@upwell/server/${file}`);

/** The whole server: it starts in a quarter of the time that it takes from its sources. */
export const bundleServer = (outdir: string): Promise<void> =>
  bundle(
    { main: ours('src/main.ts'), club: ours('src/club.ts'), worker: ours('src/work/worker.ts') },
    path.join(path.dirname(ours('package.json')), outdir),
  );

/**
 * The worker as one file of plain JavaScript, made at the start of the server in well under a second.
 *
 * The loader that reads TypeScript for the server notes the name of every function each time it is made, which
 * costs computations with many small functions up to nine tenths of their speed.
 *
 * @returns its path
 */
export async function bundleWorker(): Promise<string> {
  const folder = path.join(path.dirname(ours('package.json')), '.cache');
  await bundle({ worker: ours('src/work/worker.ts') }, folder);
  return path.join(folder, 'worker.mjs');
}
