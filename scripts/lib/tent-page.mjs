import { createHash } from 'node:crypto';

/** On a phone that trusts the authority already this answers, and the page goes on by itself. */
const SCRIPT = `
const go = document.getElementById('go');
go.href = go.dataset.trail + (/^#[\\w-]{43}$/.test(location.hash) ? '/join/' + location.hash.slice(1) : '/');
const look = () => fetch(go.dataset.trail + '/health', { mode: 'no-cors', cache: 'no-store' }).then(
  () => { document.body.className = 'trusted'; document.getElementById('said').textContent = 'This phone trusts it.'; },
  () => setTimeout(look, 2000));
look();
`;
const STYLE = `
body { margin: 0 auto; max-width: 34rem; padding: 1rem 1.25rem 3rem; font: 1.1rem/1.5 system-ui, sans-serif; background: #f3efe3; color: #1d1a15 }
h1 { font-size: 1.7rem; margin: 0.5rem 0 } h2 { font-size: 1.2rem; margin: 1.6rem 0 0.3rem }
ol { padding-left: 1.3rem } li { margin: 0.35rem 0 }
a.big { display: block; text-align: center; padding: 1rem; margin: 0.8rem 0; background: #b3134f; color: #fff; font-weight: 700; text-decoration: none }
code { word-break: break-all; font-size: 0.85rem } details { border-top: 1px solid #9d927b; padding: 0.6rem 0 } summary { font-weight: 700; padding: 0.4rem 0 }
.trusted .trust { display: none } #said { font-weight: 700 }
@media (prefers-color-scheme: dark) { body { background: #171512; color: #ece7da } a { color: #ece7da } }
`;
const hashOf = (text) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;

/**
 * What a phone sees first, without TLS: how it is made to trust this server, once. Nothing of any book is on it, and what it hands out
 * is public.
 * @param {{ trail: string, fingerprint: string }} of where the app is, and what the authority is known by
 */
export function tentPage({ trail, fingerprint }) {
  const html = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Join · Hour Trail</title><style>${STYLE}</style></head>
<body>
<h1>Hour Trail in the tent</h1>
<p id="said" role="status"></p>
<div class="trust">
<p>What goes between this phone and the bench is enciphered. For that the phone has to trust the bench’s own certificate, once. It is good for this network’s private addresses only, and for nothing out on the internet.</p>
<h2>1. Fetch it</h2>
<a class="big" style="background:#1d1a15" href="/authority.crt" download="hour-trail.crt">The certificate</a>
<h2>2. Trust it</h2>
<details open><summary>The phone says a profile was downloaded</summary><ol>
<li>Open Settings. At the top stands “Profile Downloaded”: open it, and install it.</li>
<li>Then General, About, Certificate Trust Settings: switch “Hour Trail in the tent” on.</li></ol></details>
<details><summary>The phone keeps the file among its downloads</summary><ol>
<li>Open Settings and search for “certificate”. Choose to install one, as a CA certificate; it is under Security, often behind More or Encryption.</li>
<li>Install anyway, and pick hour-trail.crt among the downloads.</li></ol></details>
<details><summary>A tablet or laptop with a browser of its own store</summary><ol>
<li>In the browser’s settings search for “certificates”, then Authorities, Import.</li>
<li>Pick hour-trail.crt, and trust it for websites.</li></ol></details>
<p>Compare it, if you like, with what the bench shows:<br><code>${fingerprint}</code></p>
</div>
<h2>Go on</h2>
<a class="big" id="go" data-trail="${trail}" href="${trail}/">Open Hour Trail</a>
<script>${SCRIPT}</script>
</body></html>`;
  return {
    html,
    csp: `default-src 'none'; style-src ${hashOf(STYLE)} 'unsafe-hashes' ${hashOf('background:#1d1a15')}; script-src ${hashOf(SCRIPT)}; connect-src ${trail}; base-uri 'none'; form-action 'none'; frame-ancestors 'none'`
  };
}
