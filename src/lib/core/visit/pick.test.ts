import { describe, expect, it } from 'vitest';
import { askedBy, pickJobs, type Pickable } from './pick';

const job = (
  taskId: string,
  state: Pickable['state'],
  own: string | null = null,
  circuits: string[] = []
) => ({
  taskId,
  state,
  own,
  template: { circuits }
});
const asked = (search: string) => askedBy(new URLSearchParams(search));
const JOBS = [
  job('filter', 'clear'),
  job('chain', 'coming', 'chain'),
  job('oil', 'clear', 'engine-oil', ['engine']),
  job('valves', 'past due', 'valves')
];

describe('what a visit is about before anybody picked', () => {
  it('is what is due, and what was asked for', () => {
    expect(pickJobs(JOBS, asked(''))).toEqual(['valves']);
    expect(pickJobs(JOBS, asked('task=filter'))).toEqual(['filter', 'valves']);
    expect(pickJobs([job('a', 'due before the next outing'), job('b', 'past limit')], asked(''))).toEqual([
      'a',
      'b'
    ]);
  });
  it('is what a printed card names and nothing else', () => {
    expect(pickJobs(JOBS, asked('task=filter&task=oil&only'))).toEqual(['filter', 'oil']);
  });
  it('where nothing presses is the oil, else what has steps, else the first', () => {
    const calm = JOBS.slice(0, 3);
    expect(pickJobs(calm, asked(''))).toEqual(['oil']);
    expect(pickJobs(calm.slice(0, 2), asked(''))).toEqual(['chain']);
    expect(pickJobs(calm.slice(0, 1), asked(''))).toEqual(['filter']);
    expect(pickJobs([], asked(''))).toEqual([]);
  });
  it('is a finding by itself, where one is to be put right and nothing is due', () => {
    expect(pickJobs(JOBS.slice(0, 3), asked('finding=f'))).toEqual([]);
    expect(pickJobs(JOBS, asked('finding=f'))).toEqual(['valves']);
  });
});
