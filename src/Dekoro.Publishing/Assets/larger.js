// On pages whose pictures open the larger view. Without it a press on one opens its large file.
const links = [...document.querySelectorAll('a[data-larger]')];
const dialog = document.createElement('dialog');
dialog.className = 'larger';
dialog.innerHTML = `<figure><img alt=""><figcaption></figcaption></figure><p class="larger-count" aria-live="polite"></p>
<button data-go="-1">Previous</button><button data-go="1">Next</button><button data-go="0">Close</button>`;
const [image, words, count] = ['img', 'figcaption', '.larger-count'].map((one) => dialog.querySelector(one));
const [before, after] = dialog.querySelectorAll('button');
let [set, at, came] = [[], 0, null];

function show(i) {
  at = (i + set.length) % set.length;
  const link = set[at];
  const small = link.querySelector('img');
  image.src = link.href;
  image.alt = small.alt;
  image.width = link.dataset.width;
  image.height = link.dataset.height;
  image.style.backgroundImage = `url("${small.currentSrc}")`;
  words.textContent = link.closest('figure')?.querySelector('figcaption')?.textContent ?? '';
  count.textContent = set.length > 1 ? `${at + 1} / ${set.length}` : '';
  dialog.setAttribute('aria-label', words.textContent || small.alt);
}

function open(link) {
  set = links.filter((one) => one.dataset.larger === link.dataset.larger && one.getClientRects().length > 0);
  came = link;
  for (const button of [before, after]) button.hidden = set.length < 2;
  if (!dialog.isConnected) document.body.append(dialog);
  show(set.indexOf(link));
  dialog.showModal();
  // The way back of the browser closes it, as people expect on phones.
  history.pushState({ larger: true }, '');
}

for (const link of links) {
  link.addEventListener('click', (event) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    open(link);
  });
}
dialog.addEventListener('click', (event) => {
  const go = event.target.dataset?.go;
  if (go === '0' || event.target === dialog) dialog.close();
  else if (go) show(at + Number(go));
});
dialog.addEventListener('keydown', (event) => {
  const go = { ArrowLeft: -1, ArrowRight: 1, Home: -at, End: set.length - 1 - at }[event.key];
  if (go === undefined || set.length < 2) return;
  event.preventDefault();
  show(at + (document.dir === 'rtl' && event.key.startsWith('Arrow') ? -go : go));
});
let from = null;
dialog.addEventListener('pointerdown', (event) => (from = event.pointerType === 'mouse' ? null : event.clientX));
dialog.addEventListener('pointerup', (event) => {
  const moved = from === null ? 0 : event.clientX - from;
  from = null;
  if (Math.abs(moved) > 40 && set.length > 1) show(at + (moved < 0 ? 1 : -1));
});
dialog.addEventListener('close', () => {
  if (history.state?.larger) history.back();
  // To the picture that was seen last, so that the page goes on there.
  (set[at] ?? came)?.focus();
});
addEventListener('popstate', () => dialog.open && dialog.close());
