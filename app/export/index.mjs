/** What is done with the web client after the bundler has written it to dist/. */
await import('./chunks.mjs');
await import('./fonts.mjs');
await import('./offline.mjs');
await import('./compress.mjs');
