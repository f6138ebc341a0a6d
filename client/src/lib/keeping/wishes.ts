import { answer, api, type Schemas } from '$lib/api/client';
import { holds } from './holds';
import { putLeft, removeLeft, type Left } from './left';

/** What a window wished for, the version it knew, and what was on its way to the server as it went. */
export type LeftWish<T> = { value: T; base: number; sent?: T };
type Kept<T> = { version: number; values: T };

const mostTries = 3;

/** Whether what was left comes right after what is kept, with nobody else's change between. */
export const goesOnFrom = <T>(left: LeftWish<T>, now: Kept<T>) =>
  left.base === now.version || (left.sent !== undefined && holds(now.values, left.sent));

/** The second net under things that are kept whole: what is wished for is stored until it has got through. */
class Wishes<T> {
  private readonly waiting = new Map<string, LeftWish<T>>();
  private tell = () => {};
  private readonly isKnown = new Promise<void>((resolve) => (this.tell = resolve));

  constructor(
    readonly kind: string,
    /** Places where one may be open: that takes up its own, and asks where it has to. */
    private readonly places: RegExp,
    private readonly find: (id: string) => Promise<Kept<T>>,
    private readonly keep: (id: string, version: number, value: T) => Promise<unknown>,
  ) {}

  put(id: string, left: LeftWish<T>) {
    // It takes the place of what another window had left.
    this.waiting.delete(id);
    putLeft(`${this.kind}:${id}`, { values: left });
  }

  done(id: string) {
    this.waiting.delete(id);
    removeLeft(`${this.kind}:${id}`);
  }

  /** What a window left of one, for whoever opens it; known once the tool has looked. */
  async left(id: string): Promise<LeftWish<T> | null> {
    await this.isKnown;
    return this.waiting.get(id) ?? null;
  }

  found(id: string, typed: Left['typed']) {
    if (typed.values) this.waiting.set(id, typed.values as LeftWish<T>);
  }

  /** Whether one may be open here, which took up its own as it was opened. */
  get isHere() {
    return this.places.test(location.pathname);
  }

  /** All that was left is found: what nobody opens here goes on its way. */
  async send() {
    this.tell();
    if (this.isHere) return;
    for (const id of this.waiting.keys()) await this.sendOne(id).catch(() => {});
  }

  private async sendOne(id: string) {
    const left = this.waiting.get(id);
    for (let tries = 0; left && tries < mostTries; tries++) {
      const now = await this.find(id);
      if (holds(now.values, left.value)) return this.done(id);
      // Another's change came between: it lies until somebody opens the thing.
      if (!goesOnFrom(left, now)) return;
      const sent = this.keep(id, now.version, left.value);
      if (
        await sent.then(
          () => true,
          () => false,
        )
      )
        return this.done(id);
    }
  }
}

const from = (version: number) => ({ 'If-Match': `"${version}"` });

export const sets = new Wishes<Schemas['ArrangementValues']>(
  'set',
  /^\/(arrangements|pages)\/./,
  (id) => answer(api.GET('/api/arrangements/{id}', { params: { path: { id } } })),
  (id, version, body) =>
    answer(api.PUT('/api/arrangements/{id}', { params: { path: { id } }, headers: from(version), body })),
);

export const bannerWishes = new Wishes<Schemas['BannerValues']>(
  'banner',
  /^\/banners/,
  (id) => answer(api.GET('/api/banners/{id}', { params: { path: { id } } })),
  (id, version, body) =>
    answer(api.PUT('/api/banners/{id}', { params: { path: { id } }, headers: from(version), body })),
);
