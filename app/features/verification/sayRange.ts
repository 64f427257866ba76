/** Where a share likely lies, in a hundred: "44 to 73". */
export const sayRange = (low: number, high: number): string => `${Math.round(100 * low)} to ${Math.round(100 * high)}`;
