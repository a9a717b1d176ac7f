import type { JobRecord } from '../../src/lib/core/record/record';

/** A record in which nothing stands but what a test says. */
export const jobRecord = (more: Partial<JobRecord> = {}): JobRecord => ({
  job: 'engine-oil',
  version: 1,
  title: '',
  rules: {},
  circuits: [],
  debris: [],
  found: [],
  fasteners: [],
  deferred: [],
  leftOut: [],
  fitted: [],
  ranSeconds: null,
  done: [],
  remarks: [],
  measured: [],
  passedOver: [],
  instruments: [],
  minutes: 30,
  afterwards: false,
  estimate: null,
  ...more
});
