import { describe, expect, it } from 'vitest';
import { listenAddress } from './checks.mjs';

describe('where the server listens', () => {
  it('is this machine, port 4780, unless said otherwise', () => {
    expect(listenAddress({})).toEqual({ host: '127.0.0.1', port: 4780, tent: null });
    expect(listenAddress({ HOST: 'localhost', PORT: '9000' })).toEqual({
      host: 'localhost',
      port: 9000,
      tent: null
    });
  });
  it('is the private network too, over TLS, where somebody asks for the tent', () => {
    const tent = { host: '127.0.0.1', port: 4780, tent: { addresses: 'all', port: 4443 } };
    expect(listenAddress({}, ['--tent'])).toEqual(tent);
    expect(listenAddress({ HOST: '0.0.0.0' })).toEqual(tent);
    expect(listenAddress({ HOST: '192.168.1.7', TLS_PORT: '8443' })).toEqual({
      ...tent,
      tent: { addresses: ['192.168.1.7'], port: 8443 }
    });
  });
  it('is not what nobody knows, nor twice the same port', () => {
    expect(() => listenAddress({}, ['--tnet'])).toThrow(/--tnet is not known/);
    expect(() => listenAddress({ PORT: '4443' }, ['--tent'])).toThrow(/both 4443/);
  });
  it.each(['0', '70000', 'lots', '80.5'])('is not port %s', (PORT) =>
    expect(() => listenAddress({ PORT })).toThrow(/not a port/)
  );
});
