/** The app as it is served: its pages, and the line that instruments speak on. Started by npm start and by the tests. */
import { createServer } from 'node:http';
import { handler } from '../build/handler.js';
import { endServers, remember } from './lib/ending.mjs';
import { guard } from './lib/headers.mjs';
import { admitByApp, relay } from './lib/relay.mjs';
import { serveTent } from './lib/tent.mjs';

/** What was begun when it is told to end has so long to be answered, ms. */
const END_WITHIN = 10_000;

/** Where a request came in says how; a header that somebody sends along does not. */
const by = (protocol) => (request, response) => {
  guard(response, protocol === 'https');
  request.headers['x-trail-protocol'] = protocol;
  handler(request, response, () => response.writeHead(404).end());
};

// A promise that nobody waits for has failed: that is a mistake of ours and is logged, but no reason to cut everybody off.
process.on('unhandledRejection', (reason) =>
  console.error('A promise failed and nobody waited for it:', reason)
);

const app = createServer(by('http'));
remember(app);
await new Promise((done, failed) => {
  app.once('error', failed);
  app.listen({ host: process.env.HOST, port: Number(process.env.PORT) }, () => {
    app.off('error', failed);
    done();
  });
});
const servers = [app];
const sealed = [app];
if (process.env.HOUR_TRAIL_TENT) {
  const { folder, port, joinPort, addresses, names } = JSON.parse(process.env.HOUR_TRAIL_TENT);
  const tent = await serveTent({ handle: by('https'), folder, port, joinPort, addresses, names });
  tent.servers.forEach(remember);
  servers.push(...tent.servers);
  sealed.push(...tent.secure);
}
const endRelay = relay(sealed, admitByApp);

let ending = false;
const end = async () => {
  if (ending) return;
  ending = true;
  // An open line would hold up the end; those of pages the app ends itself.
  endRelay();
  await endServers(servers, END_WITHIN);
  process.exit(0);
};
process.on('SIGTERM', end);
process.on('SIGINT', end);
