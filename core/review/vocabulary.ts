export const REVIEW_WORDS = ['agree', 'name', 'view', 'pass'] as const;
