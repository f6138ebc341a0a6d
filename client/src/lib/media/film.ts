/** The moment a film shows now, at its own size, as a picture to add. */
export async function momentOf(film: HTMLVideoElement, title: string): Promise<File> {
  if (film.videoWidth === 0) throw new Error(cannotDraw);
  const canvas = new OffscreenCanvas(film.videoWidth, film.videoHeight);
  canvas.getContext('2d', { alpha: false })!.drawImage(film, 0, 0);
  // Titles are read from names, in which a point or a dash would be a space.
  const at = Math.round(film.currentTime);
  return new File(
    [await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 })],
    `${title} - at second ${at}.jpg`,
    {
      type: 'image/jpeg',
    },
  );
}

/** Where files of the library are played from. */
export const filmAt = (file: string) => `/media/file/${file}`;

/**
 * A moment near the beginning of a film of the library. A film without a length, as some recorders leave it, gives its first.
 * Rejects where this browser cannot draw it.
 */
export async function stillOf(file: string, title: string): Promise<File> {
  const film = document.createElement('video');
  film.muted = true;
  film.preload = 'auto';
  film.src = filmAt(file);
  await once(film, 'loadeddata');
  const length = Number.isFinite(film.duration) ? film.duration : 0;
  const wanted = Math.min(1, length / 3);
  if (wanted > 0.01) {
    film.currentTime = wanted;
    await once(film, 'seeked');
  }
  const still = await momentOf(film, title);
  film.removeAttribute('src');
  return still;
}

const cannotDraw = 'This browser cannot draw this film: add a picture for it by hand.';
const waitMs = 15_000;

function once(film: HTMLVideoElement, name: string) {
  return new Promise<void>((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error(cannotDraw)), waitMs);
    film.addEventListener(name, () => (clearTimeout(timer), resolve()), { once: true });
    film.addEventListener('error', () => (clearTimeout(timer), reject(new Error(cannotDraw))), { once: true });
  });
}
