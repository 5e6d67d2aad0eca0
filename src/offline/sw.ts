import { CacheableResponsePlugin, CacheFirst, ExpirationPlugin, NetworkFirst, Serwist } from 'serwist';

/** A page that is not there after so long is shown as it was last. */
const PATIENCE_S = 4;
const WEEK_S = 7 * 86_400;
const whole = new CacheableResponsePlugin({ statuses: [200] });

/**
 * The yard without signal: its pages as they were seen last, and the code and fonts they are made of. Nothing else is kept
 * here: what was tapped and the last state lie in the phone's database (`ui/day/keptHere`).
 */
const worker = new Serwist({
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && /^\/(_next\/static|icons)\//.test(url.pathname),
      handler: new CacheFirst({
        cacheName: 'shell',
        plugins: [whole, new ExpirationPlugin({ maxEntries: 300, maxAgeSeconds: 4 * WEEK_S })],
      }),
    },
    {
      matcher: ({ url, sameOrigin, request }) => sameOrigin && request.mode === 'navigate' && /^\/yard(\/|$)/.test(url.pathname),
      handler: new NetworkFirst({
        cacheName: 'yard',
        networkTimeoutSeconds: PATIENCE_S,
        plugins: [whole, new ExpirationPlugin({ maxEntries: 8, maxAgeSeconds: WEEK_S })],
      }),
    },
  ],
});
worker.addEventListeners();
