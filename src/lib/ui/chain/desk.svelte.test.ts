import 'fake-indexeddb/auto';
import { beforeEach, expect, it, vi } from 'vitest';
import type { Kind } from '../../core/command/commands';
import type { Reading } from '../../core/chain/check';
import { USUAL_DRIVE } from '../../core/chain/drive';
import type { ChainSheet } from '../../core/chain/sheet';
import { exactly } from '../../core/quantity/band';
import { quantity } from '../../core/quantity/quantity';
import { outbox } from '../outbox/outbox.svelte';
import { SlackDesk } from './desk.svelte';

const { send } = vi.hoisted(() => ({ send: vi.fn() }));
vi.mock('../form/send', () => ({ send, idsFor: () => [crypto.randomUUID()] }));
vi.mock('../base/wire', () => ({
  NO_SERVER: '',
  sendAll: (items: { id: string }[]) => Promise.resolve(items.map(({ id }) => ({ id, ok: true, data: 'c' })))
}));
vi.mock('$app/navigation', () => ({ invalidateAll: () => Promise.resolve() }));

const read = (more: Partial<Reading>): Reading => ({
  id: 'r',
  stage: 'found',
  slack: 40,
  slackest: null,
  left: null,
  right: null,
  typed: '40 mm',
  by: 'Ada',
  ...more
});
/** A sheet whose manual tells slack each way. */
const sheet = (readings: Reading[], text: string | null = null): ChainSheet => ({
  machineId: 'm',
  chain: null,
  front: null,
  rear: null,
  drive: { ...USUAL_DRIVE, adjuster: { ...USUAL_DRIVE.adjuster, lastMark: 18 } },
  known: true,
  figures: [
    {
      id: 'f',
      key: 'chain slack',
      fastenerId: null,
      band: text === null ? exactly(quantity(40, 'mm')) : null,
      text,
      source: 'Manual',
      page: '',
      confidence: 'printed',
      variant: ''
    }
  ],
  rules: { limit: 1.5, set: true, least: 8, tolerance: 5, finger: 16, dressing: 'lube' },
  check: readings.length > 0 ? { id: 'c', begunAt: new Date(0), by: 'Ada', readings } : null,
  past: [],
  lengths: [],
  looks: [],
  dressings: [],
  since: null,
  hours: 10,
  outings: 3
});
const sent = () => send.mock.calls.at(-1)![1].readings[0];

beforeEach(() => {
  send.mockReset().mockResolvedValue({ ok: true, data: 'c' });
});

it('a naked number is kept with the unit it was typed in, and shown bare only in that', async () => {
  const desk = new SlackDesk(
    () => sheet([]),
    () => 'in'
  );
  desk.type('found', 'slack', '1 1/2');
  await desk.leave('found');
  expect(sent()).toMatchObject({ slack: 38.1, typed: '1 1/2 in' });
  const kept = sheet([read({ slack: 38.1, typed: '1 1/2 in' })]);
  const shown = (unit: 'mm' | 'in') =>
    new SlackDesk(
      () => kept,
      () => unit
    ).text('found', 'slack');
  expect(shown('in')).toBe('1 1/2');
  expect(shown('mm')).toBe('1 1/2 in');
});

it('what was not touched goes along as the book has it, however its text would be read by now', async () => {
  const desk = new SlackDesk(
    () => sheet([read({ slack: 40, slackest: 46, typed: '20 mm' })], '± 20 mm'),
    () => 'mm'
  );
  desk.type('found', 'left', '4,5');
  await desk.leave('found');
  expect(sent()).toMatchObject({ slack: 40, slackest: 46, left: 4.5, typed: '20 mm' });
  desk.type('found', 'slack', '21');
  await desk.leave('found');
  expect(sent()).toMatchObject({ slack: 42, slackest: 46, typed: '21 mm' });
});

it('says at its field what cannot be, and writes nothing', async () => {
  const desk = new SlackDesk(
    () => sheet([]),
    () => 'mm'
  );
  desk.type('found', 'slack', '40');
  desk.type('found', 'slackest', '30');
  desk.type('found', 'right', '19');
  expect(await desk.leave('found')).toBe(false);
  expect(desk.errorOf('found', 'slackest')).toContain('more slack than the tightest');
  expect(desk.errorOf('found', 'right')).toContain('from 0 to 18');
  expect(send).not.toHaveBeenCalled();
  expect(desk.waits).toBe(true);
});

it('with no answer it goes on being judged, over a reload, and is held here until it is in the book', async () => {
  const desk = new SlackDesk(
    () => sheet([]),
    () => 'mm'
  );
  send.mockImplementationOnce((kind: Kind, body: object) => {
    outbox.add(kind, body, { id: 'k', at: '2026-06-10T10:00:00Z' });
    outbox.items = outbox.items.map((k) => ({ ...k, waited: true }));
    return Promise.resolve({ ok: false, errors: { '': 'Kept.' }, more: { retry: true, kept: true } });
  });
  desk.type('found', 'slack', '58');
  expect(await desk.leave('found')).toBe(true);
  expect(desk.said).toBe('Kept.');
  expect(desk.now.stand.verdict).toBe('too slack');

  // The page is loaded anew: it stands in its field again, and goes into the same check.
  const again = new SlackDesk(
    () => sheet([]),
    () => 'mm'
  );
  again.restore();
  expect(again.text('found', 'slack')).toBe('58 mm');
  expect(again.waits).toBe(true);
  again.type('adjusted', 'slack', '40');
  await again.leave('adjusted');
  const [first, second] = send.mock.calls.map((c) => c[1]);
  expect(second.checkId).toBe(first.checkId);

  const end = again.follow();
  await outbox.flush();
  expect(outbox.items).toEqual([]);
  expect(again.text('found', 'slack')).toBe('');
  end();
});
