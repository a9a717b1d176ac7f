/**
 * Puts into package-lock.json the optional packages for other platforms that npm left out.
 *
 * Behind a registry that mirrors one platform only, `npm install` drops what it cannot fetch from the lock file, and `npm ci`
 * then refuses that lock file everywhere. Run this after every `npm install`: it adds the missing entries with the version
 * their parent asks for and the platform their name says, so that `npm ci` skips them where they do not fit.
 */
import { readFileSync, writeFileSync } from 'node:fs';

const file = new URL('../package-lock.json', import.meta.url);
const lock = JSON.parse(readFileSync(file, 'utf8'));
const OS = [
  'android',
  'darwin',
  'freebsd',
  'linux',
  'win32',
  'openbsd',
  'netbsd',
  'sunos',
  'aix',
  'openharmony'
];
const CPU = ['arm64', 'x64', 'arm', 'ia32', 'ppc64', 'riscv64', 's390x', 'loong64', 'mips64el', 'wasm32'];

let added = 0;
for (const [path, entry] of Object.entries(lock.packages)) {
  for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
    const nested = `${path}/node_modules/${name}`;
    const flat = `node_modules/${name}`;
    if (lock.packages[nested] || lock.packages[flat]?.version === version) continue;
    if (!/^\d/.test(version)) continue;
    const words = name.split(/[/-]/);
    const os = OS.filter((o) => words.includes(o));
    const cpu = CPU.filter((c) =>
      words.some(
        (w) =>
          w === c || w.startsWith(`${c}_`) || (c === 'arm' && /^arm(v?\d|eabi|hf)/.test(w) && w !== 'arm64')
      )
    );
    lock.packages[lock.packages[flat] ? nested : flat] = {
      version,
      ...(cpu.length > 0 && { cpu: cpu.slice(0, 1) }),
      dev: true,
      optional: true,
      ...(os.length > 0 && { os: os.slice(0, 1) })
    };
    added += 1;
  }
}
lock.packages = Object.fromEntries(Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : 1)));
writeFileSync(file, `${JSON.stringify(lock, null, 2)}\n`);
console.log(`${added} entries added.`);
