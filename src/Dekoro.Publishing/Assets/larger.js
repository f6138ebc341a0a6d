// On pages whose pictures open the larger view. Without it a press on one opens its large file.
const links = () => [...document.querySelectorAll('a[data-larger]')].filter((one) => one.getClientRects().length > 0);
const dialog = document.createElement('dialog');
dialog.className = 'larger';
dialog.innerHTML = `<figure tabindex="-1"><img alt=""><video controls playsinline hidden></video><div class="larger-words" tabindex="0" hidden></div><figcaption></figcaption></figure><div class="larger-bar"><p class="larger-count" aria-live="polite"></p>
<button data-go="-1">Previous</button><button data-go="1">Next</button><button data-does="play">Play</button><button data-does="zoom">Zoom</button><button data-does="share">Share</button><a data-does="download" download>Download</a><button data-go="0">Close</button></div>`;
const [figure, image, film, text, words, count] = ['figure', 'img', 'video', '.larger-words', 'figcaption', '.larger-count'].map((one) => dialog.querySelector(one));
const [before, after, play, zoom, share, download] = dialog.querySelectorAll('button:not([data-go="0"]), a');
let [set, at, came, timer, frame] = [[], 0, null, 0, null];
// Long enough to look at a picture and read a line.
const stayMs = 5000;

// A gallery in parts goes on in its next part, a page of its own, which takes this one's place in the way back.
function leave(ends) {
  const parts = came.closest('.set')?.querySelector('.sheets');
  const numbered = [...(parts?.querySelectorAll('a[aria-label]') ?? [])];
  const to = ends ? parts?.querySelector('[rel=next]') ?? numbered[0] : parts?.querySelector('[rel=prev]') ?? numbered.at(-1);
  if (to) location.replace(`${to.href.split('#')[0]}#${timer ? 'play' : ends ? 'onward' : 'back'}-${came.dataset.larger}`);
  return Boolean(to);
}

function show(i) {
  if ((i < 0 || i >= set.length) && leave(i > 0)) return;
  at = (i + set.length) % set.length;
  const link = set[at];
  const small = link.querySelector('img');
  const { shows } = link.dataset;
  figure.classList.remove('zoomed');
  figure.tabIndex = -1;
  [image.hidden, film.hidden, text.hidden] = [shows, shows !== 'film', shows !== 'words'].map(Boolean);
  film.pause();
  frame?.remove();
  frame = null;
  if (shows === 'film') {
    film.src = link.href;
    film.poster = small.currentSrc;
    film.setAttribute('aria-label', small.alt);
    film.loop = 'again' in link.dataset;
    const { captions } = link.dataset;
    film.replaceChildren(...(captions ? [Object.assign(document.createElement('track'), { kind: 'captions', label: 'Captions', srclang: document.documentElement.lang, src: captions, default: true })] : []));
  } else if (shows === 'words') {
    text.textContent = document.querySelector(link.hash).firstChild.textContent;
  } else if (shows) {
    // One that is new adds nothing to the way back of the browser.
    frame = document.createElement('iframe');
    // Another site's page must not put itself in the place of this one.
    frame.sandbox = 'allow-scripts allow-same-origin allow-forms allow-popups allow-presentation';
    frame.src = link.dataset.frame ?? link.href;
    frame.title = link.getAttribute('aria-label') || small.alt;
    frame.allow = 'fullscreen; picture-in-picture';
    text.before(frame);
  } else {
    image.src = link.href;
    image.alt = small.alt;
    image.width = link.dataset.width;
    image.height = link.dataset.height;
    image.style.backgroundImage = `url("${small.currentSrc}")`;
  }
  words.textContent = [link.closest('figure')?.querySelector('figcaption')?.textContent, offers('credit') && link.dataset.credit].filter(Boolean).join(' · ');
  const { largerAt = 0, largerAll = set.length } = came.closest('.set')?.dataset ?? {};
  count.textContent = largerAll > 1 ? `${Number(largerAt) + at + 1} / ${largerAll}` : '';
  dialog.setAttribute('aria-label', words.textContent || small.alt);
  zoom.hidden = shows || !offers('zoom');
  zoom.setAttribute('aria-pressed', 'false');
  share.textContent = 'Share';
  download.hidden = (shows && shows !== 'film') || !offers('download');
  download.href = link.href;
  // Its own name says nothing: what is seen does.
  const named = (small.alt || words.textContent || document.title).replace(/[^\p{L}\p{N}]+/gu, ' ').trim();
  download.download = named.slice(0, 60).trim() + new URL(link.href).pathname.match(/\.\w+$|$/)[0];
}

