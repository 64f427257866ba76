const { minify } = require('@swc/core');

/**
 * Makes what the bundler has put together small, by the compiler that compiles the tests too: it takes a fraction of the
 * time of the bundler's own.
 *
 * @see https://metrobundler.dev/docs/configuration/#minifierpath
 */
module.exports = async ({ code, reserved = [] }) => {
  const made = await minify(code, {
    compress: { passes: 2 },
    mangle: { reserved },
    format: { comments: false },
    module: false,
    sourceMap: false,
  });
  return { code: made.code };
};
