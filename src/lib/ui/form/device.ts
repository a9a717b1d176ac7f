const YEAR = 'path=/; max-age=31536000; samesite=lax';

/** From now on this device works in that team; who works is asked anew. A whole new page: other data everywhere. */
export function workAt(teamId: string): void {
  document.cookie = `ht_team=${teamId}; ${YEAR}`;
  document.cookie = `ht_who=; path=/; max-age=0`;
  location.assign('/');
}
