import { follow, type Told } from './line';
import { queryClient } from './queries';
import type { Schemas } from './client';

type Sent = {
  library: { id: string | null };
  site: { mark: string };
  page: { id: string; version: number };
  arrangement: { id: string; version: number };
  banner: { id: string; version: number };
  job: Schemas['Job'];
  /** Events may have been missed: what is shown is to be asked for anew. */
  again: null;
};
type Listener<K extends keyof Sent> = (data: Sent[K]) => void;
const listeners: { [K in keyof Sent]: Set<Listener<K>> } = {
  library: new Set(),
  site: new Set(),
  page: new Set(),
  arrangement: new Set(),
  banner: new Set(),
  job: new Set(),
  again: new Set(),
};

/** Hears of one kind of event until the returned function is called. */
export function on<K extends keyof Sent>(kind: K, listener: Listener<K>) {
  listeners[kind].add(listener);
  return () => void listeners[kind].delete(listener);
}

const tell = <K extends keyof Sent>(kind: K, data: Sent[K]) => listeners[kind].forEach((listener) => listener(data));

const restMs = 400;
const mostMs = 2000;
/** While there is no line, what is shown is asked for so often. */
const pollMs = 15_000;

/**
 * Asks again once nothing more comes for a moment: while a thing is worked on, what is told of the whole site would
 * hold up what is told of it.
 */
function afterRest(ask: (...keys: string[]) => void) {
  const waiting = new Set<string>();
  let [timer, since] = [0, 0];
  return (...keys: string[]) => {
    if (waiting.size === 0) since = Date.now();
    keys.forEach((key) => waiting.add(key));
    clearTimeout(timer);
    timer = window.setTimeout(
      () => {
        ask(...waiting);
        waiting.clear();
      },
      Math.min(restMs, since + mostMs - Date.now()),
    );
  };
}

const again = (...keys: string[]) => keys.forEach((key) => void queryClient.invalidateQueries({ queryKey: [key] }));
const againSoon = afterRest(again);

/** What the server says has changed is asked for again. */
function heard(name: string, text: string) {
  const data = JSON.parse(text);
  if (name === 'library') againSoon('files', 'publish');
  else if (name === 'archive') again('archive');
  else if (name === 'site') again('site', 'pages', 'publish');
  else if (name === 'pages') again('pages', 'publish');
  else if (name === 'page') againSoon('pages', 'publish');
  else if (name === 'arrangement') againSoon('arrangements', 'pages', 'publish');
  else if (name === 'banner') againSoon('banners', 'pages', 'publish', 'files');
  else if (name === 'job' && data.state !== 'running') again('pages', 'publish', 'site');
  if (name in listeners) tell(name as 'job', data);
}

function askAnew() {
  void queryClient.invalidateQueries();
  tell('again', null);
}

/**
 * One line for all windows of this browser, so that many windows do not use up what it opens to one server; where that
 * is not to be had, one of its own.
 */
export function listen() {
  let poll = 0;
  const take = (told: Told) => {
    if (told.kind === 'event') return heard(told.name, told.data);
    clearInterval(poll);
    if (told.isOpen && told.isAgain) askAnew();
    if (!told.isOpen) poll = window.setInterval(askAnew, pollMs);
  };
  if (typeof SharedWorker === 'undefined') return follow(take);
  const worker = new SharedWorker(new URL('./lineWorker.ts', import.meta.url), { type: 'module', name: 'dekoro' });
  worker.port.onmessage = (event) => take(event.data as Told);
  addEventListener('pagehide', () => worker.port.postMessage('leaves'));
  // Back from where the browser holds pages: it was taken off the list.
  addEventListener('pageshow', (event) => (event as PageTransitionEvent).persisted && location.reload());
}
