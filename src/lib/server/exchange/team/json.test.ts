import { expect, it } from 'vitest';
import fc from 'fast-check';
import { BOUNDS, readBounded } from './json';

async function* inParts(text: string, size = 7): AsyncGenerator<Uint8Array> {
  const bytes = new TextEncoder().encode(text);
  for (let i = 0; i < bytes.length; i += size) yield bytes.subarray(i, i + size);
}
const read = (text: string, more: object = {}) => readBounded(inParts(text), { ...BOUNDS, ...more });

it('reads what JSON.parse reads, wherever it is cut', async () => {
  await fc.assert(
    fc.asyncProperty(fc.jsonValue({ maxDepth: 6 }), fc.integer({ min: 1, max: 9 }), async (value, size) => {
      const text = JSON.stringify({ value });
      expect(await readBounded(inParts(text, size))).toEqual(JSON.parse(text));
    })
  );
});
it('refuses what is no JSON, half of it, more after it, and what is no UTF-8', async () => {
  for (const text of ['', '{', '{"a":', '{"a":1}}', '{"a":1} {"b":2}', '[1,]', 'nul'])
    await expect(read(text), text).rejects.toMatchObject({ words: 'What is in this file cannot be read.' });
  const half = (async function* () {
    yield new Uint8Array([0x22, 0xff, 0xfe, 0x22]);
  })();
  await expect(readBounded(half)).rejects.toMatchObject({ words: 'What is in this file cannot be read.' });
});
it('stops at what is too deep, too many, too long or too much, and reads nothing of what follows', async () => {
  let read = 0;
  const endless = async function* (head: string, more: string) {
    yield new TextEncoder().encode(head);
    for (; read < 1e5; read++) yield new TextEncoder().encode(more.repeat(500));
  };
  const refusal = async (head: string, more: string) => {
    read = 0;
    const words = await readBounded(endless(head, more), { ...BOUNDS, rows: 5000, tokens: 20_000 }).catch(
      (e: { words: string }) => e.words
    );
    return [words, read < 1000];
  };
  expect(await refusal('', '[')).toEqual(['What is in this file is nested deeper than any book is.', true]);
  expect(await refusal('{"tables":{"machine":[{}', ',{}')).toEqual([
    'There are more rows in this file than any team has.',
    true
  ]);
  expect(await refusal('{"tables":{"machine":[{"a":[0', ',0')).toEqual([
    'There is a row in this file that is longer than any can be.',
    true
  ]);
  const small = { ...BOUNDS, bytes: 10_000 };
  await expect(readBounded(endless('', '     '), small)).rejects.toMatchObject({
    words: 'There is more in this file than can be read.'
  });
});
it('a key that is called like the prototype is a key', async () => {
  const json = (await read('{"__proto__":{"polluted":true}}')) as object;
  expect(Object.keys(json)).toEqual(['__proto__']);
  expect(({} as { polluted?: unknown }).polluted).toBeUndefined();
});
