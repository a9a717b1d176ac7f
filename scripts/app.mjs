/** The app as it is served: its pages, and the line that instruments speak on. Started by npm start and by the tests. */
import { server } from '../build/index.js';
import { relay } from './lib/relay.mjs';

const end = relay(server.server);
// An open line would hold up the shutdown.
process.on('SIGTERM', end);
process.on('SIGINT', end);
