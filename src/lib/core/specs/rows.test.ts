import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { KINDS } from '../machine/machine';
import { MOST_ROWS, readFastenerRows } from './rows';
import { circuitsOf, kindOfFastener, usualFasteners } from './usual';

describe('what a fastener is, by its name', () => {
  it.each([
    ['Gearbox drain plug', ['engine'], 'drain plug', 'gearbox'],
    ['Sump bolt', ['engine', 'gearbox'], 'drain plug', 'engine'],
    ['Transmission level screw', [], 'check screw', 'gearbox'],
    ['Oil filter cover', ['engine', 'gearbox'], 'filter cover', 'engine'],
    ['Front diff filler', [], 'filler cap', 'front differential'],
    ['Rear differential drain', [], 'drain plug', 'rear differential'],
    ['Rear axle nut', ['engine'], 'axle nut', null],
    ['Rear sprocket nuts', ['gearbox'], 'sprocket bolts', null],
    ['Skid plate', [], 'guard', null],
    ['Seat', [], 'bodywork', null],
    ['Left side panel', ['engine'], 'bodywork', null],
    ['Clutch cover', ['engine'], 'cover', null],
    ['Footpeg bolt', ['engine'], 'other', null]
  ] as const)('%s', (name, circuits, role, circuit) => {
    expect(kindOfFastener(name, circuits)).toEqual({ role, circuit });
  });
  it('takes the only oil there is where the name does not say, and none where there are two', () => {
    expect(kindOfFastener('Drain plug', ['gearbox']).circuit).toBe('gearbox');
    expect(kindOfFastener('Drain plug', ['engine', 'gearbox']).circuit).toBeNull();
  });
  it('knows what it offers itself by its own names', () => {
    for (const kind of KINDS)
      for (const f of usualFasteners(kind))
        expect({ name: f.name, ...kindOfFastener(f.name, circuitsOf(kind)) }).toEqual(f);
  });
});

describe('rows pasted', () => {
  it('are read in the usual order of columns', () => {
    expect(
      readFastenerRows(
        'Gearbox drain plug\t20 N·m\t13 mm\tcopper washer\tM10x1.25\t1\tunder, left\nRear sprocket bolts\t35 N·m\t\t\tM8\tx6\n\n',
        ['gearbox']
      )
    ).toEqual([
      {
        name: 'Gearbox drain plug',
        role: 'drain plug',
        circuit: 'gearbox',
        torque: '20 N·m',
        head: '13 mm',
        seal: 'crush washer',
        thread: 'M10x1.25',
        quantity: '1',
        place: 'under, left',
        lengths: '',
        comesWith: '',
        pattern: '',
        note: ''
      },
      {
        name: 'Rear sprocket bolts',
        role: 'sprocket bolts',
        circuit: null,
        torque: '35 N·m',
        head: '',
        seal: 'none',
        thread: 'M8',
        quantity: '6',
        place: '',
        lengths: '',
        comesWith: '',
        pattern: '',
        note: ''
      }
    ]);
  });
  it('are read by their headings, in any order', () => {
    const rows = readFastenerRows(
      '| Tightening torque | Fastener | Qty |\n| 10 N·m | Oil filter cover | 3 pcs |',
      ['engine']
    );
    expect(rows).toMatchObject([
      { name: 'Oil filter cover', torque: '10 N·m', quantity: '3', role: 'filter cover', circuit: 'engine' }
    ]);
  });
  it('bring along what only a heading can name', () => {
    const [row] = readFastenerRows(
      'Fastener\tBolt lengths\tComes out with it\tOrder\tNotes\nClutch cover\trear 45 mm, front 30 mm\tspring\tcriss-cross\tby hand first',
      ['engine']
    );
    expect(row).toMatchObject({
      role: 'cover',
      lengths: 'rear 45 mm, front 30 mm',
      comesWith: 'spring',
      pattern: 'criss-cross',
      note: 'by hand first'
    });
  });
  it('are not cut off unsaid: of too long a list one row too many is read, with a heading or without', () => {
    const list = Array.from({ length: 300 }, (_, i) => `Bolt ${i}`).join('\n');
    expect(readFastenerRows(list, []).length).toBeGreaterThan(MOST_ROWS);
    expect(readFastenerRows(`Name\n${list}`, []).length).toBeGreaterThan(MOST_ROWS);
  });
  it('never throws, and never makes a row without a name', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        for (const r of readFastenerRows(text, ['engine'])) expect(r.name.trim()).not.toBe('');
      })
    );
  });
});
