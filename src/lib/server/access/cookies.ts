import type { Cookies } from '@sveltejs/kit';
import { LASTS } from '../../core/access/waits';
import type { In } from './enter';

const DAY = 86_400;
/** The longest a browser keeps one, s. */
const LONGEST = 400 * DAY;
const AS_LONG_AS_IT_LASTS = LASTS.trusted.atMost / 1000;

/** Names of their own over TLS, which no page of a neighbour on the same host can set. */
const nameOf = (what: 'session' | 'device', secure: boolean) => `${secure ? '__Host-' : ''}ht_${what}`;
const kept = (secure: boolean, maxAge?: number) =>
  ({ path: '/', sameSite: 'lax', httpOnly: true, secure, ...(maxAge && { maxAge }) }) as const;

export interface Keys {
  session: string | undefined;
  device: string | undefined;
}
export const readKeys = (cookies: Cookies, secure: boolean): Keys => ({
  session: cookies.get(nameOf('session', secure)),
  device: cookies.get(nameOf('device', secure))
});

/** What a device takes with it: the session for as long as it is trusted, else until its browser is closed. */
export function takeKeys(cookies: Cookies, secure: boolean, come: Pick<In, 'session' | 'device'>): void {
  cookies.set(
    nameOf('session', secure),
    come.session,
    kept(secure, come.device ? AS_LONG_AS_IT_LASTS : undefined)
  );
  if (come.device) cookies.set(nameOf('device', secure), come.device, kept(secure, LONGEST));
}
export function renewKey(cookies: Cookies, secure: boolean, key: string, trusted: boolean): void {
  cookies.set(nameOf('session', secure), key, kept(secure, trusted ? AS_LONG_AS_IT_LASTS : undefined));
}
export function dropSession(cookies: Cookies, secure: boolean): void {
  cookies.delete(nameOf('session', secure), kept(secure));
}

/** This device looks round in the demo, where nobody signs in. Which of its people works is kept by the page. */
export function lookRound(cookies: Cookies): void {
  cookies.set('ht_demo', 'yes', {
    path: '/',
    sameSite: 'lax',
    httpOnly: true,
    secure: false,
    maxAge: 365 * DAY
  });
}
export const leaveDemo = (cookies: Cookies): void => cookies.delete('ht_demo', { path: '/' });
export const looksRound = (cookies: Cookies): boolean => cookies.get('ht_demo') === 'yes';
