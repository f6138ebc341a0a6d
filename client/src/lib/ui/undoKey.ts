const wordFields =
  'textarea, input:not([type=checkbox], [type=radio], [type=range], [type=color], [type=file], [type=number], [type=date])';

/** Whether a key takes back or does again; null in a field of words, whose own undo is meant. */
export function undoKey(event: KeyboardEvent): 'undo' | 'redo' | null {
  if (!(event.ctrlKey || event.metaKey) || event.altKey) return null;
  if ((event.target as Element).matches?.(wordFields)) return null;
  const key = event.key.toLowerCase();
  if (key === 'y') return 'redo';
  return key === 'z' ? (event.shiftKey ? 'redo' : 'undo') : null;
}
