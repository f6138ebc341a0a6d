<!-- The first page of a PDF, drawn here. -->
<script lang="ts">
  import { onMount } from 'svelte';
  let { address, title }: { address: string; title: string } = $props();
  let canvas = $state<HTMLCanvasElement>();
  let said = $state('');

  onMount(() => {
    let task: { destroy: () => Promise<void> } | undefined;
    void (async () => {
      const pdf = await import('pdfjs-dist');
      pdf.GlobalWorkerOptions.workerSrc = (await import('pdfjs-dist/build/pdf.worker.min.mjs?url')).default;
      const loading = pdf.getDocument({ url: address, isEvalSupported: false, enableXfa: false });
      task = loading;
      try {
        const file = await loading.promise;
        const page = await file.getPage(1);
        if (!canvas) return;
        const wide = page.getViewport({ scale: 1 }).width;
        const viewport = page.getViewport({ scale: Math.min(3, 1120 / wide) });
        [canvas.width, canvas.height] = [viewport.width, viewport.height];
        await page.render({ canvas, viewport }).promise;
        said = file.numPages === 1 ? '1 page' : `The first of ${file.numPages} pages`;
      } catch {
        said = 'This PDF cannot be drawn here (it is locked or damaged); it is kept and linked as it is.';
      }
    })();
    return () => void task?.destroy();
  });
</script>

<canvas
  bind:this={canvas}
  class="max-h-full max-w-full flex-none self-start border border-hair bg-white object-contain"
  aria-label="First page of {title}"
></canvas>
<p class="mt-2 text-quiet" role="status">{said}</p>
