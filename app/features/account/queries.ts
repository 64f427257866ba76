/** Where the account's lists lie in the cache. */
export const SESSIONS = ['account', 'sessions'] as const;
export const TOKENS = ['account', 'tokens'] as const;
