/** A link without previews and menus of one platform. */
export { BaseExpoRouterLink as ExpoLink } from 'expo-router/build/link/BaseExpoRouterLink';
