/** Can this browser make and show passkeys? A plain question, so that asking it loads nothing. */
export const hasPasskeys = (): boolean => 'PublicKeyCredential' in globalThis;
