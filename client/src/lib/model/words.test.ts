import { expect, it } from 'vitest';
import { count, weight } from './words';

it('Weights are told as people read them, and never as 1000 of the smaller', () => {
  const told = [999, 1000, 9949, 61_000, 994_999, 995_000, 12_340_000].map(weight);
  expect(told).toEqual(['999 B', '1.0 kB', '9.9 kB', '61 kB', '995 kB', '1.0 MB', '12.3 MB']);
});

it('One is told in the singular alone', () => {
  expect([0, 1, 2].map((n) => count(n, 'picture'))).toEqual(['0 pictures', '1 picture', '2 pictures']);
  expect(count(2, 'gallery', 'galleries')).toBe('2 galleries');
});
