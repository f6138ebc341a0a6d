/** A page that is looked at, or worked on: its links would lead the frame away from it. */
export function holdStill(inside: Document) {
  inside.addEventListener('click', (event) => (event.target as Element).closest?.('a') && event.preventDefault(), true);
}
