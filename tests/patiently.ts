import { vi } from 'vitest';

/** Waits until what is expected holds: how long that takes is the machine's, and no test is about it. */
export const patiently = <T>(expected: () => T | Promise<T>): Promise<T> =>
  vi.waitFor(expected, { timeout: 20_000, interval: 5 });
