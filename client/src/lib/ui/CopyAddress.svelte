<!-- An address on the public site, to copy. -->
<script lang="ts">
  import { copied } from './copying';

  let { path, isPublic }: { path: string; isPublic: boolean } = $props();
  let said = $state('');
  const whole = $derived(`${location.origin}/live/${path}`);
  $effect(() => {
    void path;
    said = '';
  });

  async function copy(event: MouseEvent) {
    const field = (event.currentTarget as HTMLElement).previousElementSibling as HTMLInputElement;
    said = await copied(whole, () => field.select());
  }
</script>

<div class="mt-2 flex gap-1.5">
  <input class="dk-field" readonly value={whole} aria-label="Address on the public site" />
  <button class="dk-button" onclick={copy}>Copy</button>
</div>
<p class="mt-1 text-quiet" role="status">
  {said || (isPublic ? 'It is there once the site is published.' : 'Nothing is at this address yet.')}
</p>
