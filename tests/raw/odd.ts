/** Targets of a request line that are no address, or none of ours: what a program that means harm, or a broken one, may write there. */
export const ODD_TARGETS = [
  '//',
  '///',
  '//[',
  '/\\',
  '\\\\',
  '/\\[',
  'http://',
  'http://[',
  'http:///',
  'https://x:99999999/',
  'ws://',
  '//:80',
  '//@',
  '//user:word@/',
  '*',
  '?',
  '#',
  '/#',
  '/%',
  '/%00',
  '/%ff%fe',
  '/%c0%ae%c0%ae/',
  '/..%2f..%2f',
  '/../../../../etc/passwd',
  '/./..//..',
  '/instruments/line/..',
  '//instruments/line',
  'http://x/instruments/line',
  `/${'a'.repeat(7000)}`,
  `/${'%41'.repeat(2000)}`,
  `/?${'a=b&'.repeat(1500)}`,
  '/é',
  'javascript:alert(1)',
  'data:,x',
  'localhost:80',
  ':80',
  '[::1]',
  '/machines/[id]',
  '/__data.json',
  '//__data.json',
  '/_app/',
  '/_app/../',
  '/_app/%2e%2e/'
] as const;
/** Whole first lines of a request that are none. */
export const ODD_LINES = [
  '',
  'GET',
  'GET ',
  'GET  HTTP/1.1',
  'GET / HTTP/9.9',
  'GET / HTTP/1.1 HTTP/1.1',
  'get / http/1.1',
  'CONNECT //',
  'CONNECT x:443 HTTP/1.1',
  'TRACE / HTTP/1.1',
  'OPTIONS * HTTP/1.1',
  'PRI * HTTP/2.0',
  '\u0016\u0003\u0001\u0002\u0000\u0001\u0000\u0001',
  '\u0000\u0000\u0000\u0000'
] as const;

const UPGRADE = 'Connection: Upgrade\r\nUpgrade: websocket\r\nSec-WebSocket-Version: 13\r\n';
/** All that is sent to an entrance: each target as a plain request and as one that wants a socket, lines that are none, and odd heads. */
export function oddRequests(host: string): string[] {
  const plain = ODD_TARGETS.flatMap((t) =>
    ['GET', 'HEAD', 'POST'].map((m) => `${m} ${t} HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`)
  );
  const upgrades = ODD_TARGETS.map(
    (t) =>
      `GET ${t} HTTP/1.1\r\nHost: ${host}\r\n${UPGRADE}Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\n\r\n`
  );
  const line = (more: string) => `GET /instruments/line HTTP/1.1\r\n${more}\r\n`;
  return [
    ...plain,
    ...upgrades,
    ...ODD_LINES.map((l) => `${l}\r\nHost: ${host}\r\n\r\n`),
    // No key, a key that is none, no host, an origin that is none, an upgrade to something else, a body that never comes.
    line(`Host: ${host}\r\n${UPGRADE}`),
    line(`Host: ${host}\r\n${UPGRADE}Sec-WebSocket-Key: x\r\n`),
    line(UPGRADE),
    line(`Host: [\r\n${UPGRADE}Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\n`),
    line(`Host: ${host}\r\nOrigin: //[\r\n${UPGRADE}`),
    line(`Host: ${host}\r\nConnection: Upgrade\r\nUpgrade: h2c\r\n`),
    line(
      `Host: ${host}\r\nCookie: \u00ff=\u00fe; ;;=\r\n${UPGRADE}Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\n`
    ),
    `POST / HTTP/1.1\r\nHost: ${host}\r\nContent-Length: 5\r\nTransfer-Encoding: chunked\r\n\r\nzz\r\n`,
    `POST / HTTP/1.1\r\nHost: ${host}\r\nContent-Length: -1\r\n\r\n`,
    `GET / HTTP/1.1\r\nHost: ${host}\r\nExpect: the moon\r\n\r\n`
  ];
}
