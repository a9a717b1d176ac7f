const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Whether a Host header names this machine itself. No header names nothing. */
export function isLoopback(host: string | null): boolean {
  if (!host || !URL.canParse(`http://${host}`)) return false;
  const { hostname, username, pathname, search, hash } = new URL(`http://${host}`);
  return LOOPBACK.has(hostname) && username === '' && pathname === '/' && search === '' && hash === '';
}
