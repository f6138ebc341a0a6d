/** Fetches a page's style sheet again where it is another by now. */
export function restyle(inside: Document | null | undefined, times: number) {
  const sheet = inside?.querySelector<HTMLLinkElement>('link[rel=stylesheet][href*="site.css"]');
  if (sheet && times > 0) sheet.href = `${sheet.href.split('?')[0]}?${times}`;
}
