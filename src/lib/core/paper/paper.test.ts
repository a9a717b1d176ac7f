import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeStep, type OpenedItem } from '../job/plan';
import { quantity } from '../quantity/quantity';
import { jobRecord } from '../../../../tests/core/records';
import { boardPaper } from './board-paper';
import { jobCard } from './job-card';
import { LABEL_SHEETS, labelPlaces, stickerKind, stickerPath, STICKER_KINDS } from './labels';
import { wordsOf } from './paper';
import { DEFAULT_RULES } from '../rules/rules';
import { USUAL_LAYOUTS, valvesOf } from '../valve/head';
import { valveRules, type ValveSheet } from '../valve/sheet';
import { newHead } from '../valve/stored';
import { shimCard } from './shim-card';
import { recordPaper } from './record-paper';
import { roundPaper } from './rounds';

const machine = { plate: '12', name: 'Fell 250', maker: 'Halden' };
const one = (value: number, unit: 'N·m' | 'ml' | 'kPa') => {
  const q = quantity(value, unit);
  return { from: q, to: q };
};
const number = { label: 'Torque', band: one(20, 'N·m'), words: null, source: 'p. 41', unsure: false };
const plug: OpenedItem = {
  key: 'plug',
  fastenerId: null,
  kind: 'fastener',
  role: 'drain plug',
  circuit: 'engine',
  name: 'Engine drain plug',
  place: 'Under the left case',
  quantity: 1,
  torque: number,
  head: '',
  thread: '',
  oiled: false,
  adapter: false,
  seal: 'crush washer',
  sealUses: null,
  filter: null,
  sealMost: null,
  note: '',
  found: []
};

describe('a job card', () => {
  const card = (torque: OpenedItem['torque'] = number) =>
    wordsOf(
      jobCard({
        machine,
        plan: {
          jobs: [{ key: 'oil', version: 1, title: 'Engine oil', taskId: null, circuits: ['engine'] }],
          items: [{ ...plug, torque }],
          estimate: { attended: 30, elapsed: 45 },
          steps: [
            makeStep({
              key: 'open',
              title: 'Open the drain plug',
              caution: 'Hot oil burns.',
              input: { type: 'open', items: ['plug'], twins: [] },
              wait: 10,
              waitFor: 'the oil drains'
            }),
            makeStep({
              key: 'drained',
              title: 'Measure what came out',
              input: {
                type: 'drained',
                circuit: 'engine',
                pouredLastTimeMl: 900,
                inFilterMl: null,
                mine: null,
                others: []
              }
            }),
            makeStep({ key: 'close', title: 'Torque it', input: { type: 'close', items: ['plug'] } })
          ]
        },
        done: new Set(['open']),
        hours: 11840,
        team: 'Skerrow Vale',
        day: '29 Nov',
        opens: '/visits/x#written'
      })
    );
  it('has every step in order with its place, its number, a box and room for what is read', () => {
    const words = card();
    expect(words).toContain('118.4 running hours');
    expect(words).toContain('[x] | 1 | Open the drain plug; ! Hot oil burns.; Then 10 min: the oil drains');
    expect(words).toContain('[ ] | 2 | Measure what came out | Last time 900 ml went in.; ____ came out');
    expect(words).toContain(
      '[ ] | 3 | Torque it | Engine drain plug, crush washer: new / again; 20 N·m; ____ set to'
    );
  });
  it('invents no number', () => {
    expect(card(null)).toContain('torque not on the sheet: the manual has it');
  });
});

