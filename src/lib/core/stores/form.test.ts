import { describe, expect, it } from 'vitest';
import { errorsByField } from '../forms';
import { adapterSchema, oilSchema, retireSchema, stockSchema, wrenchSchema } from './form';

const id = '0b0a1c6e-4f0e-4b39-9f4f-6c1df3a0a001';
const errors = (
  schema: { safeParse: (v: unknown) => { success: boolean; error?: unknown } },
  value: object
) => {
  const parsed = schema.safeParse(value);
  return parsed.success ? {} : errorsByField(parsed.error as never);
};

describe('a torque wrench', () => {
  const wrench = { id, name: 'Small', unit: 'N·m', low: '2', high: '24' };
  it('is taken in the unit that is printed on it', () => {
    expect(wrenchSchema.parse(wrench)).toMatchObject({
      unit: 'N·m',
      lowNm: 2,
      highNm: 24,
      lengthMm: null,
      calibratedUntil: null
    });
    expect(wrenchSchema.parse({ ...wrench, unit: 'lbf·ft', low: '10', high: '80' }).unit).toBe('lbf·ft');
    expect(wrenchSchema.parse({ ...wrench, unit: 'lbf·ft', low: '10', high: '80' }).highNm).toBeCloseTo(
      108.47,
      2
    );
    expect(wrenchSchema.parse({ ...wrench, length: '11 in', calibratedUntil: '2027-03-01' })).toMatchObject({
      lengthMm: 279.4,
      calibratedUntil: '2027-03-01'
    });
  });
  it.each([
    [{ name: ' ' }, 'name'],
    [{ low: '', high: '24' }, 'low'],
    [{ low: 'soft' }, 'low'],
    [{ low: '24', high: '2' }, 'high'],
    [{ low: '24', high: '24' }, 'high'],
    [{ high: '99999' }, 'high'],
    [{ length: '3 mm' }, 'length'],
    [{ length: 'long' }, 'length'],
    [{ calibratedUntil: 'soon' }, 'calibratedUntil'],
    [{ unit: 'ml' }, 'unit']
  ])('with %j is refused at %s', (more, field) => {
    expect(Object.keys(errors(wrenchSchema, { ...wrench, ...more }))).toContain(field);
  });
  it('says in words that its range is upside down', () => {
    expect(errors(wrenchSchema, { ...wrench, low: '60', high: '20' }).high).toContain('upside down');
  });
});

describe('an oil', () => {
  const oil = { id, name: 'Brindle', kind: 'engine oil, four-stroke', grade: '10W-50', bottle: '1 L' };
  it('is taken with its bottle in any unit, and no stock where none is named', () => {
    expect(oilSchema.parse(oil)).toMatchObject({ bottle: 1000, stock: 0, ratings: [], additives: [] });
    expect(oilSchema.parse({ ...oil, bottle: '1 US qt', stock: '3' })).toMatchObject({ stock: 3000 });
  });
  it.each([
    [{ kind: 'cooking oil' }, 'kind'],
    [{ grade: '' }, 'grade'],
    [{ bottle: '' }, 'bottle'],
    [{ bottle: '3 ml' }, 'bottle'],
    [{ stock: '-1' }, 'stock'],
    [{ stock: '5000 L' }, 'stock'],
    [{ ratings: ['JASO XX'] }, 'ratings.0']
  ])('with %j is refused at %s', (more, field) => {
    expect(Object.keys(errors(oilSchema, { ...oil, ...more }))).toContain(field);
  });
});

describe('adapters, stock and what is put away', () => {
  it('an adapter is as long as a hand, not as an arm', () => {
    expect(adapterSchema.parse({ id, name: 'A', length: '42' }).length).toBe(42);
    for (const length of ['', '0', '900 mm', 'short'])
      expect(Object.keys(errors(adapterSchema, { id, name: 'A', length }))).toEqual(['length']);
  });
  it('a count wants its reason', () => {
    expect(stockSchema.parse({ id, oilId: id, now: '2.5 L', why: 'counted' })).toMatchObject({
      now: { what: 'there', ml: 2500 },
      why: 'counted'
    });
    expect(stockSchema.parse({ id, oilId: id, now: '+2', why: ' ' }).why).toBe('bought');
    expect(Object.keys(errors(stockSchema, { id, oilId: id, now: '+-2' }))).toEqual(['now']);
    expect(Object.keys(errors(stockSchema, { id, oilId: id, now: '', why: 'x' }))).toEqual(['now']);
  });
  it('only what is kept there is put away', () => {
    expect(retireSchema.safeParse({ id, what: 'anvil' }).success).toBe(false);
  });
});
