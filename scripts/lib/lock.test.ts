import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { claimFolder } from './lock.mjs';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'lock-'));
});
afterEach(() => rmSync(folder, { recursive: true }));
const mine = { pid: 11, address: 'http://127.0.0.1:1' };
const other = { pid: 22, address: 'http://127.0.0.1:2' };

it('one start has a folder at a time; the second is told where the first is', () => {
  const first = claimFolder(folder, mine, () => true);
  expect(first.takenOver).toBe(false);
  expect(() => claimFolder(folder, other, () => true)).toThrow(
    /already \(process 11, http:\/\/127\.0\.0\.1:1\)/
  );
  first.release();
  expect(claimFolder(folder, other, () => true).takenOver).toBe(false);
});
it('what a killed start left behind is taken over, and so is rubbish', () => {
  claimFolder(folder, mine, () => true);
  expect(claimFolder(folder, other, () => false).takenOver).toBe(true);
  writeFileSync(join(folder, 'start.lock'), 'rubbish');
  expect(claimFolder(folder, mine, () => true).takenOver).toBe(true);
});
it('gives up only what is its own', () => {
  const first = claimFolder(folder, mine, () => true);
  claimFolder(folder, other, () => false);
  first.release();
  expect(existsSync(join(folder, 'start.lock'))).toBe(true);
});
it('a number that is another program’s now is nobody’s claim', () => {
  // This very process runs tests, not a start.
  claimFolder(folder, { pid: process.pid, address: 'x' }, () => true);
  expect(claimFolder(folder, other).takenOver).toBe(true);
});
