import { describe, expect, it } from 'vitest';
import { jobRecord } from '../../../../tests/core/records';
import { afterCorrection, amountIn, corrected, correctionSchema, sealCorrected, sealIn } from './correction';
import type { JobRecord } from './record';

const record = {
  circuits: [
    {
      circuit: 'engine',
      drainedMl: 880,
      pouredMl: 950,
      level: null,
      oil: null,
      oilHours: 1500,
      // 940 went in before, 880 came out after 15 h: 60 ml, 4 ml an hour.
      used: { ml: 60, mlPerHour: 4 }
    }
  ],
  remarks: []
} as unknown as JobRecord;
const id = '11111111-1111-4111-8111-111111111111';

describe('an amount put right', () => {
  it('what was poured: the rest stays', () => {
    const now = corrected(record, { circuit: 'engine', what: 'poured', now: 1000 });
    expect(now.circuits[0]).toEqual({ ...record.circuits[0], pouredMl: 1000 });
    expect(record.circuits[0]!.pouredMl).toBe(950);
  });
  it('what was drained: what was used follows; 940 − 910 = 30 ml in 15 h, 2 ml an hour', () => {
    const now = corrected(record, { circuit: 'engine', what: 'drained', now: 910 });
    expect(now.circuits[0]).toMatchObject({ drainedMl: 910, pouredMl: 950, used: { ml: 30, mlPerHour: 2 } });
  });
  it('where nothing was known of what went in before, nothing is made up', () => {
    const bare = { ...record, circuits: [{ ...record.circuits[0]!, drainedMl: null, used: null }] };
    expect(corrected(bare, { circuit: 'engine', what: 'drained', now: 910 }).circuits[0]).toMatchObject({
      drainedMl: 910,
      used: null
    });
  });
  it('the change after it used what went in before it: 1000 − 880 = 120 ml in 15 h, 8 ml an hour', () => {
    const after = afterCorrection(record, { circuit: 'engine', was: 940, now: 1000 });
    expect(after.circuits[0]).toMatchObject({
      pouredMl: 950,
      drainedMl: 880,
      used: { ml: 120, mlPerHour: 8 }
    });
    // Worked out from another amount, it is not about this one.
    expect(afterCorrection(record, { circuit: 'engine', was: 900, now: 1000 })).toEqual(record);
    expect(afterCorrection(record, { circuit: 'gearbox', was: 940, now: 1000 })).toEqual(record);
    // Nobody had measured what went in: now somebody has.
    const unknown = { ...record, circuits: [{ ...record.circuits[0]!, used: null }] };
    expect(afterCorrection(unknown, { circuit: 'engine', was: null, now: 1000 }).circuits[0]!.used!.ml).toBe(
      120
    );
    const undrained = { ...record, circuits: [{ ...record.circuits[0]!, used: null, drainedMl: null }] };
    expect(afterCorrection(undrained, { circuit: 'engine', was: null, now: 1000 })).toEqual(undrained);
  });
  it('another oil is not touched, and one that is not there is not found', () => {
    expect(corrected(record, { circuit: 'gearbox', what: 'poured', now: 1 })).toEqual(record);
    expect(amountIn(record, 'gearbox', 'poured')).toBeUndefined();
    expect([amountIn(record, 'engine', 'poured'), amountIn(record, 'engine', 'drained')]).toEqual([950, 880]);
  });
});

describe('the form', () => {
  const of = (amount: unknown, words: unknown = 'misread the jug') =>
    correctionSchema.safeParse({ id, recordId: id, amount, words });
  const fields = (parsed: ReturnType<typeof of>) => parsed.error?.issues.map((i) => i.path.join('.'));
  it('takes an amount in any unit, or words alone', () => {
    expect(of({ circuit: 'engine', what: 'poured', now: '0.95 L' }).data!.amount!.now).toBeCloseTo(950, 6);
    expect(of({ circuit: 'engine', what: 'poured', now: '1000' }).data!.amount!.now).toBe(1000);
    expect(of(null).success).toBe(true);
  });
  it.each([
    [{ circuit: 'engine', what: 'poured', now: '25 L' }, 'x', 'amount.now'],
    [{ circuit: 'engine', what: 'poured', now: '20 N·m' }, 'x', 'amount.now'],
    [{ circuit: 'engine', what: 'poured', now: '' }, 'x', 'amount.now'],
    [{ circuit: 'engine', what: 'level', now: '1' }, 'x', 'amount.what'],
    [{ circuit: 'sump', what: 'poured', now: '1' }, 'x', 'amount.circuit'],
    [null, '  ', 'words'],
    [null, '\u200b', 'words']
  ])('asks again about %j, %j', (amount, words, field) => expect(fields(of(amount, words))).toContain(field));
});

describe('a washer put right', () => {
  const washer = (fastenerId: string, seal: 'new' | 'again' | null) => ({
    name: fastenerId,
    place: '',
    quantity: 1,
    stand: 'torqued' as const,
    torque: null,
    reason: null,
    fastenerId,
    wrenchId: null,
    settingNm: null,
    seal,
    marked: false
  });
  const kept = jobRecord({ fasteners: [washer('drain', 'new'), washer('screen', 'new')] });
  it('is that one, and no other', () => {
    const now = sealCorrected(kept, { fastenerId: 'drain', now: 'again' });
    expect(now.fasteners.map((f) => f.seal)).toEqual(['again', 'new']);
    expect(kept.fasteners[0]!.seal).toBe('new');
  });
  it('that is not in the record is not found', () => {
    expect(sealIn(kept, 'gone')).toBeUndefined();
    expect(sealCorrected(kept, { fastenerId: 'gone', now: 'again' })).toEqual(kept);
  });
});
