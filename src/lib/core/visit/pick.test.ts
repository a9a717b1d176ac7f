import { describe, expect, it } from 'vitest';
import type { Severity } from '../finding/finding';
import type { State } from '../schedule/state';
import { askedBy, pickFindings, pickJobs } from './pick';

const job = (taskId: string, state: State) => ({ taskId, state });
const asked = (search: string) => askedBy(new URLSearchParams(search));
const JOBS = [
  job('filter', 'clear'),
  job('chain', 'coming'),
  job('fork', 'unknown'),
  job('oil', 'clear'),
  job('valves', 'past due')
];
const found = (id: string, severity: Severity, waits: { come: boolean } | null = null) => ({
  id,
  severity,
  waits
});
const FOUND = [
  found('cracked', 'park the machine'),
  found('weeps', 'fix now'),
  found('ordered', 'fix now', { come: false }),
  found('arrived', 'fix now', { come: true }),
  found('told', 'tell the owner'),
  found('watched', 'watch')
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
    expect(pickFindings(FOUND, asked('finding=told&finding=weeps&only'))).toEqual(['weeps', 'told']);
    expect(pickFindings(FOUND, asked('task=oil&only'))).toEqual([]);
  });
  it('is nothing where nothing is due, nor called, nor asked for', () => {
    expect(pickJobs(JOBS.slice(0, 4), asked(''))).toEqual([]);
    expect(pickJobs([], asked(''))).toEqual([]);
  });
  it('and of what was found what parks the machine or is to be fixed now, unless it waits for what has not come', () => {
    expect(pickFindings(FOUND, asked(''))).toEqual(['cracked', 'weeps', 'arrived']);
    expect(pickFindings(FOUND, asked('finding=ordered'))).toEqual(['cracked', 'weeps', 'ordered', 'arrived']);
    expect(pickFindings([], asked('finding=gone'))).toEqual([]);
  });
});
