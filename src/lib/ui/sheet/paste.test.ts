import { afterEach, describe, expect, it, vi } from 'vitest';
import { readFastenerRows } from '$lib/core/specs/rows';
import { pasteRows } from './paste';

interface Command {
  id: string;
  kind: string;
  after?: string;
  body: { name?: string; id: string; fastenerId?: string; typed?: string; confidence?: string };
}
const from = { source: 'Handbook', edition: '', confidence: 'printed' };
const rows = readFastenerRows('Drain plug\t20 N·m\nSkid plate\t9 oz\nSeat', ['engine']);

/** A server that refuses what it is told to, by the name or figure in its body. */
function server(refuses: Record<string, string>, up = () => true) {
  const seen: Command[][] = [];
  vi.stubGlobal('fetch', async (_: string, init: { body: string }) => {
    const { commands } = JSON.parse(init.body) as { commands: Command[] };
    seen.push(commands);
    if (!up()) throw new TypeError('network');
    const outcomes = commands.map(({ id, body }) => {
      const no = refuses[body.typed ?? body.name ?? ''];
      return no ? { id, ok: false, errors: { x: no }, more: {} } : { id, ok: true, data: null };
    });
    return Response.json({ ok: true, outcomes });
  });
  return seen;
}
afterEach(() => vi.unstubAllGlobals());

describe('rows pasted onto a sheet', () => {
  it('a torque in words is told, not printed: no page of a manual was named', async () => {
    const seen = server({});
    await pasteRows('m', readFastenerRows('Seat bolt\ttighten securely\nAxle\t90 N·m', ['engine']), from);
    expect(seen.flat().flatMap(({ kind, body }) => (kind === 'figure.add' ? [body.confidence] : []))).toEqual(
      ['told', 'printed']
    );
  });
  it('go each with its torque after it; what is refused is said of its own row', async () => {
    const seen = server({ '9 oz': 'measures weight', Seat: 'has one of that name' });
    expect(await pasteRows('m', rows, from)).toEqual([
      { name: 'Drain plug', added: true, why: null },
      { name: 'Skid plate', added: true, why: 'measures weight' },
      { name: 'Seat', added: false, why: 'has one of that name' }
    ]);
    const [plug, torque] = seen[0]!;
    expect(torque).toMatchObject({
      kind: 'figure.add',
      after: plug!.id,
      body: { fastenerId: plug!.body.id }
    });
    expect(seen[0]).toHaveLength(5);
  });
  it('go under the same ids when no answer came', async () => {
    let up = false;
    const seen = server({}, () => up);
    const lost = await pasteRows('n', rows, from);
    expect(lost.every((p) => !p.added && p.why?.startsWith('No answer'))).toBe(true);
    up = true;
    await pasteRows('n', rows, from);
    const ids = (list: Command[]) => list.flatMap((c) => [c.id, c.body.id]);
    expect(ids(seen[1]!)).toEqual(ids(seen[0]!));
  });
  it('go in several requests where they are many', async () => {
    const many = readFastenerRows(Array.from({ length: 90 }, (_, i) => `Bolt ${i}`).join('\n'), []);
    const seen = server({});
    expect(await pasteRows('m', many, from)).toHaveLength(90);
    expect(seen.map((s) => s.length)).toEqual([40, 40, 10]);
  });
});
