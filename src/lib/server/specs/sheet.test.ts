import {
  addFastener,
  addFigure,
  addMachine,
  addModification,
  changeFastener,
  command,
  confirmFigure,
  copySheet,
  noteModification
} from '../../../../tests/database/hands';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Book, NOW, openBook, TODAY, uuid } from '../../../../tests/database/book';
import { machineSchema } from '../../core/machine/form';
import {
  confirmSchema,
  fastenerChangeSchema,
  fastenerSchema,
  figureSchema,
  modificationNoteSchema,
  modificationSchema
} from '../../core/specs/form';
import { Refusal } from '../base/refusal';
import { listModifications } from './changes';
import { listFigures, listRemoved, readSheet } from './sheet';

let book: Book;
const sister = uuid();
const plug = uuid();
beforeAll(async () => {
  book = await openBook();
  await addMachine(
    book.sql,
    book.team,
    book.personId,
    machineSchema.parse({
      id: sister,
      plate: '9',
      name: 'Barrow 300',
      kind: 'four-stroke enduro',
      meter: 'hour meter',
      reading: '1',
      tasks: []
    }),
    NOW
  );
  await addFastener(
    book.sql,
    book.team.id,
    book.personId,
    fastenerSchema.parse({
      id: plug,
      machineId: book.machineId,
      circuit: 'engine',
      role: 'drain plug',
      name: 'Drain plug',
      place: 'under',
      quantity: '1',
      magnet: true,
      seal: 'crush washer',
      head: 'hex 17',
      note: 'starts at an angle'
    })
  );
});
afterAll(() => book.close());
const put = async (key: string, typed: string, more: object = {}) => {
  const f = figureSchema.parse({
    id: uuid(),
    machineId: book.machineId,
    key,
    typed,
    source: 'Manual',
    page: '12',
    confidence: 'printed',
    ...more
  });
  await addFigure(book.sql, book.team.id, book.personId, f);
  return f.id;
};
const refused = async (work: Promise<unknown>) => {
  const e = await work.then(
    () => null,
    (x: unknown) => x
  );
  expect(e).toBeInstanceOf(Refusal);
  return e as Refusal;
};

describe('figures', () => {
  it('are kept as printed: single, as a range, in words, as a table', async () => {
    await put('engine oil with filter', '1.15 qt');
    await put('inlet valve clearance', '0.005 ± 0.001 in');
    await put('engine oil by temperature', '10W-40 -10 to 40');
    await put('torque', '20–24 N·m', { fastenerId: plug });
    const { figures } = await readSheet(book.sql, book.team.id, book.machineId);
    const of = (key: string) => figures.find((f) => f.key === key)!;
    expect(of('engine oil with filter')).toMatchObject({
      band: { from: { value: 1.15, unit: 'US qt' }, to: { value: 1.15 } }
    });
    expect(of('inlet valve clearance')).toMatchObject({
      band: { from: { value: 0.004 }, to: { value: 0.006, unit: 'in' } }
    });
    expect(of('inlet valve clearance').band!.from!.base).toBeCloseTo(0.1016, 9);
    expect(of('torque').band!.to!.base).toBe(24);
  });
  it.each([
    ['engine oil by temperature', 'whatever is there', /Line 1/],
    ['brake fluid', 'lemonade', /One of/],
    ['chain slack', '5 L', /measures volume/],
    ['front tyre pressure', '100–80 kPa', /runs backwards/],
    ['rear sprocket', '50.5', /Whole teeth/],
    ['chain links', '113.5 links', /Whole links/],
    ['swingarm length', '-590 mm', /Below zero/],
    ['torque', '20 N·m', /belongs to a fastener/]
  ])('%s “%s” is refused', async (key, typed, why) =>
    expect((await refused(put(key, typed))).errors.typed).toMatch(why)
  );
  it('of slack are taken as a manual tells them, and a pivot may lie below the sprocket', async () => {
    for (const typed of ['two fingers', '± 20 mm', 'up 30 mm']) {
      await put('chain slack', typed);
      const { figures } = await readSheet(book.sql, book.team.id, book.machineId);
      expect(figures.find((f) => f.key === 'chain slack')).toMatchObject({ band: null, text: typed });
    }
    await put('pivot above sprocket', '-10 mm');
    const { figures } = await readSheet(book.sql, book.team.id, book.machineId);
    expect(figures.find((f) => f.key === 'pivot above sprocket')!.band!.from!.base).toBe(-10);
  });
  it('that look like a slip are asked about, not forbidden', async () => {
    expect((await refused(put('chain slack', '350–450 mm'))).more).toEqual({ askSure: true });
    await put('chain slack', '350–450 mm', { sure: true });
    expect(() => figureSchema.parse({ key: 'charm' })).toThrow();
  });
  it('with one end, or in words where the manual has no number, are figures too', async () => {
    const of = async (key: string) =>
      (await readSheet(book.sql, book.team.id, book.machineId)).figures.find((f) => f.key === key)!;
    await put('front tyre pressure', 'max 35 psi');
    expect((await of('front tyre pressure')).band).toMatchObject({
      from: null,
      to: { value: 35, unit: 'psi' }
    });
    await put('brake pad least', 'at least 1.5 mm');
    expect((await of('brake pad least')).band).toMatchObject({ from: { value: 1.5 }, to: null });
    await put('engine oil between marks', '70–90 ml');
    expect((await of('engine oil between marks')).band).toMatchObject({
      from: { value: 70 },
      to: { value: 90 }
    });
    const words = put('clutch free play', 'a coin’s thickness');
    expect(await refused(words)).toMatchObject({
      errors: { typed: expect.stringMatching(/in words only, say so/) },
      more: { askSure: true }
    });
    await put('clutch free play', 'a coin’s thickness', { sure: true });
    expect(await of('clutch free play')).toMatchObject({ band: null, text: 'a coin’s thickness' });
    // A slip of a key is no word.
    expect((await refused(put('clutch free play', '5 m', { sure: true }))).errors.typed).toMatch(
      /measures distance/
    );
  });
});

