import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { at, uuid } from '../../../../tests/database/book';
import { ALL_SEEN, ChainBook } from '../../../../tests/database/chains';
import { command } from '../../../../tests/database/hands';
import { refused, refusedWith } from '../../../../tests/database/refused';
import { driveSchema, slackMeasureSchema } from '../../core/chain/form';
import { chainNow, wantedNow } from '../../core/chain/sheet';

let on: ChainBook;
beforeEach(async () => {
  on = await ChainBook.open();
});
afterEach(() => on.book.close());

describe('slack', () => {
  it('is read as found, adjusted and tight, in one check whichever device measures', async () => {
    const checkId = await on.measure([['found', 58, { slackest: 62, left: '4', right: '4.5' }]]);
    expect(await on.measure([['adjusted', 44]])).toBe(checkId);
    expect(await refusedWith(on.close(checkId))).toContain('once more with the axle tight');
    await on.measure([['tight', 40]]);
    expect(await on.rows('chain_check')).toHaveLength(1);
    expect(await on.rows('chain_reading')).toMatchObject([
      { stage: 'found', slack_mm: '58.0', slackest_mm: '62.0', left_mark: '4.00', right_mark: '4.50' },
      { stage: 'adjusted', slack_mm: '44.0' },
      { stage: 'tight', slack_mm: '40.0' }
    ]);
    await on.close(checkId, { seen: ALL_SEEN });
    expect(await on.rows('finding')).toEqual([]);
    const s = await on.sheet();
    expect(s.check).toBeNull();
    expect(s.past).toMatchObject([
      { id: checkId, hours: 38.4, readings: [{ slack: 58 }, { slack: 44 }, { slack: 40 }] }
    ]);
    // Closed twice is closed once.
    await on.close(checkId, { seen: [] });
    expect(await on.rows('finding')).toEqual([]);
  });

  it('is what was read last, though it came in first', async () => {
    const checkId = await on.measure([['found', 58]], at(24));
    await on.measure([['found', 60]], at(26));
    await on.measure([['found', 50]], at(25));
    const s = await on.sheet();
    expect(s.check!.id).toBe(checkId);
    expect(chainNow(s).stand.found!.slack).toBe(60);
  });

  it('by two devices at once begins one check', async () => {
    const both = await Promise.all([on.measure([['found', 58]]), on.measure([['found', 57]])]);
    expect(both[0]).toBe(both[1]);
    expect(await on.rows('chain_check')).toHaveLength(1);
    expect(await on.rows('chain_reading')).toHaveLength(2);
  });

  it('sent twice is written once', async () => {
    const input = slackMeasureSchema.parse({
      checkId: uuid(),
      machineId: on.book.machineId,
      readings: [{ id: uuid(), stage: 'found', slack: 58, typed: '58' }]
    });
    const id = uuid();
    const once = () =>
      command(on.book.sql, on.book.team, on.book.personId, 'chain.measure', input, at(24), id);
    expect(await once()).toBe(await once());
    expect(await on.rows('chain_reading')).toHaveLength(1);
  });

  it('that stays wrong is left with a reason, and is a finding; so is what was not seen to', async () => {
    const checkId = await on.measure([
      ['found', 58],
      ['tight', 50]
    ]);
    expect(await refusedWith(on.close(checkId))).toContain('50 mm is too slack');
    await on.close(checkId, {
      seen: ['wheel spins free'],
      leave: { reason: 'axle at its end', severity: 'fix now' }
    });
    expect((await on.rows('finding')).map((f) => [f.what, f.severity, f.note]).sort()).toEqual([
      [
        'After the chain was adjusted: axle nut and lock-nuts tight?',
        'fix now',
        'Not seen to when the check was closed.'
      ],
      [
        'After the chain was adjusted: brake pedal right?',
        'fix now',
        'Not seen to when the check was closed.'
      ],
      ['Chain slack: 50 mm is too slack: 35 mm to 45 mm is wanted.', 'fix now', 'axle at its end']
    ]);
  });

  it('restarts its task, and of no other machine', async () => {
    const taskId = await on.task('10');
    const checkId = await on.measure([['found', 40]]);
    expect(await refusedWith(on.close(checkId, { taskId: uuid() }))).toContain('not of this machine');
    const recordId = await on.close(checkId, { taskId });
    expect((await on.rows('service_record')).filter((r) => r.id === recordId)).toMatchObject([
      { task_id: taskId, remark: 'Chain slack: found 40 mm', next_within: null }
    ]);
    await on.send('chain.strike', { checkId, reason: 'another machine' });
    expect((await on.sheet()).past).toEqual([]);
  });

  it('at marks that are not on this machine is refused at its field', async () => {
    await on.drive();
    expect(await refused(on.measure([['found', 58, { left: '21', right: '20' }]]))).toMatchObject({
      'readings.0.left': expect.stringContaining('past the end of the slot')
    });
    expect(await on.rows('chain_check')).toEqual([]);
  });

  it('is wanted as the manual tells it, in its own words', async () => {
    await on.figure('chain slack', 'two fingers');
    const s = await on.sheet();
    expect(s.figures.find((f) => f.key === 'chain slack')).toMatchObject({ text: 'two fingers', band: null });
    expect(wantedNow(s)).toMatchObject({ how: 'fingers', lo: 27, hi: 37, aim: 32 });
  });

  it('says what to turn once the sheet has the figures, and what tightening does once it was seen twice', async () => {
    for (const [key, typed] of [
      ['chain pitch', '15.875 mm'],
      ['front sprocket', '13'],
      ['rear sprocket', '50'],
      ['chain links', '114'],
      ['adjuster pitch', '1.25 mm']
    ] as const)
      await on.figure(key, typed);
    await on.drive();
    for (const [found, adjusted, tight] of [
      [55, 44, 41],
      [50, 45, 40]
    ] as const) {
      const checkId = await on.measure([
        ['found', found],
        ['adjusted', adjusted],
        ['tight', tight]
      ]);
      await on.close(checkId, { seen: ALL_SEEN });
    }
    await on.measure([['found', 60, { left: '6', right: '6' }]]);
    const now = chainNow(await on.sheet());
    expect(now).toMatchObject({ shift: -4, advice: { aim: 40, set: 44, left: { way: 'back' } } });
    expect(now.stand.verdict).toBe('too slack');
  });
});

