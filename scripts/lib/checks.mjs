import { Plain } from './say.mjs';

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    throw new Plain(`Node.js 20.19 or newer is needed; this is ${process.versions.node}.`);
}

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '::1']);
const EVERYWHERE = new Set(['0.0.0.0', '::']);

const port = (name, text, otherwise) => {
  const n = text ? Number(text) : otherwise;
  if (!Number.isInteger(n) || n < 1 || n > 65535)
    throw new Plain(`${name}=${text} is not a port: 1 to 65535.`);
  return n;
};

/**
 * Where to listen: plainly on this machine always; with `--tent`, or a HOST elsewhere, over TLS in its private network too.
 * @param {NodeJS.ProcessEnv} env HOST, PORT, TLS_PORT
 * @param {readonly string[]} args what stands after `npm start --`
 * @returns {{ host: string, port: number, tent: { addresses: string[] | 'all', port: number } | null }}
 */
export function listenAddress(env = process.env, args = []) {
  const host = env.HOST || '127.0.0.1';
  const here = LOOPBACK.has(host);
  const odd = args.find((a) => a !== '--tent');
  if (odd) throw new Plain(`${odd} is not known. npm start, or npm start -- --tent`);
  const tent = args.includes('--tent') || !here;
  const at = {
    host: here ? host : '127.0.0.1',
    port: port('PORT', env.PORT, 4780),
    tent: tent
      ? {
          addresses: here || EVERYWHERE.has(host) ? 'all' : [host],
          port: port('TLS_PORT', env.TLS_PORT, 4443)
        }
      : null
  };
  if (at.tent && at.tent.port === at.port)
    throw new Plain(
      `PORT and TLS_PORT are both ${at.port}: the page that says how to trust it needs one of its own.`
    );
  return at;
}
