import { Server } from 'node:net';

/** A client that is just sending on a connection it kept gets its answer, and is told that there is no next, ms. */
const LINGER = 400;
const LOOK_EVERY = 50;

/**
 * Ends servers so that nobody is cut off: new connections are refused, what was begun is answered, and each answer says that its
 * connection ends with it.
 * @param {readonly import('node:http').Server[]} servers
 * @param {number} within ms; what takes longer is cut off then
 * @returns {Promise<void>} once the last connection is closed
 */
export async function endServers(servers, within) {
  const closed = servers.map(
    (server) =>
      new Promise((done) => {
        // HTTP's own close() would hang up on whoever is about to send.
        Server.prototype.close.call(server, () => done());
        server.prependListener('request', (_, response) => response.setHeader('connection', 'close'));
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
