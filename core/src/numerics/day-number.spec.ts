import { describe, expect, it } from 'vitest';
import { dayNumber } from './day-number';

/** The same by the runtime’s calendar. */
const byCalendar = (iso: string) => globalThis.Date.parse(`${iso}T00:00:00Z`) / 86_400_000;

describe('days between two dates', () => {
  it.each([
    ['2026-11-26', '2027-03-20'],
    ['2024-02-28', '2024-03-01'],
    ['1999-12-31', '2000-03-01'],
    ['2099-12-31', '2100-03-01'],
    ['1896-02-29', '2400-02-29'],
  ])('from %s to %s are those of the calendar', (from, to) => {
    expect(dayNumber(to) - dayNumber(from)).toBe(byCalendar(to) - byCalendar(from));
  });

  it('count from the first day of a month or a year that stands alone', () => {
    expect(dayNumber('2027-05')).toBe(dayNumber('2027-05-01'));
    expect(dayNumber('2027')).toBe(dayNumber('2027-01-01'));
  });

  it('go up by one every day of eight years', () => {
    const first = byCalendar('2095-01-01');
    for (let i = 0; i < 2922; i += 1) {
      const iso = new globalThis.Date((first + i) * 86_400_000).toISOString().slice(0, 10);
      expect(dayNumber(iso) - dayNumber('2095-01-01')).toBe(i);
    }
  });
});
