import { Plain } from './say.mjs';

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Plain(`Node.js 20.19 or newer is needed; this is ${process.versions.node}.`);
}

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);

/** Where to listen. Refuses anything but this machine: until people sign in, whoever reaches the server may write in it. */
export function listenAddress(env = process.env) {
  const host = env.HOST || '127.0.0.1';
  if (!LOOPBACK.has(host)) {
    throw new Plain(
      `HOST=${host} is refused: there is no sign-in yet, so anyone who reached the server could change the book. Use 127.0.0.1.`
    );
  }
  const port = env.PORT ? Number(env.PORT) : 4780;
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Plain(`PORT=${env.PORT} is not a port: 1 to 65535.`);
  return { host, port };
}
