/** Bytes of what is sent at once: of anything, and of a team with all its photos. */
export const MOST_BODY = 16 * 1024 * 1024;
export const MOST_TEAM_FILE = 1024 ** 3;

/** Where more may be sent than anywhere else; each counts what comes by itself. */
const MORE_AT: Record<string, number> = { '/api/team': MOST_TEAM_FILE };

/**
 * Whether a request says that it brings more than may be brought there. What comes in pieces without saying how much is taken
 * only where it is counted.
 */
export function bringsTooMuch(path: string, headers: Headers): boolean {
  const most = MORE_AT[path] ?? MOST_BODY;
  const says = headers.get('content-length');
  if (says !== null) return !(Number(says) <= most);
  return headers.has('transfer-encoding') && !(path in MORE_AT);
}
