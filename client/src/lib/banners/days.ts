const dayMs = 86_400_000;

const utc = (iso: string) => Date.parse(`${iso}T00:00:00Z`);
const isoOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);

/** Days are written as 2026-12-01, and counted without any zone: which day it is, the server says. */
export const plusDays = (iso: string, days: number) => isoOf(utc(iso) + days * dayMs);

/** How many days one is after another. */
export const daysBetween = (from: string, until: string) => Math.round((utc(until) - utc(from)) / dayMs);

/** The day with this number in a year; the first is 0. */
export const dayIn = (year: number, day: number) => plusDays(`${year}-01-01`, day);

/** Its number in its year. */
export const numberOf = (iso: string) => daysBetween(`${iso.slice(0, 4)}-01-01`, iso);

const named = (options: Intl.DateTimeFormatOptions) => (iso: string) =>
  new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', ...options }).format(utc(iso));

/** 5 August */
export const dayAndMonth = named({ day: 'numeric', month: 'long' });
/** Wed 5 Aug */
export const shortDay = named({ weekday: 'short', day: 'numeric', month: 'short' });
/** 5 Aug */
export const shortDate = named({ day: 'numeric', month: 'short' });
const monthName = named({ month: 'long' });

/** The months of a year, each with the number of its first day. */
export const monthsOf = (year: number) =>
  Array.from({ length: 12 }, (_, i) => {
    const first = `${year}-${String(i + 1).padStart(2, '0')}-01`;
    return { name: monthName(first), fromDay: numberOf(first) };
  });
