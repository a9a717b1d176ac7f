import { describe, expect, it } from 'vitest';
import { beep, clockWords } from './beep';

describe('a timer', () => {
  it('is said in minutes and seconds, and in hours where it has some', () => {
    expect([0, 5, 65, 600, 3661].map(clockWords)).toEqual(['0:00', '0:05', '1:05', '10:00', '1:01:01']);
  });
  it('is said without a sign when it has run out', () => expect(clockWords(-75)).toBe('1:15'));
  it('is silent, and no error, where the device makes no sound', () => expect(() => beep()).not.toThrow());
});
