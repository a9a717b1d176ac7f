import 'fake-indexeddb/auto';
import { deleteDB, openDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { patiently } from '../../../../tests/patiently';
import type { Envelope } from '../../core/command/envelope';
import { IN_PAGE, KEPT, Outbox } from './outbox.svelte';
import { open, store } from '../offline/store';

type Answer = { ok: boolean; data?: unknown; errors?: object; more?: object };
/** A stand-in for the server: what it carried out, in order, each once. */
class Server {
  up = true;
  /** It carries it out, and the answer is lost. */
  loses = 0;
  done: Envelope[] = [];
  requests: string[][] = [];
  /** What it says to one; undefined: taken. */
  says: (c: Envelope) => Answer | undefined = () => undefined;
  photos: string[] = [];
  answer = async (url: string, init: { body: string }): Promise<Response> => {
    if (!this.up) throw new TypeError('network');
    if (url.startsWith('/api/photos')) {
      this.photos.push(url.split('id=')[1]!);
      return Response.json({ ok: true, data: null });
    }
    const { commands } = JSON.parse(init.body) as { commands: Envelope[] };
    this.requests.push(commands.map((c) => c.id));
    const refused = new Set<string>();
    const outcomes = commands.map((c) => {
      if (c.after && refused.has(c.after)) {
        refused.add(c.id);
        return { id: c.id, ok: false, errors: {}, more: { waits: true } };
      }
      const said = this.says(c);
      if (said && !said.ok) {
        refused.add(c.id);
        return { id: c.id, errors: {}, more: {}, ...said };
      }
      if (!this.done.some((d) => d.id === c.id)) this.done.push(c);
      return { id: c.id, ok: true, data: `done ${c.id}` };
    });
    if (this.loses > 0) {
      this.loses -= 1;
      throw new TypeError('lost');
    }
    return Response.json({ ok: true, outcomes });
  };
}
let server: Server;
let outbox: Outbox;
beforeEach(() => {
  server = new Server();
  outbox = new Outbox();
  vi.stubGlobal('fetch', (url: string, init: { body: string }) => server.answer(url, init));
});
afterEach(async () => {
  for (const { id } of await store.all()) await store.drop(id);
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});
/** What the window itself keeps over a reload. */
function withTab(): Map<string, string> {
  const kept = new Map<string, string>();
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    removeItem: (k: string) => kept.delete(k)
  });
  return kept;
}
const known = (id: string) => ({ id, at: '2026-06-10T10:00:00Z' });
const find = (id: string, what = 'Seal weeps') => outbox.send('finding.add', { what }, known(id));
const keptAre = (ids: string[]) =>
  patiently(async () => expect((await store.all()).map((k) => k.id).sort()).toEqual(ids));

