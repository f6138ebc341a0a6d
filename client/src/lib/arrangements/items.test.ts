import { expect, test } from 'vitest';
import { movedTogether } from './items';

const moved = (all: string, chosen: string, by: -1 | 1) =>
  movedTogether(
    [...all].map((id) => ({ id })),
    new Set(chosen),
    by,
  )
    .map(({ id }) => id)
    .join('');

test('Those chosen go one place on past what stays, and stop at the end without changing places', () => {
  expect(moved('abcde', 'bd', -1)).toBe('badce');
  expect(moved('abcde', 'bc', 1)).toBe('adbce');
  expect(moved('abcde', 'ab', -1)).toBe('abcde');
  expect(moved('abcde', 'ac', -1)).toBe('acbde');
  expect(moved('abcde', 'de', 1)).toBe('abcde');
});
