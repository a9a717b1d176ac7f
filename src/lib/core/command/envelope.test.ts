import { describe, expect, it } from 'vitest';
import { doneAt } from './envelope';

const received = new Date('2026-06-10T18:00:00Z');

describe('when a command was done', () => {
  it('is as long before it came in as it was before it was sent, however wrong the clock of the device', () => {
    // Written at 9:20 by a tablet a day and nine hours slow, sent at 9:55 by it: 35 minutes before it came in.
    expect(doneAt('2026-06-09T09:20:00Z', '2026-06-09T09:55:00Z', received)).toEqual(
      new Date('2026-06-10T17:25:00Z')
    );
    expect(doneAt('2027-01-01T00:00:00+02:00', '2026-12-31T22:00:05Z', received)).toEqual(
      new Date('2026-06-10T17:59:55Z')
    );
  });
  it('is what the device says where it does not say when it sent', () => {
    expect(doneAt('2026-06-10T17:59:00Z', undefined, received)).toEqual(new Date('2026-06-10T17:59:00Z'));
  });
  it('lies no further back than a device can have kept it, whatever its clock says', () => {
    const back = new Date(received.getTime() - 400 * 86_400_000);
    expect(doneAt('0001-01-01T00:00:00Z', '9999-12-31T23:59:59Z', received)).toEqual(back);
    expect(doneAt('0001-01-01T00:00:00Z', undefined, received)).toEqual(back);
  });
  it('is never later than it came in', () => {
    expect(doneAt('2026-06-10T19:00:00Z', undefined, received)).toEqual(received);
    expect(doneAt('2026-06-10T19:00:00Z', '2026-06-10T18:59:00Z', received)).toEqual(received);
  });
});
