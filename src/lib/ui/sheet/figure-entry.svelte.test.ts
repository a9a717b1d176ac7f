import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { patiently } from '../../../../tests/patiently';
import { exactly } from '$lib/core/quantity/band';
import { quantity } from '$lib/core/quantity/quantity';
import type { Figure } from '$lib/core/specs/sheet';
import { FigureEntry } from './figure-entry.svelte';
import { sitting } from './sitting.svelte';

/** A sheet of one figure, and a server that takes what is typed when it is let. */
let now: Figure | null;
let sent: { kind: string; typed?: string; page: string; source: string; confidence: string }[];
let refuse: Record<string, string> | null;
let gate: Promise<void>;
let open: () => void;
const figure = (typed: string, more: Partial<Figure> = {}): Figure => ({
  id: 'f',
  key: 'gearbox oil',
  fastenerId: null,
  band: exactly(quantity(Number.parseFloat(typed), 'ml')),
  text: null,
  source: 'Handbook',
  page: '',
  confidence: 'printed',
  variant: '',
  ...more
});
let later: Figure | null;
const entry = () =>
  new FigureEntry(
    'm',
    'gearbox oil',
    () => null,
    () => now,
    async () => {
      now = later;
    }
  );

beforeEach(() => {
  [now, later, sent, refuse] = [null, null, [], null];
  gate = Promise.resolve();
  Object.assign(sitting, { source: 'Handbook', edition: '', confidence: 'printed' });
  vi.stubGlobal('localStorage', { getItem: () => 'here' });
  vi.stubGlobal('fetch', async (_: string, init: { body: string }) => {
    const [{ id, kind, body }] = JSON.parse(init.body).commands;
    sent.push({ kind, ...body });
    await gate;
    if (body.typed) later = figure(body.typed, { page: body.page });
    const outcome = refuse ? { id, ok: false, errors: refuse, more: {} } : { id, ok: true, data: null };
    return Response.json({ ok: true, outcomes: [outcome] });
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('a figure being put on a sheet', () => {
  it('in words that nobody has named a page for is told, not printed', async () => {
    const bolt = (page: string) => {
      const e = new FigureEntry(
        'm',
        'torque',
        () => 'b',
        () => now,
        async () => {}
      );
      e.typed = 'tighten securely';
      e.page = page;
      return e.save(true);
    };
    await bolt('');
    await bolt('4-12');
    expect(sent.map((s) => s.confidence)).toEqual(['told', 'printed']);
  });
  it('is not lost when it is corrected while the first is on its way', async () => {
    gate = new Promise((r) => (open = r));
    const e = entry();
    e.typed = '650 ml';
    const first = e.save();
    await patiently(() => expect(sent).toHaveLength(1));
    e.typed = '700 ml';
    const second = e.save();
    open();
    expect([await first, await second]).toEqual([true, true]);
    expect(sent.map((s) => s.typed)).toEqual(['650 ml', '700 ml']);
    expect([e.typed, e.fresh]).toEqual(['700 ml', false]);
  });
  it('is sent once, whether by Enter and by leaving the field', async () => {
    const e = entry();
    e.typed = '650 ml';
    await Promise.all([e.confirm(), e.save()]);
    expect(sent).toHaveLength(1);
  });
  it('stays as it was typed where it is refused, and where nobody named the manual', async () => {
    const e = entry();
    e.typed = '650 N·m';
    sitting.source = ' ';
    expect(await e.save()).toBe(false);
    expect([sent.length, e.asked?.source]).toEqual([0, true]);
    sitting.source = 'Handbook';
    refuse = { typed: 'measures torque' };
    expect(await e.save()).toBe(false);
    expect([e.typed, e.asked?.words]).toEqual(['650 N·m', 'measures torque']);
  });
  it('takes its page along in its own manual, and not into another whose name begins alike', async () => {
    now = figure('650', { page: '41' });
    const e = entry();
    e.typed = '700 ml';
    await e.save();
    sitting.source = 'Hand';
    e.typed = '720 ml';
    await e.save();
    expect(sent.map((s) => [s.source, s.page])).toEqual([
      ['Handbook', '41'],
      ['Hand', '']
    ]);
  });
  it('is confirmed once, and emptied stands as it stood', async () => {
    now = figure('650', { confidence: 'unconfirmed' });
    later = figure('650');
    const e = entry();
    await Promise.all([e.confirm(), e.confirm()]);
    expect(sent.map((s) => s.kind)).toEqual(['figure.confirm']);
    e.typed = '';
    expect(await e.save()).toBe(true);
    expect([e.typed, sent.length]).toEqual(['650 ml', 1]);
  });
});
