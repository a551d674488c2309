import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');

/** A failure that the reader can fix: printed without a stack trace. */
export class Advice extends Error {}

/** Runs one step and prints it with its time. */
export async function step(name, work) {
  const started = process.hrtime.bigint();
  const note = await work();
  const seconds = Number(process.hrtime.bigint() - started) / 1e9;
  console.log(`  ${name.padEnd(34)} ${seconds.toFixed(1).padStart(6)} s${note ? `   ${note}` : ''}`);
}

/** Runs a program to its end; its output is shown only when it fails. */
export function run(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'], ...options });
    let output = '';
    child.stdout?.on('data', (data) => (output += data));
    child.stderr?.on('data', (data) => (output += data));
    child.on('error', reject);
    child.on('exit', (code) =>
      code === 0
        ? resolve(output)
        : reject(new Error(`${command} ${args.join(' ')} failed (${code})\n${output.slice(-4000)}`)),
    );
  });
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Advice(`Node ${process.versions.node} is too old. Install Node 20.20 or newer and start again.`);
  }
}

/** Installs the npm packages when the lock file is not the one that was installed. */
export async function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex');
  const mark = path.join(ROOT, 'node_modules', '.upwell-lock');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return 'already there';
  try {
    await run('npm', ['ci', '--no-audit', '--no-fund'], { env: { ...process.env, NODE_ENV: 'development' } });
  } catch (error) {
    throw new Advice(
      `The npm packages could not be installed. Check the network or the npm registry.\n${error.message}`,
    );
  }
  writeFileSync(mark, lock);
  return 'installed';
}

/** Installs a Debian package; needs root or sudo without a password. */
export async function installDebian(name, why) {
  const root = process.getuid?.() === 0;
  const sudo = !root && spawnSync('sudo', ['-n', 'true']).status === 0;
  if (!root && !sudo) {
    throw new Advice(`${why} is missing and this user may not install it. Run once: sudo apt-get install ${name}`);
  }
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  const apt = (args) => run(root ? 'apt-get' : 'sudo', root ? args : ['-n', 'apt-get', ...args], { env });
  try {
    await apt(['update', '-qq']);
    await apt(['install', '-y', '-qq', name]);
  } catch (error) {
    throw new Advice(`${why} could not be installed. Run by hand: apt-get install ${name}\n${error.message}`);
  }
}

/** Chromium from Debian's packages, for journeys, benches and pictures. */
export async function installChromium() {
  if (existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) return 'already there';
  await installDebian('chromium', 'Chromium for the journeys');
  return 'installed';
}

/** Chromium without a window, for most journeys; where it cannot be had they take the whole one, and longer. */
export async function installHeadless() {
  if (existsSync('/usr/bin/chromium-headless-shell')) return 'already there';
  await installDebian('chromium-headless-shell', 'Chromium without a window').catch(({ message }) =>
    console.log(message),
  );
  return 'looked after';
}

/** nginx from Debian's packages, behind which the tests put the server. */
export async function installNginx() {
  if (existsSync('/usr/sbin/nginx')) return 'already there';
  await installDebian('nginx-light', 'nginx for the tests');
  return 'installed';
}

/** Programs of others that read what is written here, and write what is read here. */
export async function installForeign() {
  // LibreOffice is large: its tests run where it is installed already.
  const missing = [
    ['/usr/bin/gpsbabel', 'gpsbabel'],
    ['/usr/bin/ogr2ogr', 'gdal-bin'],
    ['/usr/bin/qpdf', 'qpdf'],
    ['/usr/bin/pdffonts', 'poppler-utils'],
    ['/usr/bin/ffmpeg', 'ffmpeg'],
    ['/usr/bin/xmllint', 'libxml2-utils'],
    ['/usr/lib/python3/dist-packages/icalendar', 'python3-icalendar'],
  ].filter(([file]) => !existsSync(file));
  if (missing.length === 0) return 'already there';
  // Without them their tests are left out, loudly: nothing else needs them.
  for (const [, name] of missing)
    await installDebian(name, `${name} for the tests of files`).catch((error) => console.log(error.message));
  return 'looked after';
}

