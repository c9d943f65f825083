// The service worker of the built application: every file of it is kept on the phone, so that
// it opens without the server. A new version waits until the page tells it to take over.
import { join } from 'node:path';
import { root } from './prepare.mjs';

const { generateSW } = await import('workbox-build');
const dist = join(root, 'app/dist');
const { warnings } = await generateSW({
  globDirectory: dist,
  globPatterns: ['**/*.{html,js,css,woff2,svg,png,webmanifest}'],
  // The router's own page of routes and its pictures are for developing.
  globIgnores: ['**/expo-router/assets/**', 'sw.js'],
  swDest: join(dist, 'sw.js'),
  inlineWorkboxRuntime: true,
  mode: 'production',
  sourcemap: false,
  clientsClaim: true,
  skipWaiting: false,
  cleanupOutdatedCaches: true,
  dontCacheBustURLsMatching: /[.-][0-9a-f]{16,}\./,
  maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
  // A photo is kept under the hash of its bytes: once here, it is never another.
  runtimeCaching: [
    {
      urlPattern: /\/api\/blobs\/[0-9a-f]{64}$/,
      handler: 'CacheFirst',
      options: {
        cacheName: 'photos',
        expiration: { maxEntries: 400, purgeOnQuotaError: true },
        cacheableResponse: { statuses: [200] },
      },
    },
  ],
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
});
for (const warning of warnings) console.warn(warning);