describe('a sister’s sheet', () => {
  it('comes over whole, as unconfirmed; what stands there stays, and a second time nothing is doubled', async () => {
    const guard = uuid();
    await addFastener(
      book.sql,
      book.team.id,
      book.personId,
      fastenerSchema.parse({
        id: guard,
        machineId: book.machineId,
        circuit: null,
        role: 'guard',
        name: 'Skid plate',
        quantity: '4',
        magnet: false,
        seal: 'none'
      })
    );
    await changeFastener(book.sql, book.team.id, {
      fastenerId: guard,
      covers: [plug],
      at: { x: 0.5, y: 0.4 },
      lengths: 'long to the rear',
      comesWith: 'spacers'
    });
    // The sister has one figure of her own.
    const own = figureSchema.parse({
      id: uuid(),
      machineId: sister,
      key: 'chain slack',
      typed: '50 mm',
      source: 'Leaflet',
      confidence: 'printed'
    });
    await addFigure(book.sql, book.team.id, book.personId, own);
    const before = (await readSheet(book.sql, book.team.id, book.machineId)).figures;
    const copy = { fromMachineId: book.machineId, toMachineId: sister };
    expect(await copySheet(book.sql, book.team.id, book.personId, copy)).toEqual({
      copied: before.length - 1,
      left: 1
    });
    const sheet = await readSheet(book.sql, book.team.id, sister);
    expect(sheet.figures.filter((f) => f.key === 'chain slack').map((f) => f.id)).toEqual([own.id]);
    expect(sheet.figures.every((f) => f.confidence === 'unconfirmed' || f.id === own.id)).toBe(true);
    const [there, plate] = [
      sheet.fasteners.find((f) => f.name === 'Drain plug')!,
      sheet.fasteners.find((f) => f.name === 'Skid plate')!
    ];
    expect(there).toMatchObject({ place: 'under', note: 'starts at an angle', head: 'hex 17', magnet: true });
    expect(plate).toMatchObject({
      quantity: 4,
      at: { x: 0.5, y: 0.4 },
      covers: [there.id],
      lengths: 'long to the rear',
      comesWith: 'spacers'
    });
    expect(sheet.figures.some((f) => f.key === 'torque' && f.fastenerId === there.id)).toBe(true);

    // From another device, so under another id.
    const again = await command(book.sql, book.team.id, book.personId, 'sheet.copy', copy, NOW, uuid());
    expect(again).toEqual({ copied: 0, left: before.length });
    expect((await readSheet(book.sql, book.team.id, sister)).fasteners).toHaveLength(2);
    await expect(
      copySheet(book.sql, book.team.id, book.personId, { ...copy, toMachineId: book.machineId })
    ).rejects.toThrow(/another machine/);
  });
  it('is confirmed by looking it up; both stay readable, and the second device is told', async () => {
    const [oil] = (await listFigures(book.sql, book.team.id, sister)).filter(
      (f) => f.key === 'engine oil with filter'
    );
    const say = (id: string) =>
      confirmFigure(
        book.sql,
        book.team.id,
        book.personId,
        confirmSchema.parse({ id, figureId: oil!.id, source: 'Leaflet', confidence: 'printed' })
      );
    const id = uuid();
    await say(id);
    await say(id);
    await expect(say(uuid())).rejects.toThrow(/has taken its place already/);
    expect(
      (await listFigures(book.sql, book.team.id, sister))
        .filter((f) => f.key === 'engine oil with filter')
        .map((f) => [f.confidence, f.superseded, f.copiedFrom])
    ).toEqual([
      ['unconfirmed', true, '7'],
      ['printed', false, null]
    ]);
  });
});