// A film that does not play can still be kept and played elsewhere.
film.addEventListener('error', () => {
  if (film.hidden || !dialog.open) return;
  words.textContent = 'This film does not play here: keep it with Download and open it from there.';
  download.hidden = false;
});

const offers = (what) => (came.closest('[data-view]')?.dataset.view ?? 'credit zoom').split(' ').includes(what);

function runs(on) {
  clearInterval(timer);
  timer = on ? setInterval(() => show(at + 1), stayMs) : 0;
  play.textContent = on ? 'Pause' : 'Play';
}

function open(link) {
  set = links().filter((one) => one.dataset.larger === link.dataset.larger);
  came = link;
  const many = set.length > 1 || came.closest('.set')?.dataset.largerAll > 1;
  for (const button of [before, after]) button.hidden = !many;
  play.hidden = !many || !offers('play');
  share.hidden = !offers('share');
  if (!dialog.isConnected) document.body.append(dialog);
  show(set.indexOf(link));
  runs(false);
  dialog.showModal();
  // The way back of the browser closes it, as people expect on phones.
  history.pushState({ larger: true }, '');
}

document.addEventListener('click', (event) => {
  const link = event.target.closest?.('a[data-larger]');
  if (!link || event.defaultPrevented || event.ctrlKey || event.metaKey || event.shiftKey) return;
  event.preventDefault();
  open(link);
});

const pieceOf = (link) => link.closest('[data-block]').dataset.block;
async function give() {
  const url = `${location.href.split('#')[0]}#view-${pieceOf(set[at])}`;
  if (navigator.share) return navigator.share({ url, title: words.textContent }).catch(() => {});
  await navigator.clipboard?.writeText(url);
  share.textContent = 'Address copied';
}
const does = {
  play: () => runs(timer === 0),
  zoom: () => {
    const on = figure.classList.toggle('zoomed');
    zoom.setAttribute('aria-pressed', String(on));
    // What is zoomed is moved by arrow keys.
    figure.tabIndex = on ? 0 : -1;
    if (on) figure.focus();
  },
  share: give,
};
dialog.addEventListener('click', (event) => {
  const { go, does: what } = event.target.dataset ?? {};
  if (go === '0' || event.target === dialog) dialog.close();
  else if (go) runs(false), show(at + Number(go));
  else does[what]?.();
});
dialog.addEventListener('keydown', (event) => {
  const go = { ArrowLeft: -1, ArrowRight: 1, Home: -at, End: set.length - 1 - at }[event.key];
  // A film's own keys, and those that move what is zoomed.
  if (go === undefined || before.hidden || event.target === film || event.target === text || (figure.classList.contains('zoomed') && event.target === figure)) return;
  event.preventDefault();
  runs(false);
  show(at + (document.dir === 'rtl' && event.key.startsWith('Arrow') ? -go : go));
});
let from = null;
dialog.addEventListener('pointerdown', (event) => (from = event.pointerType === 'mouse' || figure.classList.contains('zoomed') ? null : event.clientX));
dialog.addEventListener('pointerup', (event) => {
  const moved = from === null ? 0 : event.clientX - from;
  from = null;
  if (Math.abs(moved) > 40 && !before.hidden) runs(false), show(at + (moved < 0 ? 1 : -1));
});
dialog.addEventListener('close', () => {
  runs(false);
  film.pause();
  frame?.remove();
  if (history.state?.larger) history.back();
  // To the picture that was seen last, so that the page goes on there.
  (set[at] ?? came)?.focus();
});
// A mouse has no way of its own to move what is zoomed; a finger has.
let held = null;
figure.addEventListener('pointerdown', (event) => {
  if (event.pointerType !== 'mouse' || event.button !== 0 || !figure.classList.contains('zoomed')) return;
  held = [event.clientX + figure.scrollLeft, event.clientY + figure.scrollTop];
  figure.setPointerCapture(event.pointerId);
});
figure.addEventListener('pointermove', (event) => held && figure.scrollTo(held[0] - event.clientX, held[1] - event.clientY));
for (const kind of ['pointerup', 'pointercancel']) figure.addEventListener(kind, () => (held = null));
image.draggable = false;
addEventListener('popstate', () => dialog.open && dialog.close());
// An address that was shared, or the part in which a gallery goes on.
const [, how, name] = location.hash.match(/^#(view|onward|back|play)-(.+)$/) ?? [];
const named = how && links().filter((link) => name === (how === 'view' ? pieceOf(link) : link.dataset.larger)).at(how === 'back' ? -1 : 0);
if (named) {
  // Not to the gallery's own mark: going there would take the focus out of the view.
  if (how !== 'view') history.replaceState(null, '', location.pathname + location.search);
  open(named);
  if (how === 'play') runs(true);
}