/** A hash of the contents of some files and folders. */
export function hashOf(paths) {
  const hash = createHash('sha256');
  const visit = (file) => {
    if (!existsSync(file)) return;
    if (statSync(file).isDirectory()) {
      for (const name of readdirSync(file).sort())
        if (name !== 'node_modules' && name !== 'dist') visit(path.join(file, name));
    } else {
      hash.update(path.relative(ROOT, file)).update(readFileSync(file));
    }
  };
  for (const entry of paths) visit(path.join(ROOT, entry));
  return hash.digest('hex');
}

/** Builds the web app when its sources changed since the last build. */
export async function buildWeb() {
  const web = [
    'app',
    'src',
    'public',
    'app.json',
    'package.json',
    'babel.config.js',
    'metro.config.js',
    'paperNames.cjs',
    'straightToFile.cjs',
    'tsconfig.json',
  ];
  const sources = hashOf([
    'scripts/lib/steps.mjs',
    ...web.map((part) => `apps/web/${part}`),
    'packages/core/src',
    'packages/contract/src',
    'package-lock.json',
  ]);
  const dist = path.join(ROOT, 'apps/web/dist');
  const mark = path.join(dist, '.upwell-build');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === sources) return 'unchanged';
  const env = { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' };
  await run('npx', ['expo', 'export', '-p', 'web', '--output-dir', 'dist'], { cwd: path.join(ROOT, 'apps/web'), env });
  mkdirSync(dist, { recursive: true });
  // The page knows which build it is of, and hears from the server which one that serves.
  const index = path.join(dist, 'index.html');
  const page = readFileSync(index, 'utf8');
  writeFileSync(index, page.replace('<head>', `<head><meta name="upwell-build" content="${sources.slice(0, 12)}" />`));
  await makeServiceWorker(dist);
  await packAll(dist);
  writeFileSync(mark, sources);
  return 'built';
}

/** The server as plain JavaScript; it takes about a second, and is made each time. */
export async function buildServer() {
  await run(process.execPath, ['--import', 'tsx', 'src/build.ts'], { cwd: path.join(ROOT, 'apps/server') });
  return 'apps/server/dist';
}

/**
 * What carries its hash in its name, packed as small as it goes and beside itself: a server that packs while somebody waits
 * makes files a fifth larger. The few others may be changed where they lie.
 */
async function packAll(dist) {
  const names = readdirSync(dist, { recursive: true }).filter((name) => /^_expo\/.*\.(js|css)$/.test(name));
  await Promise.all(
    names.map(async (name) => {
      const text = readFileSync(path.join(dist, name));
      const packed = await promisify(brotliCompress)(text, {
        params: { [constants.BROTLI_PARAM_SIZE_HINT]: text.length },
      });
      writeFileSync(path.join(dist, `${name}.br`), packed);
    }),
  );
}

/** The service worker that lets the app open without a network: all of the app, nothing of the data. */
async function makeServiceWorker(dist) {
  // Loaded late: the packages are not there yet when a fresh clone starts.
  const { generateSW } = await import('workbox-build');
  await generateSW({
    globDirectory: dist,
    globPatterns: ['**/*.{js,html,svg,png,woff2,css,webmanifest}'],
    swDest: path.join(dist, 'sw.js'),
    inlineWorkboxRuntime: true,
    sourcemap: false,
    mode: 'production',
    importScripts: ['/sw-routes.js'],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/healthz/, /^\/readyz/],
    // Names of built files carry their hash already.
    dontCacheBustURLsMatching: /\/_expo\/|\/assets\//,
    maximumFileSizeToCacheInBytes: 6e6,
    cleanupOutdatedCaches: true,
    clientsClaim: true,
  });
}

/** Prints advice plainly and everything else with its trace, then ends. */
export function fail(error) {
  console.error(error instanceof Advice ? `\n${error.message}` : error);
  process.exitCode = 1;
}