it('a modification is written once, looked at figure by figure, and taken back', async () => {
  const m = modificationSchema.parse({
    id: uuid(),
    machineId: book.machineId,
    what: 'other gearing',
    day: TODAY
  });
  await addModification(book.sql, book.team, book.personId, m, NOW);
  await addModification(book.sql, book.team, book.personId, m, NOW);
  const [slack] = (await listFigures(book.sql, book.team.id, book.machineId)).filter(
    (f) => f.key === 'chain slack'
  );
  const note = (more: object) =>
    noteModification(
      book.sql,
      book.team.id,
      book.personId,
      modificationNoteSchema.parse({ modificationId: m.id, ...more })
    );
  await note({ figureId: slack!.id });
  await expect(note({ undoneOn: '2020-01-01' })).rejects.toThrow(/not on yet/);
  await note({ undoneOn: TODAY });
  expect(await listModifications(book.sql, book.team.id, book.machineId)).toMatchObject([
    { what: 'other gearing', undone: TODAY, checked: [slack!.id], by: 'Wren Oddie' }
  ]);
  expect(modificationSchema.safeParse({ ...m, what: 'painted red' }).success).toBe(false);
});

describe('a fastener corrected', () => {
  const add = async (name: string) => {
    const f = fastenerSchema.parse({
      id: uuid(),
      machineId: book.machineId,
      circuit: 'engine',
      role: 'other',
      name,
      quantity: '1',
      magnet: false,
      seal: 'none'
    });
    await addFastener(book.sql, book.team.id, book.personId, f);
    return f.id;
  };
  const change = (fastenerId: string, what: object) =>
    changeFastener(book.sql, book.team.id, fastenerChangeSchema.parse({ fastenerId, ...what }));
  const remove = (fastenerId: string, removed: boolean) =>
    command(book.sql, book.team.id, book.personId, 'fastener.remove', { fastenerId, removed }, NOW, uuid());
  const named = async (name: string) =>
    (await readSheet(book.sql, book.team.id, book.machineId)).fasteners.filter((f) => f.name === name);

  it('has its role, circuit, name, count and seal put right; not the name of another', async () => {
    const id = await add('Level screw');
    await change(id, {
      role: 'check screw',
      circuit: null,
      name: 'Check screw',
      quantity: '2',
      seal: 'O-ring'
    });
    expect(await named('Check screw')).toMatchObject([
      { id, role: 'check screw', circuit: null, quantity: 2, seal: 'O-ring' }
    ]);
    await expect(change(id, { name: 'drain PLUG' })).rejects.toThrow(/two names/);
    await change(id, { name: 'check screw' });
    expect(await named('check screw')).toHaveLength(1);
  });
  it('is taken off with its figures, its name is free, and it comes back unless that name is taken', async () => {
    const id = await add('Phantom plug');
    const torque = await put('torque', '21 N·m', { fastenerId: id });
    await remove(id, true);
    await remove(id, true);
    expect(await named('Phantom plug')).toEqual([]);
    expect(
      (await readSheet(book.sql, book.team.id, book.machineId)).figures.some((f) => f.id === torque)
    ).toBe(false);
    expect(await listRemoved(book.sql, book.team.id, book.machineId)).toMatchObject([
      { id, name: 'Phantom plug', by: 'Wren Oddie' }
    ]);
    const second = await add('phantom plug');
    await expect(remove(id, false)).rejects.toThrow(/two names/);
    await change(second, { name: 'Another plug' });
    await remove(id, false);
    expect(await named('Phantom plug')).toHaveLength(1);
    expect(
      (await readSheet(book.sql, book.team.id, book.machineId)).figures.some((f) => f.id === torque)
    ).toBe(true);
  });
});
