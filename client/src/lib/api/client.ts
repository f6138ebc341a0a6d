import createClient from 'openapi-fetch';
import { busy } from './busy.svelte';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type FileItem = Schemas['FileItem'];
export type PageItem = Schemas['PageItem'];
export type PageName = Schemas['PageName'];
export type Draft = Schemas['Draft'];
export type Look = Omit<Schemas['DraftPreviewResponse'], 'blocks'> & { blocks: { id: string; html: string }[] };
export type FigureLook = Schemas['FigureResponse'];
export type SiteLook = Schemas['SiteResponse'];

/** What went wrong, as a sentence for the person (RFC 9457). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    sentence: string,
    readonly field?: string,
    readonly more: Record<string, unknown> = {},
  ) {
    super(sentence);
  }
}

const unreachable =
  'Dekoro cannot be reached just now: what you typed is kept here, and it is tried again when the line is back.';

export const api = createClient<paths>({
  baseUrl: '/',
  fetch: async (request) => {
    busy.begin();
    try {
      return await fetch(request);
    } catch {
      throw new Problem(0, unreachable);
    } finally {
      busy.end();
    }
  },
});

/**
 * Whether the window is about to go: what is sent then is let go on without it (Fetch standard, keepalive), which takes
 * little at a time and is for nothing else.
 */
let isLeaving = false;
const leavingMs = 2_000;
globalThis.addEventListener?.('beforeunload', () => {
  isLeaving = true;
  // A person who was asked may have stayed.
  setTimeout(() => (isLeaving = false), leavingMs);
});
const mostAtLeaving = 60_000;
export const outlives = (body: unknown) => isLeaving && JSON.stringify(body).length < mostAtLeaving;

/** The answer's data, or a Problem thrown. */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  const { data, error, response } = await call;
  if (response.ok) return data as T;
  const problem = (error ?? {}) as { detail?: string; field?: string };
  throw new Problem(
    response.status,
    problem.detail ?? 'That did not work: try it again.',
    problem.field,
    problem as Record<string, unknown>,
  );
}

export const sentenceOf = (error: unknown) => (error instanceof Error ? error.message : String(error));

/**
 * A proof of a picture, or of a cut of it, at one of the fixed proof widths. A picture is named by its id, or by its id
 * and version, which a browser may hold for ever.
 */
export function proofOf(
  picture: string,
  width: 160 | 320 | 640 | 1280,
  cut?: { x: number; y: number; width: number; height: number },
) {
  const window = cut ? `${cut.x}-${cut.y}-${cut.width}-${cut.height}` : 'whole';
  return `/media/proof/${picture}/${window}/${width}`;
}
