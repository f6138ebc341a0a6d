import { answer, api, type Schemas } from '$lib/api/client';

export type Dates = { from: string; until: string; yearly: boolean };
type Tried = { order?: string[]; instead?: { id: string } & Dates };

/** A year of banners for one page, as the server works it out: as it is, or with what is tried. */
export class Times {
  now = $state.raw<Schemas['BannerYear'] | null>(null);
  private asked = 0;
  private isTrying = false;
  private wanted: Tried | null = null;

  constructor(private readonly of: () => { pageId: string; year: number }) {}

  /** Shows the year, with what is tried; an answer that comes after a newer one was asked for is let go. */
  async ask(tried: Tried = {}) {
    const mine = ++this.asked;
    const now = await this.work(tried);
    if (now && mine === this.asked) this.now = now;
  }

  /** What is tried while something is dragged: the newest, as fast as answers come. */
  async try(tried: Tried) {
    this.wanted = tried;
    if (this.isTrying) return;
    this.isTrying = true;
    while (this.wanted !== null) {
      const now: Tried = this.wanted;
      this.wanted = null;
      await this.ask(now).catch(() => {});
    }
    this.isTrying = false;
  }

  /** @returns why these days cannot be; empty where they can. */
  async refusal(id: string, dates: Dates) {
    return (await this.work({ instead: { id, ...dates } }).catch(() => null))?.refused ?? '';
  }

  /** The banner that visitors see on a day of the year that is shown. */
  shownOn(day: string) {
    return this.now?.shown.find((span) => span.first <= day && day <= span.last)?.bannerId ?? null;
  }

  private async work(tried: Tried) {
    const { pageId, year } = this.of();
    if (!pageId) return null;
    return answer(api.POST('/api/banners/year', { body: { pageId, year, order: null, instead: null, ...tried } }));
  }
}
