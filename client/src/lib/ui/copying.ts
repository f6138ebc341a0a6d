/**
 * Puts text on the clipboard. @returns what to say; where the browser does not allow it, the text is marked to be
 * copied by key.
 */
export async function copied(text: string, mark: () => void) {
  try {
    await navigator.clipboard.writeText(text);
    return 'Copied.';
  } catch {
    mark();
    return 'It is marked: press Ctrl+C to copy it.';
  }
}