describe('a round on paper', () => {
  const check = {
    key: 'tyre-front',
    title: 'Front tyre',
    station: 'At the front' as const,
    line: 'Cold, by the same gauge.',
    minutes: 1,
    kinds: [],
    lists: [],
    wrong: 'Front tyre pressure',
    severity: 'watch' as const
  };
  it('has a box for each check, what is wanted, and says what its sheet lacks', () => {
    const words = wordsOf(
      roundPaper({
        title: 'Torque round',
        machine,
        under: [],
        opens: '/x',
        checks: [
          {
            ...check,
            key: 'axle',
            title: 'Rear axle nut',
            station: 'At the rear',
            how: 'torque',
            words: null,
            looseBefore: 2,
            fastener: { id: 'a', quantity: 1, head: '', oiled: false, adapter: false, note: '' }
          }
        ],
        bands: { axle: one(90, 'N·m') },
        missing: ['pivot']
      })
    );
    expect(words).toContain('At the rear');
    expect(words).toContain(
      '[ ] | Rear axle nut; Cold, by the same gauge. | 90 N·m; loose 2 times before; held / moved / loose'
    );
    expect(words).toContain('Not on its sheet, so not asked for: pivot.');
  });
});

describe('a record on paper', () => {
  it('says what was read off by which instrument, and what was put right since', () => {
    const words = wordsOf(
      recordPaper({
        machine,
        under: ['Engine oil'],
        opens: '/records/x',
        remark: 'magnet clean',
        content: jobRecord({
          instruments: [{ title: 'Torque it', said: '20.1 N·m', instrument: 'Short wrench' }]
        }),
        corrections: ['It was 950 ml (Jory)'],
        valves: null,
        slack: null
      })
    );
    expect(words).toContain('Torque it | 20.1 N·m, Short wrench');
    expect(words).toContain('Put right since\nIt was 950 ml (Jory)');
    expect(words).not.toContain('Left out');
  });
  it('says so where nothing but that it was done is known', () => {
    expect(
      wordsOf(
        recordPaper({
          machine: null,
          under: [],
          opens: '/x',
          remark: '',
          content: null,
          corrections: [],
          valves: null,
          slack: null
        })
      )
    ).toContain('its steps were not');
  });
});

describe('a record of a check', () => {
  const words = (
    valves: Parameters<typeof recordPaper>[0]['valves'],
    slack: Parameters<typeof recordPaper>[0]['slack']
  ) =>
    wordsOf(
      recordPaper({
        machine,
        under: [],
        opens: '/x',
        remark: '',
        content: null,
        corrections: [],
        valves,
        slack
      })
    );
  it('has its valves, as found and as left, and which shim went where', () => {
    const shim = (stamp: number) => ({ stamp, measured: null });
    const said = words(
      {
        struck: null,
        valves: [
          {
            name: 'Inlet left',
            found: { by: 'blades', goes: 80, stops: 90 },
            left: { by: 'reading', at: 130 },
            shim: shim(1850),
            fitted: shim(1800)
          }
        ]
      },
      null
    );
    expect(said).toContain('Inlet left | 0.08 mm goes, 0.09 mm does not | 0.13 mm | 1.85 mm → 1.80 mm');
    expect(said).not.toContain('its steps were not');
  });
  it('has the slack, stage by stage, and says that it was struck out', () => {
    const read = { id: 'a', by: '', typed: '', slackest: 45, left: 10.5, right: 10 };
    const said = words(null, {
      struck: 'wrong bike',
      readings: [
        { ...read, stage: 'found', slack: 40 },
        { ...read, id: 'b', stage: 'tight', slack: 35, slackest: null }
      ]
    });
    expect(said).toContain('Struck out: wrong bike');
    expect(said).toContain('As found | 40 mm | 45 mm | 10.5 / 10');
    expect(said).toContain('Axle tight | 35 mm');
  });
});

