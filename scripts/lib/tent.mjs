import { X509Certificate } from 'node:crypto';
import { createServer } from 'node:http';
import { createServer as createSecure } from 'node:https';
import { hostname, networkInterfaces } from 'node:os';
import { certificates, isPrivate } from './certificates.mjs';
import { guard } from './headers.mjs';
import { pathOf } from './relay.mjs';
import { tentPage } from './tent-page.mjs';

/** IPv4 addresses that this machine has in private networks, but for its own. */
export function tentAddresses(interfaces = networkInterfaces()) {
  return Object.values(interfaces)
    .flat()
    .filter((a) => a && a.family === 'IPv4' && !a.internal && isPrivate(a.address))
    .map((a) => a.address);
}
/** Names this machine goes by in its network. */
export const tentNames = () => [`${hostname().split('.')[0].toLowerCase()}.local`];

/** What a plain listener in the tent's network answers: how to trust this server, and nothing else. */
function plainAnswer(page, authority) {
  const der = new X509Certificate(authority).raw;
  return (request, response) => {
    const path = pathOf(request);
    guard(response, false);
    const send = (status, type, body, more = {}) =>
      response
        .writeHead(status, {
          'content-type': type,
          'cache-control': 'no-store',
          ...more
        })
        .end(request.method === 'HEAD' ? undefined : body);
    if (request.method !== 'GET' && request.method !== 'HEAD')
      return send(405, 'text/plain', 'Only to be read.');
    if (path === '/')
      return send(200, 'text/html; charset=utf-8', page.html, { 'content-security-policy': page.csp });
    if (path === '/authority.crt') return send(200, 'application/x-x509-ca-cert', der);
    return send(404, 'text/plain', 'Nothing is kept here.');
  };
}

/**
 * Serves the tent: the app over TLS on every private address, and beside it, without TLS, the page that says how to trust it.
 * @param {object} of
 * @param {(request: import('node:http').IncomingMessage, response: import('node:http').ServerResponse) => void} of.handle the app
 * @param {string} of.folder where certificates are kept
 * @param {number} of.port of the app over TLS
 * @param {number} of.joinPort of the plain page
 * @param {string[]} of.addresses
 * @param {string[]} of.names
 */
export async function serveTent({ handle, folder, port, joinPort, addresses, names }) {
  const { authority, fingerprint, certificate, key } = await certificates(folder, [
    ...addresses,
    ...names,
    'localhost',
    '127.0.0.1'
  ]);
  const listening = (server, at, on) =>
    new Promise((done, failed) => {
      server.once('error', failed);
      server.listen(at, on, () => {
        server.off('error', failed);
        done(server);
      });
    });
  const servers = [];
  for (const address of addresses) {
    const secure = createSecure({ key, cert: certificate, minVersion: 'TLSv1.2' }, handle);
    servers.push(await listening(secure, port, address));
    const page = tentPage({ trail: `https://${address}:${port}`, fingerprint });
    servers.push(await listening(createServer(plainAnswer(page, authority)), joinPort, address));
  }
  return {
    fingerprint,
    servers,
    secure: servers.filter((s) => 'setSecureContext' in s)
  };
}
