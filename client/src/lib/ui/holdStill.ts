/**
 * A page that is looked at, or worked on: its links would lead the frame away from it.
 * @param parts Whether links to other parts of a gallery on the page itself are followed.
 */
export function holdStill(inside: Document, parts = false) {
  inside.addEventListener(
    'click',
    (event) => {
      const href = (event.target as Element).closest?.('a')?.getAttribute('href');
      if (href !== undefined && !(parts && href?.startsWith('?'))) event.preventDefault();
    },
    true,
  );
}
