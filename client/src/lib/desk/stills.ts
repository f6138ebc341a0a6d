/** Files of the library are played from here. */
export const videoAt = (file: string) => `/media/file/${file}`;

const waitMs = 15_000;

/**
 * A moment of a video as a picture. A video without a length, as some recorders leave it, gives its first moment.
 * @param seconds null takes one a little after the beginning.
 */
export async function stillOf(file: string, name: string, seconds: number | null = null): Promise<File> {
  const video = document.createElement('video');
  video.muted = true;
  video.preload = 'auto';
  video.src = videoAt(file);
  await once(video, 'loadeddata');
  const length = Number.isFinite(video.duration) ? video.duration : 0;
  const wanted = Math.min(seconds ?? Math.min(1, length / 3), Math.max(0, length - 0.05));
  if (wanted > 0.01) {
    video.currentTime = wanted;
    await once(video, 'seeked');
  }
  const canvas = new OffscreenCanvas(video.videoWidth, video.videoHeight);
  canvas.getContext('2d')!.drawImage(video, 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.92 });
  video.removeAttribute('src');
  return new File([blob], `still of ${name}.jpg`, { type: 'image/jpeg' });
}

function once(video: HTMLVideoElement, name: string) {
  const broken = () =>
    new Error('This browser cannot show this video: choose a picture as its still, or add it as MP4 or WebM.');
  return new Promise<void>((resolve, reject) => {
    const timer = setTimeout(() => reject(broken()), waitMs);
    video.addEventListener(name, () => (clearTimeout(timer), resolve()), { once: true });
    video.addEventListener('error', () => (clearTimeout(timer), reject(broken())), { once: true });
  });
}
