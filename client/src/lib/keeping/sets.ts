import { answer, api, type Schemas } from '$lib/api/client';
import { putLeft, removeLeft, type Left } from './left';

type Values = Schemas['ArrangementValues'];
/** What a window wished for, the version it knew, and what was on its way to the server as it went. */
export type LeftSet = { value: Values; base: number; sent?: Values };

const kind = 'set';
const waiting = new Map<string, LeftSet>();
let tell = () => {};
const isKnown = new Promise<void>((resolve) => (tell = resolve));
const mostTries = 3;

/** Whether what was left comes right after what is kept, with nobody else's change between. */
export const goesOnFrom = (left: LeftSet, now: Schemas['ArrangementResponse']) =>
  left.base === now.version || (left.sent !== undefined && isSame(left.sent, now.values));
const isSame = (one: Values, other: Values) => JSON.stringify(one) === JSON.stringify(other);

/** The second net under arrangements: what is wished for is stored until it has got through. */
export const sets = {
  kind,
  put: (id: string, left: LeftSet) =>
    putLeft(`${kind}:${id}`, { values: { value: left.value, base: left.base, sent: left.sent } }),
  done(id: string) {
    waiting.delete(id);
    removeLeft(`${kind}:${id}`);
  },
  /** What a window left of one, for whoever opens it; known once the tool has looked. */
  async left(id: string): Promise<LeftSet | null> {
    await isKnown;
    return waiting.get(id) ?? null;
  },
  found(id: string, typed: Left['typed']) {
    if (typed.values) waiting.set(id, typed.values as LeftSet);
  },
  /** All that was left is found: what nobody opens here goes on its way. */
  async send() {
    tell();
    // Where one may be open, that takes up its own, and asks where it has to.
    if (/^\/(arrangements|pages)\/./.test(location.pathname)) return;
    for (const id of waiting.keys()) await sendOne(id).catch(() => {});
  },
};

async function sendOne(id: string) {
  const left = waiting.get(id);
  for (let tries = 0; left && tries < mostTries; tries++) {
    const now = await answer(api.GET('/api/arrangements/{id}', { params: { path: { id } } }));
    if (isSame(left.value, now.values)) return sets.done(id);
    // Another's change came between: it lies until somebody opens the arrangement.
    if (!goesOnFrom(left, now)) return;
    const headers = { 'If-Match': `"${now.version}"` };
    const sent = answer(api.PUT('/api/arrangements/{id}', { params: { path: { id } }, headers, body: left.value }));
    if (
      await sent.then(
        () => true,
        () => false,
      )
    )
      return sets.done(id);
  }
}