describe('a shim card', () => {
  const layout = USUAL_LAYOUTS[0]!.layout;
  const [first, second] = valvesOf(layout);
  const sheet: ValveSheet = {
    head: { ...newHead(layout), id: 'h', machineId: 'm', componentId: null, sheetMachineId: 'm' },
    engine: { id: 'e', name: 'Engine 250-A' },
    figures: { inlet: null, exhaust: null },
    sheetOf: null,
    limits: { inlet: { lo: 100, hi: 150 }, exhaust: null },
    rules: valveRules(DEFAULT_RULES),
    blades: [{ um: 100, unit: 'mm' }],
    check: null,
    shims: [{ valve: first!.id, stamp: 1850, measured: null, why: 'read', checkId: null, at: 0, by: '' }],
    past: [],
    drawer: [],
    hours: 38.4,
    nextInH: null,
    ranAt: null,
    coldAfterHours: 8
  };
  const card = (more: Partial<ValveSheet> = {}) =>
    wordsOf(shimCard({ machine, under: [], opens: '/x', sheet: { ...sheet, ...more }, unit: 'mm' }));
  it('has what is wanted, what is in and room for the rest; limits that nobody knows are not made up', () => {
    const words = card();
    expect(words).toContain('Engine 250-A, 38.4 h');
    expect(words).toContain('0.10–0.15, aim 0.125 | ____ goes; ____ does not go | stamped 1.85 mm');
    expect(words).toContain('not on the sheet: the manual has it');
    expect(words).toContain('Stone cold only.');
  });
  it('says what was settled to go in, and where it comes from', () => {
    const fits = [
      { valve: first!.id, shim: 1800, from: 'drawer' as const, of: null },
      { valve: second!.id, shim: 1850, from: 'another valve' as const, of: first!.id }
    ];
    const words = card({
      check: {
        id: 'c',
        visitId: null,
        begunAt: new Date(0),
        by: '',
        plan: { choice: 'x', fits },
        hours: null,
        readings: []
      }
    });
    expect(words).toContain('1.80 mm (180), from the drawer');
    expect(words).toContain('1.85 mm (185), from Inlet left');
  });
});

it('a board without machines says that none goes', () => {
  expect(wordsOf(boardPaper({ team: 'x', today: '2026-11-29', event: null, rows: [] }))).toContain(
    'No machine goes.'
  );
});

describe('labels', () => {
  it.each(LABEL_SHEETS)('of $words lie beside each other on the page', (s) => {
    const [width, height] = s.page === 'A4' ? [210, 297] : [215.9, 279.4];
    const places = labelPlaces(s, s.across * s.down, 0);
    expect(new Set(places.map((p) => `${p.x} ${p.y}`)).size).toBe(s.across * s.down);
    for (const p of places) {
      expect(p.page).toBe(0);
      expect(p.x).toBeGreaterThanOrEqual(0);
      expect(p.y).toBeGreaterThanOrEqual(0);
      expect(p.x + s.width).toBeLessThanOrEqual(width + 1e-9);
      expect(p.y + s.height).toBeLessThanOrEqual(height + 1e-9);
    }
    expect(s.stepX).toBeGreaterThanOrEqual(s.width);
  });
  it('go on where a sheet was left, and onto the next', () => {
    const s = LABEL_SHEETS.find((l) => l.key === 'a4-24')!;
    // 3 across of 70 × 37 mm: the 24th is the last of the first sheet; (297 − 8 × 37) / 2 = 0.5 from the top.
    expect(labelPlaces(s, 2, 23)).toEqual([
      { page: 0, x: 140, y: 0.5 + 7 * 37 },
      { page: 1, x: 0, y: 0.5 }
    ]);
    expect(() => labelPlaces(s, 1, 24)).toThrow(RangeError);
    expect(() => labelPlaces(s, 1, -1)).toThrow(RangeError);
  });
  it('never lie on a label that was used, however many there are', () => {
    fc.assert(
      fc.property(fc.constantFrom(...LABEL_SHEETS), fc.nat(200), fc.nat(9), (s, count, skip) => {
        const places = labelPlaces(s, count, skip);
        expect(places).toHaveLength(count);
        expect(new Set(places.map((p) => `${p.page} ${p.x} ${p.y}`)).size).toBe(count);
        const used = new Set(labelPlaces(s, skip, 0).map((p) => `${p.page} ${p.x} ${p.y}`));
        for (const p of places) expect(used.has(`${p.page} ${p.x} ${p.y}`)).toBe(false);
      })
    );
  });
  it('have a path for each kind that is read back', () => {
    for (const kind of STICKER_KINDS)
      expect(stickerKind(stickerPath({ kind, id: 'x' }).split('/')[2]!)).toBe(kind);
    expect(stickerKind('q')).toBeNull();
  });
});
