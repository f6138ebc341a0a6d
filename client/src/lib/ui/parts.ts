export type Parts = Record<string, string>;

/** An address with these parts in its query; an empty one is left out. */
export function withParts(address: URL, parts: Parts): URL {
  const url = new URL(address);
  for (const [name, value] of Object.entries(parts))
    if (value) url.searchParams.set(name, value);
    else url.searchParams.delete(name);
  return url;
}
