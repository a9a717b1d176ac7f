/** The app as it is served: its pages, and the line that instruments speak on. Started by npm start and by the tests. */
import { handler } from '../build/handler.js';
import { server } from '../build/index.js';
import { relay, teamByApp } from './lib/relay.mjs';
import { serveTent } from './lib/tent.mjs';

/** Where a request came in says how; a header that somebody sends along does not. */
const by = (protocol) => (request) => {
  request.headers['x-trail-protocol'] = protocol;
};
server.server.prependListener('request', by('http'));

const servers = [server.server];
if (process.env.HOUR_TRAIL_TENT) {
  const { folder, port, joinPort, addresses, names } = JSON.parse(process.env.HOUR_TRAIL_TENT);
  const seal = by('https');
  const handle = (request, response) => {
    seal(request);
    handler(request, response, () => response.writeHead(404).end());
  };
  const tent = await serveTent({ handle, folder, port, joinPort, addresses, names });
  servers.push(...tent.secure);
  const close = () => tent.servers.forEach((s) => (s.close(), s.closeIdleConnections()));
  process.on('SIGTERM', close);
  process.on('SIGINT', close);
}

const end = relay(servers, teamByApp);
// An open line would hold up the shutdown.
process.on('SIGTERM', end);
process.on('SIGINT', end);
