import { describe, expect, it } from 'vitest';
import { listenAddress } from './checks.mjs';

describe('where the server listens', () => {
  it('is this machine, port 4780, unless said otherwise', () => {
    expect(listenAddress({})).toEqual({ host: '127.0.0.1', port: 4780 });
    expect(listenAddress({ HOST: 'localhost', PORT: '9000' })).toEqual({ host: 'localhost', port: 9000 });
  });
  it.each(['0.0.0.0', '192.0.2.7', 'example.test', '::'])('is never %s while there is no sign-in', (HOST) =>
    expect(() => listenAddress({ HOST })).toThrow(/no sign-in yet/)
  );
  it.each(['0', '70000', 'lots', '80.5'])('is not port %s', (PORT) =>
    expect(() => listenAddress({ PORT })).toThrow(/not a port/)
  );
});
