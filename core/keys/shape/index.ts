/** What the wire needs of keys: their shape and their words, without what is reckoned from them. */
export * from './schema';
export * from './vocabulary';
