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
const TEAM = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

const hostOf = (text) => (URL.canParse(`http://${text}`) ? new URL(`http://${text}`) : null);

/** Only this machine, and only our own pages: any page may open a socket to any host. */
function allowed({ headers }) {
  const host = hostOf(headers.host ?? '');
  if (!host || !LOOPBACK.has(host.hostname)) return false;
  // An instrument that is a program has no page, and says none.
  if (headers.origin === undefined) return true;
  return URL.canParse(headers.origin) && new URL(headers.origin).host === headers.host;
}

/**
 * Lets instruments speak: a line of JSON that one end sends is handed to every other end of its team. Nothing is kept, and nothing
 * is read: whoever receives a line checks it.
 *
 * @param {import('node:http').Server} server of the app
 * @returns {() => void} ends it
 */
export function relay(server) {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: LONGEST_LINE, perMessageDeflate: false });
  const upgrade = (request, socket, head) => {
    const { pathname, searchParams } = new URL(request.url ?? '/', 'http://x');
    if (pathname !== RELAY_PATH) return socket.destroy();
    // Lines go to the ends of the same team; a program has no cookie to tell it by.
    const team = searchParams.get('team') ?? '';
    if (!TEAM.test(team) || !allowed(request) || sockets.clients.size >= MOST_CONNECTED)
      return socket.end('HTTP/1.1 403 Forbidden\r\nConnection: close\r\n\r\n');
    sockets.handleUpgrade(request, socket, head, (end) => sockets.emit('connection', end, team));
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
  server.on('upgrade', upgrade);
  return () => {
    clearInterval(beat);
    server.off('upgrade', upgrade);
    for (const end of sockets.clients) end.terminate();
  };
}
