import type { Schemas } from '$lib/api/client';
import type { Adjustments } from './room.svelte';

type Scales = Schemas['Scales'];
type Values = readonly number[];

/** Between two tables or matrices. */
const between = (a: Values, b: Values, t: number) => a.map((value, i) => value + ((b[i] ?? value) - value) * t);

/** The table at a position of a scale, from those given at every step. */
function at(tables: readonly Values[], step: number, position: number): Values {
  const place = Math.min(tables.length - 1, Math.max(0, (position + 100) / step));
  const i = Math.min(Math.floor(place), tables.length - 2);
  return between(tables[i] ?? [], tables[i + 1] ?? [], place - i);
}

/** What a browser's filter needs to show the adjustments: tables of red, green and blue, a matrix, a kernel. */
export function filterOf(scales: Scales, a: Adjustments) {
  const same = (values: Values) => ({ red: values, green: values, blue: values });
  const curves = [
    ...(a.light === 0 ? [] : [same(at(scales.light, scales.step, a.light))]),
    ...(a.contrast === 0 ? [] : [same(at(scales.contrast, scales.step, a.contrast))]),
    ...(a.shadows === 0 ? [] : [same(at(scales.shadows, scales.step, a.shadows))]),
    ...(a.warmth === 0
      ? []
      : [
          {
            red: at(scales.warmth, scales.step, a.warmth),
            green: [0, 1],
            blue: at(scales.warmth, scales.step, -a.warmth),
          },
        ]),
  ];
  const [least = [], none = [], most = []] = scales.colourMatrix;
  const m = a.colour < 0 ? between(none, least, -a.colour / 100) : between(none, most, a.colour / 100);
  const matrix = [0, 3, 6].map((row) => [...m.slice(row, row + 3), 0, 0]).flat();
  const [plain = [], sharp = []] = scales.sharpenKernel;
  return {
    curves,
    matrix: a.colour === 0 ? null : [...matrix, 0, 0, 0, 1, 0],
    kernel: a.sharpen === 0 ? null : between(plain, sharp, a.sharpen / 100),
  };
}
