// On pages with a video, or one or several pictures that move behind words. Without it a still leads to the video's own page, the browser's bar starts a film, and nothing else moves.
for (const link of document.querySelectorAll('a[data-player]')) {
  link.addEventListener('click', (event) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    const still = link.querySelector('img').getBoundingClientRect();
    const frame = document.createElement('iframe');
    // Another site's page must not put itself in the place of this one.
    frame.sandbox = 'allow-scripts allow-same-origin allow-forms allow-popups allow-presentation';
    frame.src = link.dataset.player;
    frame.title = link.dataset.name;
    frame.allow = 'autoplay; fullscreen; picture-in-picture';
    frame.style.aspectRatio = `${still.width} / ${still.height}`;
    link.replaceWith(frame);
    frame.focus();
  });
}
// A press anywhere on a film's still starts it. One without a bar goes on being pressed.
for (const film of document.querySelectorAll('.film > video:not([autoplay])')) {
  const start = document.createElement('button');
  const say = () => {
    start.classList.toggle('plays', !film.paused);
    start.setAttribute('aria-label', `${film.paused ? 'Play' : 'Pause'}: ${film.getAttribute('aria-label')}`);
  };
  start.className = 'start';
  start.type = 'button';
  start.addEventListener('click', () => (film.paused ? film.play().catch(() => {}) : film.pause()));
  film.controls = false;
  film.addEventListener('pause', say);
  film.addEventListener('play', () => {
    say();
    if ('bare' in film.dataset) return;
    film.controls = true;
    start.remove();
    film.focus();
  });
  say();
  film.after(start);
}
// Nor does anything move where the page is shown in small inside another, as in the tool's own lists.
const wantsStill = self !== top || matchMedia('(prefers-reduced-motion: reduce)').matches || navigator.connection?.saveData;
for (const video of wantsStill ? document.querySelectorAll('video[autoplay]') : []) {
  video.autoplay = false;
  video.pause();
}
for (const video of wantsStill ? [] : document.querySelectorAll('video[data-behind]')) {
  const button = document.createElement('button');
  let stopped = false;
  const say = () => (button.textContent = video.paused ? 'Play the picture behind' : 'Pause the picture behind');
  button.className = 'pause';
  button.addEventListener('click', () => {
    stopped = !video.paused;
    if (stopped) video.pause();
    else video.play();
  });
  video.addEventListener('playing', () => {
    video.classList.add('plays');
    if (!button.isConnected) video.parentElement.append(button);
    say();
  });
  video.addEventListener('pause', say);
  // Only while it is seen.
  new IntersectionObserver(([seen]) => {
    if (!seen.isIntersecting) video.pause();
    else if (!stopped) video.play().catch(() => {});
  }).observe(video);
}
// Pictures that follow one another behind a band: each is fetched when its turn comes near.
for (const followers of wantsStill ? [] : document.querySelectorAll('.followers')) {
  const { stays, change, loops } = JSON.parse(followers.dataset.moves);
  const band = followers.parentElement;
  const first = band.querySelector('.ground').closest('picture') ?? band.querySelector('.ground');
  const all = [first, ...[...followers.children].map((template) => {
    const picture = template.content.firstElementChild.cloneNode(true);
    const one = picture.querySelector('img') ?? picture;
    one.style.cssText = `${template.style.cssText};visibility:hidden`;
    one.classList.add('follows');
    return picture;
  })];
  const image = (one) => one.querySelector('img') ?? one;
  let [at, timer, stopped, seen] = [0, 0, false, false];
  const button = document.createElement('button');
  button.className = 'pause';
  const wait = () => {
    clearTimeout(timer);
    button.textContent = stopped ? 'Play the pictures behind' : 'Pause the pictures behind';
    const ends = !loops && at === all.length - 1;
    if (!stopped && seen && !document.hidden && !ends) timer = setTimeout(step, stays[at]);
  };
  async function step() {
    const next = (at + 1) % all.length;
    if (!all[next].isConnected) followers.before(all[next]);
    const [now, then] = [image(all[at]), image(all[next])];
    then.loading = 'eager';
    // It comes once it is whole.
    await then.decode().catch(() => {});
    if (stopped) return;
    then.style.visibility = '';
    // Those that come later lie over those before.
    const later = next > at ? then : now;
    const fades = later.animate([{ opacity: later === then ? 0 : 1 }, { opacity: later === then ? 1 : 0 }], { duration: change });
    await fades.finished.catch(() => {});
    now.style.visibility = 'hidden';
    at = next;
    wait();
  }
  button.addEventListener('click', () => ((stopped = !stopped), wait()));
  band.append(button);
  document.addEventListener('visibilitychange', wait);
  new IntersectionObserver(([one]) => ((seen = one.isIntersecting), wait())).observe(band);
}
