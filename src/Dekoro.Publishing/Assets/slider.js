// On pages with a slider or carousel. Without it the pictures stand in a row that is scrolled. What stops there are, and how long
// things take, was worked out before the page was written.
const still = matchMedia('(prefers-reduced-motion: reduce)');
const framed = self !== top;
for (const set of document.querySelectorAll('[data-stops]')) {
  const row = set.querySelector('.slides');
  const slides = [...row.children];
  const { stay, change, kind, plays, loops, dots } = JSON.parse(set.dataset.moves);
  const all = JSON.parse(set.dataset.stops);
  const wide = JSON.parse(set.dataset.from).map((px) => matchMedia(`(min-width: ${px}px)`));
  const stops = () => all[wide.filter((query) => query.matches).length];
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
  const pause = button('', () => {
    stopped = !stopped;
    // Asked to play, it plays, wherever the pointer is.
    if (!stopped) over = false;
    wait();
  });
  const marks = document.createElement('span');
  marks.className = 'slider-dots';
  const told = document.createElement('span');
  told.className = 'slider-told';
  bar.append(before, ...(plays ? [pause] : []), after, marks, told);
  set.prepend(bar);
  set.setAttribute('role', 'group');
  row.setAttribute('role', 'group');
  set.setAttribute('aria-label', set.dataset.name);
  set.setAttribute('aria-roledescription', set.dataset.role);
  slides.forEach((slide, i) => {
    slide.setAttribute('role', 'group');
    slide.setAttribute('aria-roledescription', 'slide');
    slide.setAttribute('aria-label', `${i + 1} / ${slides.length}`);
  });

  const leftOf = (i) => Math.min(slides[stops()[i]].offsetLeft - row.offsetLeft, row.scrollWidth - row.clientWidth);
  const runs = () => plays && !stopped && !over && seen && !document.hidden && !still.matches && !framed && stops().length > 1;

  function wait() {
    clearTimeout(timer);
    pause.textContent = stopped ? 'Play' : 'Pause';
    pause.hidden = still.matches;
    // What moves by itself is not read out each time.
    told.setAttribute('aria-live', runs() ? 'off' : 'polite');
    if (runs()) timer = setTimeout(() => (go(at + 1), wait()), stay + change);
  }

  function draw() {
    const many = stops().length;
    bar.hidden = many < 2;
    at = Math.min(at, many - 1);
    [before.disabled, after.disabled] = [!loops && at === 0, !loops && at === many - 1];
    if (dots && marks.childElementCount !== many) {
      marks.replaceChildren(...stops().map((_, i) => button('', () => use(i))));
      [...marks.children].forEach((dot, i) => dot.setAttribute('aria-label', `${i + 1} / ${many}`));
    }
    [...marks.children].forEach((dot, i) => i === at ? dot.setAttribute('aria-current', 'true') : dot.removeAttribute('aria-current'));
    told.textContent = `${at + 1} / ${many}`;
  }

  function go(to) {
    const many = stops().length;
    if (many < 2) return;
    to = loops ? (to + many) % many : Math.max(0, Math.min(to, many - 1));
    for (const one of moving) one.finish();
    const by = leftOf(to) - row.scrollLeft;
    at = to;
    draw();
    const arrive = () => {
      row.style.scrollSnapType = 'none';
      row.scrollLeft = leftOf(at);
      row.style.scrollSnapType = '';
    };
    if (still.matches || kind === 'none' || change === 0) return arrive();
    // Snapping is off while it moves: the browser's own smooth scrolling would take a time of its own.
    row.style.scrollSnapType = 'none';
    const frames = kind === 'fade' ? [{ opacity: 1 }, { opacity: 0 }, { opacity: 1 }] : [{ transform: 'none' }, { transform: `translateX(${-by}px)` }];
    moving = (kind === 'fade' ? [row] : slides).map((one) => one.animate(frames, { duration: change, easing: 'ease-in-out' }));
    const mine = moving;
    if (kind === 'fade') setTimeout(() => mine === moving && arrive(), change / 2);
    mine[0].onfinish = () => {
      if (mine === moving) moving = [];
      arrive();
    };
  }

  row.addEventListener('scrollend', () => {
    if (moving.length > 0) return;
    const near = stops().map((_, i) => Math.abs(leftOf(i) - row.scrollLeft));
    at = near.indexOf(Math.min(...near));
    draw();
  });
  row.addEventListener('keydown', (event) => {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (!by || event.target !== row) return;
    event.preventDefault();
    use(at + (getComputedStyle(row).direction === 'rtl' ? -by : by));
  });
  for (const kind of ['pointerdown', 'wheel']) row.addEventListener(kind, () => ((stopped = true), wait()), { passive: true });
  for (const [kind, is] of [['pointerenter', true], ['pointerleave', false], ['focusin', true], ['focusout', false]])
    set.addEventListener(kind, () => ((over = is), wait()));
  new IntersectionObserver(([one]) => ((seen = one.isIntersecting), wait()), { threshold: 0.3 }).observe(row);
  document.addEventListener('visibilitychange', wait);
  still.addEventListener('change', wait);
  for (const query of wide) query.addEventListener('change', draw);
  draw();
  wait();
}
