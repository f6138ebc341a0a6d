// On pages with a slider or carousel. Without it the pictures stand in a row that is scrolled. What stops there are, and how long
// things take, was worked out before the page was written.
const still = matchMedia('(prefers-reduced-motion: reduce)');
const framed = self !== top;
function start(set) {
  const row = set.querySelector('.slides');
  const { stays, change, kind, plays, loops, steps, arrows, counts, start: begins, shuffles, back, again: twice, inside } = JSON.parse(set.dataset.moves);
  const all = JSON.parse(set.dataset.stops);
  const wide = JSON.parse(set.dataset.from).map((px) => matchMedia(`(min-width: ${px}px)`));
  const here = (list) => list[wide.filter((query) => query.matches).length];
  const stops = () => here(all);
  let slides = [...row.children];
  const order = slides.map((_, i) => i);
  if (shuffles && !framed) {
    for (let i = order.length - 1; i > 0; i--) {
      const j = Math.floor(Math.random() * (i + 1));
      [order[i], order[j]] = [order[j], order[i]];
    }
    slides = order.map((i) => slides[i]);
    row.append(...slides);
  }
  let [at, moving, timer, stopped, over, seen] = [0, [], 0, false, false, false];

  const bar = document.createElement('div');
  bar.className = 'slider-bar';
  const button = (words, act) => {
    const made = document.createElement('button');
    made.type = 'button';
    made.textContent = words;
    made.addEventListener('click', act);
    return made;
  };
  const use = (to) => {
    stopped = true;
    go(to);
  };
  const before = button('Previous', () => use(at - 1));
  const after = button('Next', () => use(at + 1));
  [before.className, after.className] = ['arrow before', 'arrow after'];
  const pause = button('', () => {
    stopped = !stopped;
    // Asked to play, it plays, wherever the pointer is; from its end anew.
    if (!stopped) over = false;
    if (!stopped && ended()) go(back ? stops().length - 1 : 0);
    wait();
  });
  const marks = document.createElement('span');
  marks.className = `slider-${steps}`;
  const told = document.createElement('span');
  told.className = counts ? 'slider-told' : 'slider-told unseen';
  const sides = document.createElement('div');
  sides.className = 'slider-sides';
  const [first, last] = arrows === 'below' ? [[before], [after]] : [[], []];
  bar.append(...first, ...(plays ? [pause] : []), ...last, marks, told);
  if (arrows === 'inside') sides.append(before, after);
  set.prepend(bar, sides);
  set.setAttribute('role', 'group');
  row.setAttribute('role', 'group');
  set.setAttribute('aria-label', set.dataset.name);
  slides.forEach((slide, i) => {
    slide.setAttribute('role', 'group');
    slide.setAttribute('aria-roledescription', 'slide');
    slide.setAttribute('aria-label', `${i + 1} / ${slides.length}`);
  });
  // In one that goes on from its end the first stand once more after the last: to be seen, and for nothing else.
  const again = all.some((list) => list.length > 1) ? slides.slice(0, twice).map((slide) => slide.cloneNode(true)) : [];
  for (const one of again) {
    one.inert = true;
    one.ariaHidden = 'true';
    one.querySelector('video')?.remove();
    for (const part of [one, ...one.querySelectorAll('[data-block], [data-larger], [id]')]) {
      delete part.dataset.block;
      delete part.dataset.larger;
      part.removeAttribute('id');
    }
  }
  row.append(...again);

  const placeOf = (i) => Math.abs((slides[i] ?? again[i - slides.length]).offsetLeft - slides[0].offsetLeft);
  // Read from the markup: to ask for its style would lay out the whole page.
  const sign = row.closest('[dir]')?.dir === 'rtl' ? -1 : 1;
  const leftOf = (i) => Math.min(placeOf(stops()[i]), row.scrollWidth - row.clientWidth);
  const put = (left) => {
    row.style.scrollSnapType = 'none';
    row.scrollLeft = sign * left;
    row.style.scrollSnapType = '';
  };
  const runs = () => plays && !stopped && !over && seen && !document.hidden && !still.matches && !framed && stops().length > 1;
  const ended = () => !loops && at === (back ? 0 : stops().length - 1);
  const stay = () => (shuffles && here(stays).length === order.length ? here(stays)[order[at]] : here(stays)[at]) ?? 0;

  function wait() {
    clearTimeout(timer);
    // At its end nothing moves any more.
    if (plays && ended()) stopped = true;
    pause.textContent = stopped ? 'Play' : 'Pause';
    pause.hidden = still.matches;
    // What moves by itself is not read out each time.
    told.setAttribute('aria-live', runs() ? 'off' : 'polite');
    if (runs()) timer = setTimeout(() => (go(at + (back ? -1 : 1)), wait()), stay() + (moving.length > 0 ? change : 0));
  }

  function draw() {
    const many = stops().length;
    bar.hidden = sides.hidden = many < 2;
    for (const one of again) one.hidden = many < 2;
    at = Math.min(at, many - 1);
    // A swipe stops where the arrows do, too.
    const firsts = new Set(stops());
    for (const [i, one] of [...slides, ...again].entries()) one.style.scrollSnapAlign = firsts.has(i % slides.length) ? '' : 'none';
    [before.disabled, after.disabled] = [!loops && at === 0, !loops && at === many - 1];
    const home = here(inside) ? sides : bar;
    if (marks.parentNode !== home) home === bar ? told.before(marks) : home.append(marks);
    if (steps !== 'none' && marks.childElementCount !== many) {
      marks.replaceChildren(...stops().map((first, i) => {
        const step = button('', () => use(i));
        step.setAttribute('aria-label', `${i + 1} / ${many}`);
        const own = slides[first].querySelector('template[data-step]')?.content.firstElementChild;
        const picture = steps === 'pictures' && (own ?? slides[first].querySelector('picture, img'))?.cloneNode(true);
        if (picture) {
          for (const one of picture.querySelectorAll('source, img')) if (one.sizes) one.sizes = '64px';
          const image = picture.querySelector('img') ?? picture;
          [image.alt, image.loading] = ['', 'lazy'];
          if (image.sizes) image.sizes = '64px';
          step.append(picture);
        }
        return step;
      }));
    }
    [...marks.children].forEach((dot, i) => i === at ? dot.setAttribute('aria-current', 'true') : dot.removeAttribute('aria-current'));
    told.textContent = `${at + 1} / ${many}`;
  }

  // What was left does not play on unseen; another site's player can only begin anew.
  function reach(to) {
    if (to !== at) {
      for (const one of row.querySelectorAll('video:not([autoplay])')) one.pause();
      for (const one of row.querySelectorAll('iframe')) one.src = one.getAttribute('src');
    }
    at = to;
    draw();
  }

  function go(to) {
    const many = stops().length;
    if (many < 2) return;
    for (const one of moving) one.finish();
    const ends = to < 0 ? -1 : to >= many ? 1 : 0;
    to = loops ? (to + many) % many : Math.max(0, Math.min(to, many - 1));
    // Over its end: on to the first that stand after the last, or back from there.
    const aside = loops && ends !== 0 && again.length > 0 ? placeOf(slides.length) : null;
    if (aside !== null && ends < 0) put(aside);
    const by = (aside !== null && ends > 0 ? aside : leftOf(to)) - sign * row.scrollLeft;
    reach(to);
    const arrive = () => put(leftOf(at));
    if (still.matches || kind === 'none' || change === 0) return arrive();
    // Snapping is off while it moves: the browser's own smooth scrolling would take a time of its own.
    row.style.scrollSnapType = 'none';
    const [frames, swaps] = {
      slide: [[{ transform: 'none' }, { transform: `translateX(${-sign * by}px)` }], false],
      fade: [[{ opacity: 1 }, { opacity: 0 }, { opacity: 1 }], true],
      vertical: [[{ transform: 'none', easing: 'ease-in' }, { transform: 'translateY(-100%)', offset: 0.5 }, { transform: 'translateY(100%)', offset: 0.5, easing: 'ease-out' }, { transform: 'none' }], true],
    }[kind];
    // Those that are seen on the way.
    const [left, wide] = [sign * row.scrollLeft, row.clientWidth];
    const passes = (i) => placeOf(i) - left > Math.min(0, by) - wide && placeOf(i) - left < Math.max(0, by) + wide;
    moving = (kind === 'fade' ? [row] : [...slides, ...again].filter((_, i) => swaps || passes(i))).map((one) => one.animate(frames, { duration: change, easing: swaps ? 'linear' : 'ease-in-out' }));
    const mine = moving;
    if (swaps) setTimeout(() => mine === moving && arrive(), change / 2);
    mine[0].onfinish = () => {
      if (mine === moving) moving = [];
      arrive();
    };
  }

  row.addEventListener('scrollend', () => {
    if (moving.length > 0) return;
    const left = sign * row.scrollLeft;
    if (again.length > 0 && left >= placeOf(slides.length) - 1) return put(left - placeOf(slides.length));
    const near = stops().map((_, i) => Math.abs(leftOf(i) - left));
    reach(near.indexOf(Math.min(...near)));
  });
  row.addEventListener('keydown', (event) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (!by || event.target !== row) return;
    event.preventDefault();
    use(at + sign * by);
  });
  for (const kind of ['pointerdown', 'wheel']) row.addEventListener(kind, () => ((stopped = true), wait()), { passive: true });
  for (const [kind, is] of [['pointerenter', true], ['pointerleave', false], ['focusin', true], ['focusout', false]])
    set.addEventListener(kind, () => ((over = is), wait()));
  // While a film with sound plays, nothing moves it away.
  set.addEventListener('play', ({ target }) => target.muted || ((stopped = true), wait()), true);
  new IntersectionObserver(([one]) => ((seen = one.isIntersecting), wait()), { threshold: 0.3 }).observe(row);
  document.addEventListener('visibilitychange', wait);
  still.addEventListener('change', wait);
  for (const query of wide) query.addEventListener('change', draw);
  at = Math.max(0, stops().findLastIndex((one) => one <= begins - 1));
  draw();
  if (at > 0) put(leftOf(at));
  wait();
}
// Each in a turn of its own: a page of many slides still answers while it opens.
const begin = () => document.querySelectorAll('[data-stops]:not([aria-roledescription])').forEach((set) => {
  set.setAttribute('aria-roledescription', set.dataset.role);
  setTimeout(start, 0, set);
});
begin();
// Where a page is drawn anew while it is worked on.
document.addEventListener('drawn', begin);
