import { describe, expect, test } from 'vitest';
import { holds } from './holds';

describe('what was said of an arrangement stands there', () => {
  test('though the server filled in what was not said of a new picture', () => {
    const kept = { name: 'Kites', items: [{ id: 'a', asset: 'x', isOn: true, caption: '', stayMs: null }] };
    expect(holds(kept, { name: 'Kites', items: [{ id: 'a', asset: 'x', isOn: true }] })).toBe(true);
    expect(holds(kept, { name: 'Kites', items: [{ id: 'a', asset: 'x', isOn: true, stayMs: undefined }] })).toBe(true);
  });
  test('and does not where a value, a picture or their number is another', () => {
    const kept = { name: 'Kites', items: [{ id: 'a', isOn: true }] };
    expect(holds(kept, { name: 'Reels', items: [{ id: 'a', isOn: true }] })).toBe(false);
    expect(holds(kept, { name: 'Kites', items: [{ id: 'b', isOn: true }] })).toBe(false);
    expect(holds(kept, { name: 'Kites', items: [] })).toBe(false);
    expect(holds(kept, { name: 'Kites', items: null })).toBe(false);
    expect(holds(null, { name: 'Kites' })).toBe(false);
  });
});
