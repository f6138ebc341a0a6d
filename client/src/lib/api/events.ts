import { queryClient } from './queries';
import type { Schemas } from './client';

type Sent = {
  library: { id: string | null };
  site: { mark: string };
  page: { id: string; version: number };
  arrangement: { id: string; version: number };
  job: Schemas['Job'];
};
type Listener<K extends keyof Sent> = (data: Sent[K]) => void;
const listeners: { [K in keyof Sent]: Set<Listener<K>> } = {
  library: new Set(),
  site: new Set(),
  page: new Set(),
  arrangement: new Set(),
  job: new Set(),
};

/** Hears of one kind of event until the returned function is called. */
export function on<K extends keyof Sent>(kind: K, listener: Listener<K>) {
  listeners[kind].add(listener);
  return () => void listeners[kind].delete(listener);
}

const restMs = 400;
const mostMs = 2000;

/** Asks again once nothing more comes for a moment: while a thing is worked on, what is told of the whole site would hold up what is told of it. */
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

/** What the server says has changed is asked for again; a line that broke is taken up again by the browser. */
export function listen() {
  const source = new EventSource('/api/events');
  const again = (...keys: string[]) => keys.forEach((key) => void queryClient.invalidateQueries({ queryKey: [key] }));
  const againSoon = afterRest(again);
  source.addEventListener('library', (event) => {
    again('files', 'publish');
    listeners.library.forEach((listener) => listener(JSON.parse(event.data)));
  });
  source.addEventListener('site', (event) => {
    again('site', 'pages', 'publish');
    listeners.site.forEach((listener) => listener(JSON.parse(event.data)));
  });
  source.addEventListener('pages', () => again('pages', 'publish'));
  source.addEventListener('page', (event) => {
    againSoon('pages', 'publish');
    listeners.page.forEach((listener) => listener(JSON.parse(event.data)));
  });
  source.addEventListener('arrangement', (event) => {
    againSoon('arrangements', 'pages', 'publish');
    listeners.arrangement.forEach((listener) => listener(JSON.parse(event.data)));
  });
  source.addEventListener('job', (event) => {
    const job = JSON.parse(event.data) as Schemas['Job'];
    if (job.state !== 'running') again('pages', 'publish', 'site');
    listeners.job.forEach((listener) => listener(job));
  });
  return () => source.close();
}
