import { afterEach, expect, it, vi } from 'vitest';
import { askAfterServer } from '../base/connection';
import { shell } from '../base/page.svelte';

afterEach(() => vi.unstubAllGlobals());
const server = (answer: () => Promise<Response>) => vi.stubGlobal('fetch', answer);

it('a server that answers is there, whatever the browser says of the network; one that does not, or has no database, is away', async () => {
  server(async () => new Response('well'));
  shell.away = true;
  await askAfterServer();
  expect(shell.away).toBe(false);
  for (const gone of [
    () => Promise.reject(new TypeError('network')),
    async () => new Response('no database', { status: 503 })
  ]) {
    shell.away = false;
    server(gone);
    await askAfterServer();
    expect(shell.away).toBe(true);
  }
});
