import http from 'node:http';
import https from 'node:https';
import { WebSocketServer } from 'ws';

/** Where instruments and benches meet. */
export const RELAY_PATH = '/instruments/line';
/** Bytes; a reading is a few hundred. */
const LONGEST_LINE = 1024;
/** Of all teams together; how many one person may have, the app says. */
const MOST_CONNECTED = 1000;
/** Asked about at once; whoever comes beyond that asks again. */
const MOST_ASKING = 100;
/** Lines a second from one end; whoever sends more is not a hand at an instrument. */
const MOST_A_SECOND = 20;
const ALIVE_EVERY = 30_000;
/** Only our own pages: any page may open a socket to any host. An instrument that is a program has no page, and says none. */
const ofOurs = ({ headers }) =>
  headers.origin === undefined ||
  (URL.canParse(headers.origin) && new URL(headers.origin).host === headers.host);
/** The path a request asks for, as it stands in its first line: what is no address throws nothing here, and is none of ours. */
export const pathOf = ({ url = '' }) => url.split('?', 1)[0];
const refusal = (status) => `HTTP/1.1 ${status}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`;

/**
 * Lets instruments speak: a line of JSON that one end sends is handed to every other end of its team. Nothing is kept, and nothing
 * is read: whoever receives a line checks it.
 *
 * @typedef {{ team: string, leave: () => void }} Admitted
 * @param {import('node:http').Server[]} servers of the app
 * @param {(request: import('node:http').IncomingMessage, over: () => void) => Promise<Admitted | null>} admit whose line it is for who
 *   asks; null: nobody’s. `over` is called once they may no longer speak on it; `leave` says that they have left
 * @returns {() => void} ends it
 */
export function relay(servers, admit) {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST_LINE, perMessageDeflate: false });
  let asking = 0;
  const upgrade = async (request, socket, head) => {
    if (pathOf(request) !== RELAY_PATH) return socket.end(refusal('400 Bad Request'));
    if (!ofOurs(request)) return socket.end(refusal('403 Forbidden'));
    if (sockets.clients.size + asking >= MOST_CONNECTED || asking >= MOST_ASKING)
      return socket.end(refusal('503 Service Unavailable'));
    asking += 1;
    const admitted = await admit(request, () => socket.destroy()).finally(() => (asking -= 1));
    if (admitted === null) return socket.end(refusal('403 Forbidden'));
    socket.once('close', admitted.leave);
    if (socket.destroyed) return admitted.leave();
    sockets.handleUpgrade(request, socket, head, (end) => sockets.emit('connection', end, admitted.team));
  };
  const onUpgrade = function (request, socket, head) {
    // While the app is worked on, its server speaks with the pages on a line of its own.
    if (pathOf(request) !== RELAY_PATH && this.listenerCount('upgrade') > 1) return;
    socket.on('error', () => socket.destroy());
    // Whatever an asker may make of a request ends that request, and nothing else.
    void upgrade(request, socket, head).catch(() => socket.destroy());
  };
  sockets.on('connection', (end, team) => {
    Object.assign(end, { team, alive: true, sent: 0, since: Date.now() });
    end.on('pong', () => (end.alive = true));
    end.on('error', () => end.terminate());
    end.on('message', (data, binary) => {
      if (Date.now() - end.since > 1000) Object.assign(end, { sent: 0, since: Date.now() });
      if (binary || ++end.sent > MOST_A_SECOND) return;
      const line = data.toString();
      for (const other of sockets.clients)
        if (other !== end && other.team === end.team && other.readyState === other.OPEN) other.send(line);
    });
  });
  // A phone that went out of range does not say goodbye.
  const beat = setInterval(() => {
    for (const end of sockets.clients) {
      if (!end.alive) end.terminate();
      end.alive = false;
      end.ping();
    }
  }, ALIVE_EVERY);
  beat.unref();
  for (const server of servers) server.on('upgrade', onUpgrade);
  return () => {
    clearInterval(beat);
    for (const server of servers) server.off('upgrade', onUpgrade);
    for (const end of sockets.clients) end.terminate();
  };
}

const SHOWN = ['cookie', 'authorization', 'host'];
/** Not asked on this machine, whatever name it was asked under. */
const isFar = ({ socket }) => !/^(::ffff:)?127\.|^::1$/.test(socket.remoteAddress ?? '');
const namesThisMachine = (host) => /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/i.test(host ?? '');

/**
 * Asks the app whose line it is, with what the asker showed: who may come in is decided in one place. The app’s answer stays open for
 * as long as they may speak, and closing it says that they have left.
 * @param {import('node:http').IncomingMessage} request
 * @param {() => void} over
 * @returns {Promise<Admitted | null>}
 */
export function admitByApp(request, over) {
  const { localAddress: host, localPort: port } = request.socket;
  // Asked by us it would look as if it came from here. And who is gone already has no port.
  if ((isFar(request) && namesThisMachine(request.headers.host)) || port === undefined)
    return Promise.resolve(null);
  const secure = 'encrypted' in request.socket;
  const headers = Object.fromEntries(
    SHOWN.flatMap((n) => (request.headers[n] === undefined ? [] : [[n, request.headers[n]]]))
  );
  return new Promise((done, failed) => {
    const asked = (secure ? https : http).request(
      // Our own server, by its own address.
      {
        host,
        port,
        path: '/api/v1/line',
        headers,
        agent: false,
        ...(secure && { rejectUnauthorized: false })
      },
      (response) => {
        const leave = () => response.destroy();
        if (response.statusCode !== 200) {
          leave();
          return done(null);
        }
        response.once('data', (line) => {
          try {
            done({ team: JSON.parse(line).team, leave });
          } catch (e) {
            leave();
            failed(e);
          }
        });
        response.on('error', () => {});
        response.once('close', () => {
          done(null);
          over();
        });
      }
    );
    asked.on('error', () => done(null));
    asked.end();
  });
}
