import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { must } from './run.mjs';
import { during } from './say.mjs';

export const root = new URL('../../', import.meta.url).pathname;
const stamp = join(root, 'build/.sources');
const sources = [
  'src',
  'static',
  'demo',
  'patches',
  'package-lock.json',
  'svelte.config.js',
  'vite.config.ts',
  'tsconfig.json'
];

function hashOf(paths) {
  const hash = createHash('sha256');
  const walk = (path) => {
    const full = join(root, path);
    if (!existsSync(full)) return;
    if (statSync(full).isDirectory()) {
      for (const entry of readdirSync(full).sort()) walk(join(path, entry));
    } else {
      hash.update(path).update('\0').update(readFileSync(full)).update('\0');
    }
  };
  paths.forEach(walk);
  return hash.digest('hex');
}

/** Installs the packages when they are missing or the lock file changed since. */
export async function ensurePackages() {
  const mark = join(root, 'node_modules/.hour-trail-lock');
  const now = hashOf(['package-lock.json', 'patches']);
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return;
  await during('Installing packages (about a minute the first time)', () =>
    must('npm ci', 'npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error'], { cwd: root })
  );
  writeFileSync(mark, now);
}

/** Builds the app for production when its sources changed since the last build. */
export async function ensureBuild() {
  const now = hashOf(sources);
  if (existsSync(stamp) && existsSync(join(root, 'build/index.js')) && readFileSync(stamp, 'utf8') === now)
    return;
  await during('Building the app (about half a minute)', () =>
    must('Building the app', 'npx', ['vite', 'build'], { cwd: root })
  );
  writeFileSync(stamp, now);
}
