/** No native screens are there to set anything for. */
export const initScreensFeatureFlags = () => {};
