import { generateSW } from 'workbox-build';

/**
 * A service worker that keeps the application itself on the device, and the guides and specimens last seen, for use without a connection.
 */
const lately = (pattern, cacheName, options = { networkTimeoutSeconds: 4 }) => ({
  urlPattern: pattern,
  handler: 'NetworkFirst',
  options: { cacheName, ...options, expiration: { maxEntries: 300 } },
});

await generateSW({
  globDirectory: 'dist',
  globPatterns: ['index.html', 'favicon.ico', '_expo/**/*.js', 'opening.js', 'manifest.webmanifest', 'assets/fonts/*.woff2'],
  swDest: 'dist/sw.js',
  maximumFileSizeToCacheInBytes: 4_000_000,
  inlineWorkboxRuntime: true,
  sourcemap: false,
  skipWaiting: true,
  clientsClaim: true,
  navigateFallback: '/index.html',
  navigateFallbackDenylist: [/^\/api\//],
  runtimeCaching: [
    lately(
      /\/api\/(guides|specimens|keys|lots|field|lists|sites|visits|captures|marks|strings|counts|sheets|practice)(\/[^/]+)?(\?.*)?$/,
      'plesion-station',
    ),
    // A large book takes a while to work out: an older one must not stand in for it while the server can be reached.
    lately(/\/api\/(colonies|individuals\/[^/]+|guides\/[^/]+\/colony)$/, 'plesion-station-books', {}),
    {
      urlPattern: /\/api\/photos\//,
      handler: 'CacheFirst',
      options: { cacheName: 'plesion-station-photos', expiration: { maxEntries: 400 } },
    },
  ],
});
