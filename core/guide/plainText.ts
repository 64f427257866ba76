/** Words as they are looked for: small letters without accents. "Börea" and "borea" are the same. */
export const plainText = (text: string): string => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');
