import { expect, it } from 'vitest';
import { isLoopback } from './host';

it.each(['127.0.0.1', '127.0.0.1:4780', 'localhost:80', '[::1]:4780', 'LOCALHOST'])(
  '%s is this machine',
  (host) => expect(isLoopback(host)).toBe(true)
);
it.each([
  null,
  '',
  ' ',
  'book.example',
  'book.example:4780',
  '127.0.0.1.book.example',
  'localhost.book.example',
  'book.example@127.0.0.1',
  '127.0.0.1/..@book.example',
  '127.0.0.1?x',
  '127.0.0.1#x',
  '0.0.0.0',
  '192.168.1.5',
  '[::ffff:10.0.0.1]',
  '127.0.0.1:x'
])('%s is not', (host) => expect(isLoopback(host)).toBe(false));
