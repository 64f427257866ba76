/** Addresses as the router asks for them; in a page they are the page's own. */
export const createURL = (path) => `${window.location.origin}${path.startsWith('/') ? path : `/${path}`}`;
export const getLinkingURL = () => window.location.href;
export const openURL = (url) => window.location.assign(url);
export const addEventListener = () => ({ remove() {} });
