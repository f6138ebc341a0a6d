// On pages with a hosted video or one behind words. Without it a still leads to the video's own page, and nothing moves.
for (const link of document.querySelectorAll('a[data-player]')) {
  link.addEventListener('click', (event) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    const still = link.querySelector('img').getBoundingClientRect();
    const frame = document.createElement('iframe');
    frame.src = link.dataset.player;
    frame.title = link.dataset.name;
    frame.allow = 'autoplay; fullscreen; picture-in-picture';
    frame.style.aspectRatio = `${still.width} / ${still.height}`;
    link.replaceWith(frame);
    frame.focus();
  });
}
// Nor does anything move where the page is shown in small inside another, as in the tool's own lists.
const wantsStill = self !== top || matchMedia('(prefers-reduced-motion: reduce)').matches || navigator.connection?.saveData;
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
