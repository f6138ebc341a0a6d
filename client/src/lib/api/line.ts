/** What comes over the line: an event, or how the line stands. */
export type Told = { kind: 'event'; name: string; data: string } | { kind: 'state'; isOpen: boolean; isAgain: boolean };

const names = ['library', 'site', 'pages', 'page', 'arrangement', 'banner', 'job', 'archive'];
/** A line that was refused is asked for again after this time; a broken one the browser takes up again by itself. */
const againMs = 30_000;

/** Listens to the server for ever. */
export function follow(tell: (told: Told) => void) {
  let wasOpen = false;
  const open = () => {
    const source = new EventSource('/api/events');
    source.addEventListener('hello', () => {
      tell({ kind: 'state', isOpen: true, isAgain: wasOpen });
      wasOpen = true;
    });
    for (const name of names)
      source.addEventListener(name, (event) => tell({ kind: 'event', name, data: (event as MessageEvent).data }));
    source.onerror = () => {
      // What is told from here on is missed: the next hello is one again.
      wasOpen = true;
      tell({ kind: 'state', isOpen: false, isAgain: true });
      if (source.readyState === EventSource.CLOSED) setTimeout(open, againMs);
    };
  };
  open();
}
