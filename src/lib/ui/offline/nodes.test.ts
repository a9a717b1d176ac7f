import { describe, expect, it } from 'vitest';
import { dataOf } from './names';
import { stringify, unflatten } from 'devalue';
import { frameOf, keyOf, NOT_HERE, notHere, ownPage, saidOf, whole } from './nodes';

const FRAME = { type: 'data', data: [{ team: 1 }, 'Moor End'], uses: {} };
const PAGE = { type: 'data', data: [{ machine: 1 }, 'Fell 250'], uses: {} };
const answer = (...nodes: unknown[]) => JSON.stringify({ type: 'data', nodes });
const frame = answer(FRAME);

describe('the data of a page', () => {
  it('are kept with their frame, whether it came along or was there already', () => {
    expect(frameOf(answer(FRAME, PAGE))).toBe(frame);
    expect(whole(answer(FRAME, PAGE), null)).toBe(answer(FRAME, PAGE));
    expect(whole(answer({ type: 'skip' }, PAGE), frame)).toBe(answer(FRAME, PAGE));
  });
  it('are not kept where they are a part, an error or a redirect: nobody is shown half of a page', () => {
    expect(frameOf(answer({ type: 'skip' }, PAGE))).toBeNull();
    for (const text of [
      answer({ type: 'skip' }, PAGE),
      answer(FRAME),
      answer(FRAME, { type: 'skip' }),
      answer(FRAME, { type: 'error', error: { message: 'No such visit.' }, status: 404 }),
      JSON.stringify({ type: 'redirect', location: '/sign-in' }),
      '<html>',
      'null'
    ])
      expect(whole(text, null)).toBeNull();
  });
  it('say whether the server has such a page', () => {
    const error = (status: number) => ({ type: 'error', error: { message: '' }, status });
    expect(saidOf(answer(FRAME, PAGE))).toBe('here');
    expect(saidOf(answer({ type: 'skip' }, error(404)))).toBe('no such page');
    expect(saidOf(answer(FRAME, error(500)))).toBe('fault');
    expect(saidOf(JSON.stringify({ type: 'redirect', location: '/visits/v' }))).toBe('elsewhere');
    // A session that has ended takes no page off the device.
    expect(saidOf(JSON.stringify({ type: 'redirect', location: '/sign-in?to=/visits/v' }))).toBe('fault');
    expect(['<html>', 'null', '{}'].map(saidOf)).toEqual(['fault', 'fault', 'fault']);
  });
  it('of a page made here are read as the server’s are', () => {
    const data = { at: new Date('2026-06-10T10:00:00Z'), list: [{ a: null }], none: null };
    const made = whole(ownPage(stringify(data)), frame)!;
    const { nodes } = JSON.parse(made) as { nodes: { data: unknown[] }[] };
    expect(nodes[0]).toEqual(FRAME);
    expect(unflatten(nodes[1]!.data)).toEqual(data);
  });
  it('of one page are one, whatever the browser has of it; of another search another', () => {
    const at = 'http://tent/machines/m/round/__data.json';
    expect(keyOf(`${at}?x-sveltekit-invalidated=01`)).toBe(at);
    expect(keyOf(`${at}?log`)).toBe(at);
    expect(keyOf('http://tent/machines/m/visit/__data.json?task=t&x-sveltekit-invalidated=01')).toBe(
      'http://tent/machines/m/visit/__data.json'
    );
    expect(keyOf(`${at}?list=torque&x-sveltekit-invalidated=11`)).toBe(`${at}?list=torque`);
  });
  it('are asked for beside their page', () => {
    expect(dataOf('/')).toBe('/__data.json');
    expect(dataOf('/machines/m/round?list=washed')).toBe('/machines/m/round/__data.json?list=washed');
    expect(dataOf('/api/machines')).toBe('/api/machines');
  });
});

describe('a page that is not on the device', () => {
  const at = 'http://tent/machines/m/__data.json';
  const read = (kept: string | null, invalidated?: string) => {
    const { body, status } = notHere(kept, invalidated ? `${at}?x-sveltekit-invalidated=${invalidated}` : at);
    return { status, body: JSON.parse(body) as unknown };
  };
  const error = { type: 'error', error: { message: NOT_HERE }, status: 503 };
  it('says so within its frame', () => {
    for (const wanted of [undefined, '01', '11'])
      expect(read(frame, wanted)).toEqual({ status: 200, body: { type: 'data', nodes: [FRAME, error] } });
  });
  it('has its frame where that alone is asked for, and nothing where the page needs nothing of the server', () => {
    expect(read(frame, '1').body).toEqual({ type: 'data', nodes: [FRAME] });
    expect(read(frame, '10').body).toEqual({ type: 'data', nodes: [FRAME, { type: 'skip' }] });
  });
  it('on a device that has nothing at all is an error', () => {
    expect(read(null)).toEqual({ status: 503, body: { message: NOT_HERE } });
  });
});
