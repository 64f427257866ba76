/** All of an object but some of its fields. */
export function omit<T extends object, K extends keyof T>(value: T, ...fields: readonly K[]): Omit<T, K> {
  return Object.fromEntries(Object.entries(value).filter(([name]) => !fields.includes(name as K))) as Omit<T, K>;
}
