import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    adapter: adapter({ precompress: false }),
    // The document that is kept on a device opens any address: what it loads is named from the root.
    paths: { relative: false },
    // What keeps the app on the device is registered by the frame of the pages, once one is shown.
    serviceWorker: { register: false },
    // Where a request comes from is held against its Host header, for every method that writes (hooks.server.ts): the address
    // the server was set up with is only one of the names this machine answers to.
    csrf: { trustedOrigins: ['*'] },
    // Everything ships with the app: nothing may be fetched from elsewhere, and nobody may frame it.
    csp: {
      mode: 'auto',
      directives: {
        'default-src': ['self'],
        'script-src': ['self'],
        'style-src': ['self', 'unsafe-inline'],
        'img-src': ['self', 'data:', 'blob:'],
        'font-src': ['self'],
        'connect-src': ['self'],
        'object-src': ['none'],
        'base-uri': ['none'],
        'form-action': ['self'],
        'frame-ancestors': ['none']
      }
    }
  }
};