describe('the place of the run', () => {
  it('moved, what was read before reads as it would there: less nearer to a sprocket', async () => {
    for (const [key, typed] of [
      ['chain pitch', '15.875 mm'],
      ['front sprocket', '13'],
      ['rear sprocket', '50'],
      ['chain links', '114']
    ] as const)
      await on.figure(key, typed);
    const checkId = await on.measure([['found', 40]]);
    await on.close(checkId);
    await on.send('chain.place', { machineId: on.book.machineId, at: 0.2 });
    // The corner of an excess is √(a(1−a)) deep: √0.16 of √0.25 is four fifths.
    expect(chainNow(await on.sheet()).slack).toBeCloseTo(32, 0);
    await on.drive();
    expect(chainNow(await on.sheet()).slack).toBeCloseTo(40, 6);
  });
});

describe('a drive', () => {
  it('takes no odd number of links without a half link, and no tooth and a half', () => {
    const parse = (more: object) =>
      driveSchema.safeParse({
        machineId: on.book.machineId,
        at: 0.5,
        attitude: 'rider on',
        angle: '',
        adjuster: { kind: 'screws', back: 'out', perMark: '', lastMark: '', offset: '', zero: '' },
        chainSide: 'left',
        front: '',
        rear: '',
        links: '',
        halfLink: false,
        ...more
      });
    expect(parse({ links: '113' }).error?.issues[0]).toMatchObject({ path: ['links'] });
    expect(parse({ links: '113', halfLink: true }).success).toBe(true);
    expect(parse({ front: '13.5' }).error?.issues[0]?.message).toContain('Whole ones');
    expect(parse({ at: 0 }).success).toBe(false);
  });
});
