/** On every answer, whoever makes it: a page, a file, somebody sent away at the door. What the app itself says of one goes before it. */
const HEADERS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  // Nobody frames it, in browsers of any age. Pages have a whole content security policy in the place of this one.
  'x-frame-options': 'DENY',
  'content-security-policy': "frame-ancestors 'none'",
  // A phone's camera reads stickers by its own app; photos are picked as files.
  'permissions-policy': 'camera=(), microphone=(), geolocation=(), payment=(), usb=(), browsing-topics=()'
};
/** A year, as the list of browsers that never ask without TLS has it. */
const HSTS = 'max-age=31536000';

/**
 * @param {import('node:http').ServerResponse} response
 * @param {boolean} secure over TLS that is ours. Browsers heed it for names, not for addresses: the page that comes before is asked by those
 */
export function guard(response, secure) {
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  if (secure) response.setHeader('strict-transport-security', HSTS);
}
