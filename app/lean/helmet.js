/** The page's title is set by its heading; nothing else in the head changes. */
export const HelmetProvider = ({ children }) => children;
export const Helmet = () => null;
