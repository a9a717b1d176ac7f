import 'fake-indexeddb/auto';
import { afterEach, expect, it, vi } from 'vitest';
import type { Envelope } from '$lib/core/command/envelope';
import { send, sendAll } from './send';

afterEach(() => vi.unstubAllGlobals());
/** A server that answers each command alike, and keeps what it was sent. */
function server(answer: (commands: Envelope[]) => Response | Promise<Response>) {
  const sent: Envelope[] = [];
  vi.stubGlobal('fetch', async (_: string, init: { body: string }) => {
    const { commands } = JSON.parse(init.body) as { commands: Envelope[] };
    sent.push(...commands);
    return answer(commands);
  });
  return sent;
}
const taken = (commands: Envelope[], data: unknown = null) =>
  Response.json({ ok: true, outcomes: commands.map(({ id }) => ({ id, ok: true, data })) });
const add = (name = 'Wren') => send('person.add', { id: 'p', name, role: 'mechanic' });

it('brings back what the server did, under its kind, its moment and an id of its own', async () => {
  const sent = server((c) => taken(c, 7));
  expect(await add()).toMatchObject({ ok: true, data: 7 });
  expect(sent[0]).toMatchObject({ kind: 'person.add', body: { name: 'Wren' } });
  expect(Date.parse(sent[0]!.at)).not.toBeNaN();
  await add();
  expect(sent[1]!.id).not.toBe(sent[0]!.id);
});
it('brings back errors by field, of this command or of all that were sent', async () => {
  const errors = { name: 'no' };
  server((c) =>
    Response.json({ ok: true, outcomes: [{ id: c[0]!.id, ok: false, errors, more: { doubts: [] } }] })
  );
  expect(await add()).toMatchObject({ ok: false, errors, more: { doubts: [] } });
  server(() =>
    Response.json({ ok: false, errors: { '': 'Who?' }, more: { needsWho: true } }, { status: 422 })
  );
  expect(await add()).toMatchObject({ ok: false, errors: { '': 'Who?' }, more: { needsWho: true } });
});
it('says a fault with the id it is logged under', async () => {
  server(() => Response.json({ message: 'Something went wrong on our side.', id: 'ab12' }, { status: 500 }));
  expect(await add()).toMatchObject({
    ok: false,
    errors: { '': 'Something went wrong on our side. (ab12)' }
  });
});
it('never throws: no server, or a proxy’s page, is an error of the form', async () => {
  server(() => Promise.reject(new TypeError('network')));
  expect(await add()).toMatchObject({ ok: false, errors: { '': expect.stringMatching(/^No answer/) } });
  server(() => new Response('<html>', { status: 502 }));
  expect(await add()).toMatchObject({ ok: false, errors: { '': expect.stringMatching(/^No answer/) } });
});
it('sent again after a lost answer it is the same command; changed in between, another', async () => {
  const sent = server(() => Promise.reject(new TypeError('network')));
  await add('Lost');
  await add('Lost');
  await add('Changed');
  expect(sent[1]!.id).toBe(sent[0]!.id);
  expect(sent[2]!.id).not.toBe(sent[0]!.id);
  const again = server((c) => taken(c));
  await add('Lost');
  expect(again[0]!.id).toBe(sent[0]!.id);
});
it('a list goes in one request, each under its own id, resting on what it is said to rest on', async () => {
  const sent = server((c) => taken(c));
  const body = { id: 'p', name: 'Wren', role: 'mechanic' };
  const answers = await sendAll([
    { kind: 'person.add', body, id: 'a' },
    { kind: 'person.add', body, id: 'b', after: 'a' }
  ]);
  expect(answers.map((a) => [a.id, a.ok])).toEqual([
    ['a', true],
    ['b', true]
  ]);
  expect(sent.map((c) => c.after)).toEqual([undefined, 'a']);
});
