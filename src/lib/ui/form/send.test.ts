import { afterEach, expect, it, vi } from 'vitest';
import { send } from './send';

afterEach(() => vi.unstubAllGlobals());
const server = (answer: () => Response | Promise<Response>) => vi.stubGlobal('fetch', async () => answer());

it('brings back what the server did', async () => {
  server(() => Response.json({ ok: true, data: 7 }));
  expect(await send('/x', {})).toEqual({ ok: true, data: 7 });
});
it('brings back errors by field', async () => {
  server(() => Response.json({ ok: false, errors: { typed: 'no' }, more: { doubts: [] } }, { status: 422 }));
  expect(await send('/x', {})).toEqual({ ok: false, errors: { typed: 'no' }, more: { doubts: [] } });
});
it('says a fault with the id it is logged under', async () => {
  server(() => Response.json({ message: 'Something went wrong on our side.', id: 'ab12' }, { status: 500 }));
  expect(await send('/x', {})).toMatchObject({
    ok: false,
    errors: { '': 'Something went wrong on our side. (ab12)' }
  });
});
it('never throws: no server, or a proxy’s page, is an error of the form', async () => {
  server(() => Promise.reject(new TypeError('network')));
  expect(await send('/x', {})).toMatchObject({
    ok: false,
    errors: { '': expect.stringMatching(/^No answer/) }
  });
  server(() => new Response('<html>', { status: 502 }));
  expect(await send('/x', {})).toMatchObject({
    ok: false,
    errors: { '': expect.stringMatching(/^No answer/) }
  });
});
