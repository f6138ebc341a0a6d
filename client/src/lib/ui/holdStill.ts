/**
 * A page that is looked at, or worked on: its links would lead the frame away from it.
 * @param parts Whether what leads nowhere else is followed: other parts of a gallery on the page, and the larger view.
 */
export function holdStill(inside: Document, parts = false) {
  inside.addEventListener(
    'click',
    (event) => {
      const link = (event.target as Element).closest?.('a');
      const stays = parts && (link?.getAttribute('href')?.startsWith('?') || link?.matches('[data-larger]'));
      if (link && !stays) event.preventDefault();
    },
    true,
  );
}