describe('an outbox', () => {
  it('brings back what became of a command, and keeps nothing of it', async () => {
    expect(await find('a')).toEqual({ ok: true, id: 'a', data: 'done a' });
    expect(outbox.items).toEqual([]);
    await keptAre([]);
  });

  it('a form is told why it was refused; it has what was typed, so nothing is kept', async () => {
    server.says = () => ({ ok: false, errors: { what: 'What is wrong?' } });
    expect(await find('a')).toMatchObject({ ok: false, errors: { what: 'What is wrong?' } });
    await keptAre([]);
  });

  it('without an answer it keeps it over a reload, and sends it in the order written, each once', async () => {
    server.up = false;
    for (const id of ['c', 'a', 'b'])
      expect(await find(id)).toEqual({ ok: false, errors: { '': KEPT }, more: { retry: true, kept: true } });
    await keptAre(['a', 'b', 'c']);
    outbox = new Outbox();
    await outbox.load();
    expect(outbox.waiting.map((k) => k.id)).toEqual(['c', 'a', 'b']);
    server.up = true;
    server.loses = 1;
    await outbox.flush();
    expect(outbox.waiting).toHaveLength(3);
    await outbox.flush();
    expect(server.done.map((c) => c.id)).toEqual(['c', 'a', 'b']);
    expect([outbox.items, outbox.stuck]).toEqual([[], null]);
    await keptAre([]);
  });

  it('what had to wait and is refused stays, with its reason and what was typed, and holds nothing up', async () => {
    server.up = false;
    await find('a', 'Wrong');
    await find('b');
    server.up = true;
    server.says = (c) => (c.id === 'a' ? { ok: false, errors: { '': 'No such machine.' } } : undefined);
    await outbox.flush();
    expect(server.done.map((c) => c.id)).toEqual(['b']);
    expect(outbox.refused).toMatchObject([
      { id: 'a', body: { what: 'Wrong' }, refused: { errors: { '': 'No such machine.' } } }
    ]);
    await keptAre(['a']);
    server.says = () => undefined;
    await outbox.again('a');
    expect(server.done.map((c) => c.id)).toEqual(['b', 'a']);
    await keptAre([]);
  });

  it('refused is answered: that there was no answer is no longer said', async () => {
    server.up = false;
    await find('a');
    expect(outbox.stuck).toBe('No answer from the server.');
    server.up = true;
    server.says = () => ({ ok: false, errors: { '': 'No.' } });
    await outbox.flush();
    expect([outbox.refused.length, outbox.stuck]).toEqual([1, null]);
  });

  it('what somebody else wrote on this device waits for them, and holds nothing of others up', async () => {
    server.up = false;
    outbox.who = 'wren';
    await find('a');
    server.up = true;
    outbox.who = 'jory';
    expect(await find('b')).toMatchObject({ ok: true });
    expect(outbox.waiting.map((k) => k.id)).toEqual(['a']);
    outbox.who = 'wren';
    server.says = () => ({ ok: false, errors: { '': 'No.' } });
    await outbox.flush();
    expect(outbox.refused.map((k) => k.id)).toEqual(['a']);
    // What it says is nobody else's to read, or to let go.
    outbox.who = 'jory';
    expect([outbox.refused, outbox.items.length]).toEqual([[], 1]);
    outbox.who = 'wren';
    server.says = () => undefined;
    await outbox.again('a');
    expect(server.done.map((c) => c.id)).toEqual(['b', 'a']);
  });

  it('a session that has ended loses nothing: it waits, and says why', async () => {
    vi.stubGlobal('fetch', async () => Response.json({ message: 'Sign in first.' }, { status: 401 }));
    expect(await find('a')).toMatchObject({
      errors: { '': `Sign in first. ${KEPT}` },
      more: { kept: true }
    });
    expect([outbox.stuck, outbox.waiting.length]).toEqual(['Sign in first.', 1]);
  });

  it('of one place each rests on the one before; of others it does not', async () => {
    server.up = false;
    const enter = (id: string, visitId: string) =>
      outbox.add('visit.enter', { visitId, entry: { id } }, known(id));
    enter('a', 'v');
    enter('b', 'w');
    enter('c', 'v');
    await outbox.flush();
    server.up = true;
    const after: Record<string, string | null | undefined> = {};
    server.says = (c) => {
      after[c.id] = c.after;
      return undefined;
    };
    await outbox.flush();
    expect(after).toEqual({ a: undefined, b: undefined, c: 'a' });
  });

  describe('a visit begun here', () => {
    const begin = async (who = '') => {
      server.up = false;
      outbox.who = who;
      const enter = (id: string) => outbox.add('visit.enter', { visitId: 'v', entry: { id } }, known(id));
      await outbox.send('visit.start', { id: 'v', machineId: 'm' }, known('s'));
      enter('a');
      enter('b');
      await find('elsewhere');
      server.up = true;
    };
    const no = (c: Envelope) =>
      c.kind === 'visit.start' ? { ok: false, errors: { '': 'Another one stands open.' } } : undefined;

    it('goes with all that was written in it, its beginning first', async () => {
      await begin();
      await outbox.flush();
      expect(server.done.map((c) => c.id)).toEqual(['s', 'a', 'b', 'elsewhere']);
    });
    it('refused, keeps back what was written in it and nothing else; sent again, all of it goes', async () => {
      await begin();
      server.says = no;
      await outbox.flush();
      expect(server.done.map((c) => c.id)).toEqual(['elsewhere']);
      expect(outbox.refused.map((k) => k.id)).toEqual(['s']);
      expect(outbox.waiting.map((k) => k.id)).toEqual(['a', 'b']);
      server.says = () => undefined;
      await outbox.again('s');
      expect(server.done.map((c) => c.id)).toEqual(['elsewhere', 's', 'a', 'b']);
    });
    it('refused, keeps back what was measured in it too, and what comes after that', async () => {
      await begin();
      const valves = (id: string, more: object) =>
        outbox.add('valve.measure', { headId: 'h', ...more }, known(id));
      valves('m', { visitId: 'v' });
      outbox.add('valve.shim', { headId: 'h' }, known('n'));
      server.says = no;
      await outbox.flush();
      await outbox.flush();
      expect(server.done.map((c) => c.id)).toEqual(['elsewhere']);
      expect(outbox.refused.map((k) => k.id)).toEqual(['s']);
      expect(outbox.held.map((k) => k.id)).toEqual(['a', 'b', 'm', 'n']);
      server.says = () => undefined;
      await outbox.again('s');
      expect(server.done.map((c) => c.id)).toEqual(['elsewhere', 's', 'a', 'b', 'm', 'n']);
    });
    it('refused and let go, it goes with what was written in it', async () => {
      await begin();
      server.says = no;
      await outbox.flush();
      expect(outbox.restsOn(outbox.refused[0]!).map((k) => k.id)).toEqual(['a', 'b']);
      outbox.letGo('s');
      await outbox.flush();
      expect([outbox.items, server.done.map((c) => c.id)]).toEqual([[], ['elsewhere']]);
      await keptAre([]);
    });
    it('by somebody else, keeps back what others wrote in it until they are in', async () => {
      await begin('wren');
      outbox.who = 'jory';
      outbox.add('visit.enter', { visitId: 'v', entry: { id: 'c' } }, known('c'));
      await outbox.flush();
      expect(server.done).toEqual([]);
      outbox.who = 'wren';
      await outbox.flush();
      outbox.who = 'jory';
      await outbox.flush();
      expect(server.done.map((c) => c.id)).toEqual(['s', 'a', 'b', 'elsewhere', 'c']);
    });
  });

  it('a list that cannot be read is sent one by one: only the one to blame stays', async () => {
    server.up = false;
    for (const id of ['a', 'b', 'c']) outbox.add('finding.add', { what: id }, known(id));
    await outbox.flush();
    vi.stubGlobal('fetch', (url: string, init: { body: string }) =>
      init.body.includes('"id":"b"')
        ? Promise.resolve(
            Response.json({ ok: false, errors: { commands: 'Not an id.' }, more: {} }, { status: 422 })
          )
        : server.answer(url, init)
    );
    server.up = true;
    await outbox.flush();
    expect(server.done.map((c) => c.id)).toEqual(['a', 'c']);
    expect(outbox.refused.map((k) => k.id)).toEqual(['b']);
  });

  it('a photo goes by itself: its pixels, then the word where they belong; what was written before it goes first', async () => {
    server.up = false;
    const pixels = new Blob(['x'], { type: 'image/png' });
    await find('a');
    await outbox.send('finding.photo', { findingId: 'f', photoId: 'p' }, known('b'), pixels);
    await find('c');
    await keptAre(['a', 'b', 'c']);
    outbox = new Outbox();
    await outbox.load();
    server.up = true;
    await outbox.flush();
    expect(server.photos).toEqual(['p']);
    expect(server.requests).toEqual([['a'], ['b'], ['c']]);
    await patiently(async () => expect(await store.pixels('p')).toBeNull());
  });

  it('two windows: what one has sent the other neither sends nor shows', async () => {
    server.up = false;
    await find('a');
    await keptAre(['a']);
    const other = new Outbox();
    await other.load();
    server.up = true;
    await outbox.flush();
    await keptAre([]);
    await other.load();
    expect([other.items, server.requests.length]).toEqual([[], 1]);
  });

  it('the same pressed twice while it waits is one command', async () => {
    server.up = false;
    await find('a');
    const same = outbox.same('finding.add', { what: 'Seal weeps' });
    expect(same?.id).toBe('a');
    expect(outbox.same('finding.add', { what: 'Another' })).toBeNull();
    await outbox.send('finding.add', { what: 'Seal weeps' }, same!);
    expect(outbox.waiting).toHaveLength(1);
  });

  it('what is pressed before the page has read what it kept goes after that', async () => {
    server.up = false;
    for (const id of ['a', 'b', 'c']) await find(id);
    await keptAre(['a', 'b', 'c']);
    outbox = new Outbox();
    vi.useFakeTimers({ toFake: ['Date'], now: Date.now() + 1000 });
    outbox.add('finding.add', { what: 'Later' }, known('d'));
    vi.useRealTimers();
    await outbox.load();
    server.up = true;
    await outbox.flush();
    expect(server.done.map((c) => c.id)).toEqual(['a', 'b', 'c', 'd']);
  });

  it('two that wait for one command are both told', async () => {
    const both = await Promise.all([find('a'), find('a')]);
    expect(both).toEqual([both[0], both[0]]);
    expect(both[0]).toMatchObject({ ok: true });
    expect(server.requests).toEqual([['a']]);
  });

  it('what is written as the last of it is answered goes with the next, once', async () => {
    const later: Promise<unknown>[] = [];
    outbox.listen('', {
      became: () => {
        if (later.length === 0) later.push(find('b'));
        return false;
      }
    });
    await find('a');
    await Promise.all(later);
    expect(server.requests).toEqual([['a'], ['b']]);
    expect(outbox.items).toEqual([]);
  });

  it('where the browser keeps nothing it says so, goes on, and forgets nothing of it by looking', async () => {
    server.up = false;
    vi.spyOn(store, 'put').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    await find('a');
    await patiently(() => expect(outbox.unkept).toBe(true));
    await outbox.load();
    expect(outbox.waiting).toHaveLength(1);
    server.up = true;
    await outbox.flush();
    expect(server.done.map((c) => c.id)).toEqual(['a']);
  });

  it('a full device is told in one true sentence, and what only the page has is there after a reload', async () => {
    const kept = withTab();
    server.up = false;
    const full = vi.spyOn(store, 'put').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    await find('a');
    await patiently(() => expect(outbox.unkept).toBe(true));
    const { errors } = (await find('b')) as { errors: Record<string, string> };
    expect(errors['']).toContain(IN_PAGE);
    expect(errors['']).not.toContain('Kept on this device');

    // The page is read anew.
    outbox = new Outbox();
    await outbox.load();
    expect(outbox.waiting.map((k) => k.id)).toEqual(['a', 'b']);
    await patiently(() => expect(outbox.unkept).toBe(true));
    // There is room again: it goes where it belongs, and the page may be left.
    full.mockRestore();
    outbox = new Outbox();
    await outbox.load();
    await patiently(async () => expect((await store.all()).map((k) => k.id)).toEqual(['a', 'b']));
    expect(kept.size).toBe(0);
    server.up = true;
    await outbox.flush();
    expect(server.done.map((c) => c.id)).toEqual(['a', 'b']);
    await patiently(() => expect(outbox.unkept).toBe(false));
  });

  it('a page that is read anew in the moment of a press loses nothing, and sends it once', async () => {
    const kept = withTab();
    server.up = false;
    // The page is gone before the store of the device has it; or before it hears that the store has it.
    const put = store.put;
    const slow = vi.spyOn(store, 'put').mockImplementation(async (k) => {
      if (k.id === 'b') await put(k);
      return new Promise(() => {});
    });
    for (const id of ['a', 'b']) outbox.add('finding.add', { what: 'Seal weeps' }, known(id));
    await keptAre(['b']);
    slow.mockRestore();
    outbox = new Outbox();
    await outbox.load();
    expect(outbox.waiting.map((k) => k.id)).toEqual(['a', 'b']);
    await keptAre(['a', 'b']);
    await patiently(() => expect(kept.size).toBe(0));
    server.up = true;
    await outbox.flush();
    expect(server.requests).toEqual([['a', 'b']]);
  });

  it('a photo that could not be stored is sent from the page all the same', async () => {
    server.up = false;
    vi.spyOn(store, 'putWithPixels').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    const photo = { photoId: 'p', findingId: 'f' };
    outbox.add('finding.photo', photo, { id: 'c', at: '2026-06-10T10:00:00Z' }, new Blob(['pixels']));
    await patiently(() => expect(outbox.unkept).toBe(true));
    server.up = true;
    await outbox.flush();
    expect([server.photos, server.done.map((c) => c.id)]).toEqual([['p'], ['c']]);
  });

  it('what was refused is put right under its own id, and goes', async () => {
    server.says = (c) =>
      (c.body as { typed?: string }).typed === '32'
        ? undefined
        : { ok: false, errors: { typed: 'Lower than the last.' } };
    outbox.add('reading.log', { typed: '3.2' }, { id: 'r', at: '2026-06-10T10:00:00Z' });
    await outbox.flush();
    expect(outbox.refused).toMatchObject([{ id: 'r', body: { typed: '3.2' } }]);
    await outbox.correct('r', { typed: '32' });
    expect([outbox.items, server.done.map((c) => [c.id, c.body])]).toEqual([[], [['r', { typed: '32' }]]]);
  });
});

it('what an earlier release kept of visits is taken over', async () => {
  await deleteDB('hour-trail-earlier');
  const earlier = await openDB('hour-trail-earlier', 1, {
    upgrade: (db) => void db.createObjectStore('waiting', { keyPath: 'entry.id' })
  });
  await earlier.put('waiting', {
    entry: { id: 'e' },
    at: '2026-06-10T10:00:00Z',
    n: 3,
    failed: 0,
    visitId: 'v'
  });
  earlier.close();
  const db = await open('hour-trail-earlier');
  expect(await db.getAll('commands')).toMatchObject([
    {
      id: 'e',
      kind: 'visit.enter',
      body: { visitId: 'v', entry: { id: 'e' } },
      place: 'visit v',
      waited: true
    }
  ]);
  expect([...db.objectStoreNames]).toEqual(['commands', 'photos', 'taken']);
  db.close();
});
