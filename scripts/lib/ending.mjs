import { Server } from 'node:net';

/** A client that is just sending on a connection it kept gets its answer, and is told that there is no next, ms. */
const LINGER = 400;
const LOOK_EVERY = 50;

/**
 * Remembers what a server is answering, so that it can be told that its connection ends with it.
 * @param {import('node:http').Server} server
 */
export function remember(server) {
  const answering = new Set();
  server.on('request', (_, response) => {
    answering.add(response);
    response.once('close', () => answering.delete(response));
  });
  ANSWERING.set(server, answering);
}
/** @type {WeakMap<import('node:http').Server, Set<import('node:http').ServerResponse>>} */
const ANSWERING = new WeakMap();
const last = (response) => response.headersSent || response.setHeader('connection', 'close');

/**
 * Ends servers so that nobody is cut off: new connections are refused, what was begun is answered, and each answer says that its
 * connection ends with it.
 * @param {readonly import('node:http').Server[]} servers each of them remembered
 * @param {number} within ms; what takes longer is cut off then
 * @returns {Promise<void>} once the last connection is closed
 */
export async function endServers(servers, within) {
  const closed = servers.map(
    (server) =>
      new Promise((done) => {
        // HTTP's own close() would hang up on whoever is about to send.
        Server.prototype.close.call(server, () => done());
        server.prependListener('request', (_, response) => last(response));
        for (const response of ANSWERING.get(server) ?? []) last(response);
      })
  );
  const began = Date.now();
  const look = setInterval(() => {
    const late = Date.now() - began;
    if (late < LINGER) return;
    for (const server of servers)
      if (late < within) server.closeIdleConnections();
      else server.closeAllConnections();
  }, LOOK_EVERY);
  await Promise.all(closed);
  clearInterval(look);
}
