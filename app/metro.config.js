/**
 * How the web client is bundled: as Expo does it, but without what packages bring along
 * that Plesion never shows. Each entry is a file of a package and what stands in for it
 * (`lean/`); app/budget.json says what a route may weigh, and why each is here shows
 * when one is taken out.
 */
const { join, sep } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const barrels = require('./barrels.js');

const lean = (name) => join(__dirname, 'lean', `${name}.js`);

/** File of a package, as it ends, and its stand-in. */
const STAND_INS = {
  // The places are laid out by Plesion itself: of the router, its headers, stacks, tabs, site map and <head> are not used.
  'expo-router/build/react-navigation/bottom-tabs/index.js': lean('bottomTabs'),
  'expo-router/build/fork/native-stack/createNativeStackNavigator.js': lean('nativeStack'),
  'expo-router/build/layouts/stack-utils/index.js': lean('nothing'),
  'expo-router/build/native-tabs/NativeTabTrigger.js': lean('nativeTabs'),
  'expo-router/build/views/Sitemap.js': lean('nothing'),
  'expo-router/build/views/Toast.js': lean('toast'),
  'expo-router/build/views/Unmatched.js': lean('nothing'),
  'expo-router/build/link/ExpoLink.js': lean('link'),
  'expo-router/build/link/elements.js': lean('nothing'),
  'expo-router/build/link/zoom/link-apple-zoom.js': lean('nothing'),
  'expo-router/build/link/zoom/link-apple-zoom-target.js': lean('nothing'),
  'expo-router/build/react-navigation/native/createStaticNavigation.js': lean('nothing'),
  'expo-router/build/react-navigation/core/StaticNavigation.js': lean('nothing'),
  'expo-router/build/react-navigation/routers/DrawerRouter.js': lean('nothing'),
  'expo-router/build/react-navigation/routers/TabRouter.js': lean('nothing'),
  'expo-router/build/screensFeatureFlags.js': lean('screens'),
  'expo-router/vendor/react-helmet-async/lib/index.js': lean('helmet'),
  'expo-router/build/index.js': lean('router'),
  'expo-linking/build/Linking.js': lean('linking'),
  'expo-constants/build/Constants.js': lean('constants'),
  // Packages that ask for all of React Native get the parts they use.
  'react-native-web/dist/index.js': lean('reactNative'),
  // Styles are looked over while developing only.
  'react-native-web/dist/exports/StyleSheet/validate.js': lean('validate'),
  // Messages are in English; guides' JSON Schema is made by the server.
  'zod/v4/locales/index.js': lean('zodLocales'),
  'zod/v4/core/to-json-schema.js': lean('jsonSchema'),
  // Code made at run time is not allowed in the page.
  'zod/v4/core/compile.js': lean('zodCompile'),
  'zod/v4/core/json-schema-processors.js': lean('nothing'),
  'zod/v4/core/json-schema-generator.js': lean('nothing'),
  'zod/v4/classic/from-json-schema.js': lean('jsonSchema'),
};

const config = getDefaultConfig(__dirname);
config.cacheVersion = barrels.version();
config.transformer.minifierPath = join(__dirname, 'minify.js');
const { resolveRequest } = config.resolver;

config.resolver.resolveRequest = (context, name, platform) => {
  const ours = !context.originModulePath.includes(`${sep}node_modules${sep}`);
  if (name === 'react-native-svg' && ours) return { type: 'sourceFile', filePath: lean('svg') };
  const found = (resolveRequest ?? context.resolveRequest)(context, name, platform);
  if (found.type !== 'sourceFile') return found;
  const inPackages = found.filePath.split(`${sep}node_modules${sep}`).at(-1).replaceAll(sep, '/');
  const standIn = STAND_INS[inPackages];
  return standIn && context.originModulePath !== standIn ? { type: 'sourceFile', filePath: standIn } : found;
};

module.exports = config;
