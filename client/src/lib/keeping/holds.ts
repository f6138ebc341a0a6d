/** Whether all that was said stands there; what was not said of something new, the server has filled in. */
export function holds(kept: unknown, said: unknown): boolean {
  if (typeof said !== 'object' || said === null) return kept === said || (said === undefined && kept === null);
  if (typeof kept !== 'object' || kept === null) return false;
  if (Array.isArray(said) && (!Array.isArray(kept) || kept.length !== said.length)) return false;
  return Object.entries(said).every(([name, value]) => holds((kept as Record<string, unknown>)[name], value));
}
