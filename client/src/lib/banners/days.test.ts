import { expect, test } from 'vitest';
import { withWords, wordsOf, type Band } from './band';
import { dayIn, daysBetween, monthsOf, numberOf, plusDays } from './days';

test('Days go over months, years and leap days, whatever the zone', () => {
  expect(plusDays('2026-12-31', 1)).toBe('2027-01-01');
  expect(plusDays('2028-02-28', 1)).toBe('2028-02-29');
  expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
  expect(dayIn(2028, 59)).toBe('2028-02-29');
  expect(numberOf('2027-12-31')).toBe(364);
  expect(monthsOf(2028)[2]!.fromDay).toBe(60);
});

test('The words of a banner come back as they were typed, lines and missing parts too', () => {
  const band: Band = { type: 'band', attrs: { id: 'banner' } as Band['attrs'] };
  const all = {
    line: 'Until the ninth',
    title: 'Festival',
    text: 'One line\nand another',
    buttons: [{ text: 'Plan', link: 'page:visit' }],
  };
  const none = { line: '', title: '', text: '', buttons: [] };
  for (const words of [all, { ...all, line: '' }, { ...all, text: '' }, { ...none, title: 'Alone' }, none])
    expect(wordsOf(withWords(band, words))).toEqual(words);
});
