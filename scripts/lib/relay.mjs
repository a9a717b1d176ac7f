import http from 'node:http';
import https from 'node:https';
import { WebSocketServer } from 'ws';

/** Where instruments and benches meet. */
export const RELAY_PATH = '/instruments/line';
/** Bytes; a reading is a few hundred. */
const LONGEST_LINE = 1024;
/** Of all teams together. */
const MOST_CONNECTED = 200;
/** Lines a second from one end; whoever sends more is not a hand at an instrument. */
const MOST_A_SECOND = 20;
const ALIVE_EVERY = 30_000;
/** Only our own pages: any page may open a socket to any host. An instrument that is a program has no page, and says none. */
const ofOurs = ({ headers }) =>
  headers.origin === undefined ||
  (URL.canParse(headers.origin) && new URL(headers.origin).host === headers.host);

/**
 * Lets instruments speak: a line of JSON that one end sends is handed to every other end of its team. Nothing is kept, and nothing
 * is read: whoever receives a line checks it.
 *
 * @param {import('node:http').Server[]} servers of the app
 * @param {(request: import('node:http').IncomingMessage) => Promise<string | null>} teamOf whose line it is for who asks; null: nobody’s
 * @returns {() => void} ends it
 */
export function relay(servers, teamOf) {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST_LINE, perMessageDeflate: false });
  const upgrade = async (request, socket, head) => {
    socket.on('error', () => socket.destroy());
    const { pathname } = new URL(request.url ?? '/', 'http://x');
    if (pathname !== RELAY_PATH) return socket.destroy();
    const team = ofOurs(request) && sockets.clients.size < MOST_CONNECTED ? await teamOf(request) : null;
    if (team === null) return socket.end('HTTP/1.1 403 Forbidden\r\nConnection: close\r\n\r\n');
    sockets.handleUpgrade(request, socket, head, (end) => sockets.emit('connection', end, team, request));
  };
  sockets.on('connection', (end, team, request) => {
    Object.assign(end, { team, request, alive: true, sent: 0, since: Date.now() });
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
      // Whoever was signed out meanwhile hears no more.
      void teamOf(end.request).then((team) => team === end.team || end.terminate());
    }
  }, ALIVE_EVERY);
  beat.unref();
  for (const server of servers) server.on('upgrade', upgrade);
  return () => {
    clearInterval(beat);
    for (const server of servers) server.off('upgrade', upgrade);
    for (const end of sockets.clients) end.terminate();
  };
}

const SHOWN = ['cookie', 'authorization', 'host'];
/** Not asked on this machine, whatever name it was asked under. */
const isFar = ({ socket }) => !/^(::ffff:)?127\.|^::1$/.test(socket.remoteAddress ?? '');
const namesThisMachine = (host) => /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/i.test(host ?? '');

/**
 * Asks the app whose line it is, with what the asker showed: who may come in is decided in one place.
 * @returns {Promise<string | null>}
 */
export function teamByApp(request) {
  // Asked by us it would look as if it came from here.
  if (isFar(request) && namesThisMachine(request.headers.host)) return Promise.resolve(null);
  const secure = 'encrypted' in request.socket;
  const headers = Object.fromEntries(
    SHOWN.flatMap((n) => (request.headers[n] === undefined ? [] : [[n, request.headers[n]]]))
  );
  return new Promise((done) => {
    const asked = (secure ? https : http).request(
      {
        host: request.socket.localAddress,
        port: request.socket.localPort,
        path: '/api/v1/line',
        headers,
        // Our own server, by its own address.
        ...(secure && { rejectUnauthorized: false })
      },
      (response) => {
        let text = '';
        response.on('data', (part) => (text += part));
        response.on('end', () => {
          try {
            done(response.statusCode === 200 ? (JSON.parse(text).team ?? null) : null);
          } catch {
            done(null);
          }
        });
      }
    );
    asked.on('error', () => done(null));
    asked.end();
  });
}
