import { answer, api } from '$lib/api/client';
import type { Desk } from './desk.svelte';

/** What stands at the top for a while, in a page as it is drawn; it is no piece of the page. */
export const bannerIn = (page: Document | null | undefined) =>
  page?.querySelector<HTMLElement>('[data-banner]') ?? null;

/** Where the banner of today is worked on. */
export const bannerHref = (pageId: string, banner: HTMLElement) =>
  `/banners?page=${encodeURIComponent(pageId)}&banner=${encodeURIComponent(banner.dataset.banner!)}`;

/** Begins a banner as a band of the page is now; what of it a banner has too, the server says. */
export async function beginBanner(desk: Desk, id: string) {
  const { content } = desk.body().document as { content: { attrs?: { id?: string } }[] };
  const band = content.find((piece) => piece.attrs?.id === id);
  const body = { name: '', pageId: desk.id, assetId: null, from: '', until: '', yearly: false, band };
  const made = await answer(api.POST('/api/banners/begin', { body }));
  return `/banners?page=${encodeURIComponent(desk.id)}&banner=${encodeURIComponent(made.id)}`;
}
