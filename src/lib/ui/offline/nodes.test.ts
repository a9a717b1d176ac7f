import { describe, expect, it } from 'vitest';
import { dataOf } from './names';
import { frameOf, keyOf, NOT_HERE, notHere, whole } from './nodes';

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
  it('of one page are one, whatever the browser has of it; of another search another', () => {
    const at = 'http://tent/machines/m/round/__data.json';
    expect(keyOf(`${at}?x-sveltekit-invalidated=01`)).toBe(at);
    expect(keyOf(`${at}?log`)).toBe(at);
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
