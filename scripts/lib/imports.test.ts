import { execFile } from 'node:child_process';
import { copyFile, mkdir, mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';

/** The rules for imports, held against files that break them: a check that resolves nothing finds nothing. */
const root = join(import.meta.dirname, '../..');
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'imports-'));
  for (const file of ['.dependency-cruiser.cjs', 'tsconfig.imports.json'])
    await copyFile(join(root, file), join(folder, file));
});
afterAll(() => rm(folder, { recursive: true, force: true }));

/** What the import check says of a tree with these files in it. */
async function said(files: Record<string, string>): Promise<string> {
  await rm(join(folder, 'src'), { recursive: true, force: true });
  for (const [path, text] of Object.entries(files)) {
    await mkdir(dirname(join(folder, path)), { recursive: true });
    await writeFile(join(folder, path), text);
  }
  const cruise = join(root, 'node_modules/dependency-cruiser/bin/dependency-cruise.mjs');
  return new Promise((over) =>
    execFile(
      process.execPath,
      [cruise, 'src', '--config', '.dependency-cruiser.cjs'],
      { cwd: folder },
      (_, out) => over(out)
    )
  );
}
const twoNouns = (side: string, how: (noun: string) => string) => ({
  [`src/lib/${side}/wheel/a.ts`]: `import { b } from '${how('axle')}';\nexport const a = b;\n`,
  [`src/lib/${side}/wheel/c.ts`]: `export const c = 1;\n`,
  [`src/lib/${side}/axle/b.ts`]: `import { c } from '${how('wheel').replace(/b$/, 'c')}';\nexport const b = c;\n`
});

it('finds two nouns that need each other, on every side and by whatever way they name each other; one that leans on another it lets be', async () => {
  const beside = (noun: string) => `../${noun}/b`;
  const found = await said({
    ...twoNouns('core', beside),
    ...twoNouns('server', beside),
    ...twoNouns('ui', (noun) => `$lib/ui/${noun}/b`),
    'src/lib/server/frame/a.ts': `import { b } from '../axle/b';\nexport const a = b;\n`
  });
  for (const rule of ['no-cycle-between-nouns:', 'nouns-of-server', 'nouns-of-ui'])
    expect(found).toContain(rule);
  expect(found).not.toContain('server/frame');
});

it('what a noun says of its commands is read where all of them are gathered, and nowhere else', async () => {
  const files = await readdir(join(root, 'src'), { recursive: true });
  const readers: string[] = [];
  for (const file of files.filter((f) => /\.(ts|svelte)$/.test(f) && !f.endsWith('.test.ts'))) {
    const text = await readFile(join(root, 'src', file), 'utf8');
    const lists = [...text.matchAll(/from '([^']*\/commands)'/g)].map((m) => m[1]!);
    // The list of all of them has that name too.
    const own = file.startsWith('lib/core/command/') ? './commands' : null;
    if (lists.some((l) => l !== own && !l.endsWith('/command/commands'))) readers.push(file);
  }
  expect(readers.sort()).toEqual([
    'lib/core/command/commands.ts',
    'lib/core/command/rules.ts',
    'lib/server/commands/registry.ts'
  ]);
});
