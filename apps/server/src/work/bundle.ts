import { randomUUID } from 'node:crypto';
import { mkdir, rename } from 'node:fs/promises';
import { createRequire } from 'node:module';
import path from 'node:path';
import { build, type Plugin } from 'esbuild';

/** Packages stay where they are; only our own code is brought together. */
const packagesOutside: Plugin = {
  name: 'packages-outside',
  setup(build) {
    // What builds is not part of what is built, which never asks for it.
    build.onResolve({ filter: /^\.\/bundle$/ }, ({ path: name, kind }) =>
      kind === 'dynamic-import' ? { path: name, external: true } : null,
    );
    build.onResolve({ filter: /^[^./]/ }, ({ path: name }) =>
      name.startsWith('@upwell/') ? null : { path: name, external: true },
    );
  },
};

/** Makes one file of plain JavaScript of each entry, named as its key with `.mjs`. */
export async function bundle(entryPoints: Readonly<Record<string, string>>, outdir: string): Promise<void> {
  await build({
    entryPoints: { ...entryPoints },
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    plugins: [packagesOutside],
    logLevel: 'error',
  });
}

/**
 * The worker as one file of plain JavaScript, made at the start of the server in well under a second.
 *
 * The loader that reads TypeScript for the server notes the name of every function each time it is made, which
 * costs computations with many small functions up to nine tenths of their speed.
 *
 * @returns its path
 */
export async function bundleWorker(): Promise<string> {
  // From where the server runs, which lies inside the project in every way of starting it.
  const { resolve } = createRequire(`${process.cwd()}/package.json`);
  const folder = path.join(path.dirname(resolve('@upwell/server/package.json')), '.cache');
  await mkdir(folder, { recursive: true });
  const name = `worker-${randomUUID()}`;
  const made = path.join(folder, `${name}.mjs`);
  await bundle({ [name]: resolve('@upwell/server/src/work/worker.ts') }, folder);
  // Several servers may start at once: each finds a whole file.
  const file = path.join(folder, 'worker.mjs');
  await rename(made, file);
  return file;
}
