// A program of one's own says where it belongs, as pages of the tool do by themselves: with the header Origin.
const plain = globalThis.fetch;

globalThis.fetch = (input, init) => {
  const url = new URL(input instanceof Request ? input.url : input);
  const headers = new Headers(init?.headers ?? (input instanceof Request ? input.headers : undefined));
  if (!headers.has('Origin')) headers.set('Origin', url.origin);
  return plain(input, { ...init, headers });
};
