const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

const urlOf = (host: string | null): URL | null => {
  if (!host || !URL.canParse(`http://${host}`)) return null;
  const url = new URL(`http://${host}`);
  return url.username === '' && url.pathname === '/' && url.search === '' && url.hash === '' ? url : null;
};

/** Whether a Host header names this machine itself. No header names nothing. */
export const isLoopback = (host: string | null): boolean => LOOPBACK.has(urlOf(host)?.hostname ?? '');

/** Whether an address is this machine’s own. */
export const isLoopbackAddress = (address: string): boolean =>
  address === '::1' || /^(::ffff:)?127\./.test(address);

/**
 * Whether a Host header is a name that this server answers to: this machine’s own, or one it was set up with.
 * @param names host names, as HOUR_TRAIL_HOSTS lists them, by commas
 */
export function isOurHost(host: string | null, names: string): boolean {
  if (isLoopback(host)) return true;
  const hostname = urlOf(host)?.hostname;
  return hostname !== undefined && names.split(',').some((n) => n.trim().toLowerCase() === hostname);
}
