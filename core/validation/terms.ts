import { shopSchema } from '@/core/shop';
import { validator, problemsOf } from './problem';
import type { Problem } from './problem';

const validate = validator(shopSchema);

/** Problems of a shop's terms: what it charges and promises. */
export function checkTerms(terms: unknown): Problem[] {
  const shape = problemsOf(validate, terms);
  if (shape.length) return shape;
  const { calendar, timeZone } = terms as {
    calendar: { opening: Record<string, { from: string; to: string } | null> };
    timeZone: string;
  };
  const days = Object.entries(calendar.opening);
  const problems: Problem[] = days
    .filter(([, day]) => day !== null && day.to <= day.from)
    .map(([name]) => ({
      pointer: `/calendar/opening/${name}`,
      message: 'closes before it opens',
      remedy: 'Set the closing time after the opening time, or close the day.',
    }));
  if (days.every(([, day]) => day === null))
    problems.push({
      pointer: '/calendar/opening',
      message: 'is never open',
      remedy: 'Open at least one day of the week: dates are counted in open hours.',
    });
  if (!isTimeZone(timeZone))
    problems.push({
      pointer: '/timeZone',
      message: 'is not a time zone',
      remedy: 'Write it as a region and a city, for example Europe/Dublin.',
    });
  return problems;
}

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}
