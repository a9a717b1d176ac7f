import { describe, expect, it } from 'vitest';
import { correctable, corrected, stillWrong } from './correct';

const id = () => crypto.randomUUID();
const reading = {
  id: id(),
  machineId: id(),
  typed: '3.2',
  day: '2026-11-30',
  outing: 'ride',
  remark: '',
  riderId: null
};
const fields = (...of: Parameters<typeof correctable>) =>
  correctable(...of).map((l) => [l.name, l.value, l.as]);

describe('a refused command, put right where it stands', () => {
  it('has what was typed, and not what was picked or what only the book knows', () => {
    expect(fields('reading.log', reading, {})).toEqual([
      ['as typed', '3.2', 'text'],
      ['day', '2026-11-30', 'day']
    ]);
    expect(
      fields(
        'finding.add',
        { id: id(), machineId: id(), what: 'Loose spoke', note: '', severity: 'watch' },
        {}
      )
    ).toEqual([['what', 'Loose spoke', 'text']]);
  });
  it('asks for what the refusal names, also where nothing stood', () => {
    expect(fields('reading.log', reading, { distance: 'How far?' })).toContainEqual(['distance', '', 'text']);
  });
  it('asks for the reason of an entry of a visit, in the field that its kind has for it', () => {
    const entry = (action: string, content: object, of: object) => ({
      visitId: id(),
      entry: { id: id(), stepKey: null, itemKey: null, action, content, ...of }
    });
    const torqued = entry('torqued', { value: 25, unit: 'N·m' }, { itemKey: 'plug' });
    const problem = { kind: 'outside the wrench' } as never;
    const leaves = correctable('visit.enter', torqued, {}, problem);
    expect(leaves.map((l) => [l.path, l.name, l.value])).toEqual([
      ['entry.content.value', 'value', '25'],
      ['entry.content.reason', 'Say why', '']
    ]);
    const said = leaves.map((l) => ({ ...l, value: l.name === 'Say why' ? 'No other one here' : '24,5' }));
    expect(corrected(torqued, said)).toEqual({
      ...torqued,
      entry: { ...torqued.entry, content: { value: 24.5, unit: 'N·m', reason: 'No other one here' } }
    });
    for (const [kind, field] of [
      ['oil stopped', 'deviation'],
      ['verdict without its reason', 'overruled'],
      ['still settling', 'remark']
    ] as const)
      expect(
        correctable('visit.enter', entry('done', {}, { stepKey: 's' }), {}, { kind } as never).map(
          (l) => l.path
        )
      ).toEqual([`entry.content.${field}`]);
  });
  it('keeps what was not touched, and says what is still wrong', () => {
    const [typed, day] = correctable('reading.log', reading, {});
    const body = corrected(reading, [{ ...typed!, value: '' }, day!]);
    expect(body).toEqual({ ...reading, typed: '' });
    expect(stillWrong('reading.log', body)).toHaveProperty('typed');
    expect(stillWrong('reading.log', corrected(reading, [{ ...typed!, value: '32' }]))).toEqual({});
    expect(reading.typed).toBe('3.2');
  });
});
