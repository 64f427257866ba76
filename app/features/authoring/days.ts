const DAY = /^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/;

/** Two days of the year as they are typed (`04-01 to 08-31`); nothing where nothing is typed. */
export function readDays(text: string): { from: string; to: string } | 'unreadable' | undefined {
  const days = text.split(/\s*(?:to|–|,|\s)\s*/).filter(Boolean);
  if (days.length === 0) return undefined;
  const [from, to] = days;
  return days.length === 2 && DAY.test(from) && DAY.test(to) ? { from, to } : 'unreadable';
}
