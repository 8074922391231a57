// Builds the interface for the jar: installs what the lock file says, makes the types from the server's description,
// checks format and types, and bundles. What hasn't changed since the last time isn't done again.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm';
const stampFile = join('target', 'built-from');
const inputs = [
  'src',
  'public',
  'scripts',
  'index.html',
  'package.json',
  'package-lock.json',
  'vite.config.ts',
  'vite.modules.config.ts',
  'tsconfig.json',
  'biome.json',
  join('..', 'docs', 'openapi.json'),
];

function filesIn(path) {
  if (!existsSync(path)) return [];
  if (statSync(path).isFile()) return path.endsWith('schema.d.ts') ? [] : [path];
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesIn(join(path, name)));
}

function digest(paths) {
  const hash = createHash('sha256').update(process.version);
  for (const path of paths.flatMap(filesIn)) hash.update(path).update(readFileSync(path));
  return hash.digest('hex');
}

function run(...args) {
  const done = spawnSync(npm, args, { stdio: ['ignore', 'inherit', 'inherit'] });
  if (done.error) throw done.error;
  if (done.status !== 0) process.exit(done.status ?? 1);
}

// While the server's description is being written anew, the interface may not fit to it yet.
if (process.env.NAVLO_WEB === 'as-it-is') {
  mkdirSync(join('target', 'classes', 'static'), { recursive: true });
  process.exit(0);
}

const wanted = digest(inputs);
const built = existsSync(stampFile) ? readFileSync(stampFile, 'utf8') : '';
if (built !== wanted || !existsSync(join('target', 'classes', 'static', 'index.html'))) {
  const lock = digest(['package-lock.json', 'package.json']);
  const lockFile = join('node_modules', '.installed-from');
  if (!existsSync(lockFile) || readFileSync(lockFile, 'utf8') !== lock) {
    run('ci', '--no-audit', '--no-fund', '--loglevel=error');
    writeFileSync(lockFile, lock);
  }
  run('run', '--silent', 'check');
  run('run', '--silent', 'build');
  mkdirSync('target', { recursive: true });
  writeFileSync(stampFile, wanted);
}
