/** Bytes of what is sent at once: of anything, and of a team with all its photos. */
export const MOST_BODY = 16 * 1024 * 1024;
export const MOST_TEAM_FILE = 1024 ** 3;

/** Where more may be sent than anywhere else; each counts what comes by itself. */
const MORE_AT: Record<string, number> = { '/api/team': MOST_TEAM_FILE };

/** Whether a request says that it brings more than may be brought there. */
export const bringsTooMuch = (path: string, headers: Headers): boolean =>
  !(Number(headers.get('content-length') ?? 0) <= (MORE_AT[path] ?? MOST_BODY));

/** Whether a request does not say how much it brings, where nobody counts it as it comes. */
export const isUncounted = (path: string, headers: Headers): boolean =>
  headers.has('transfer-encoding') && headers.get('content-length') === null && !(path in MORE_AT);
