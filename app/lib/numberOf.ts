/** Field observers write 28,4 as often as 28.4; undefined for what is no number. */
export const numberOf = (text: string): number | undefined => {
  const trimmed = text.trim().replace(',', '.');
  return /^-?\d*\.?\d+$|^-?\d+\.$/.test(trimmed) ? Number(trimmed) : undefined;
};
