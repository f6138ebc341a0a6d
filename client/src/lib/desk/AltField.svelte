<!-- The words read out in a picture's stead: the library's, own ones for this place, or none for a decorative one. -->
<script lang="ts">
  let {
    id,
    rows = 3,
    alt,
    decorative,
    library,
    set,
  }: {
    id: string;
    rows?: number;
    alt: string | null;
    decorative: boolean;
    /** What the library says. */
    library: string;
    set: (change: { alt?: string | null; decorative?: boolean }) => void;
  } = $props();
</script>

<div class="flex items-center justify-between">
  <label class="dk-label" for={id}>Alt text</label>
  <label class="flex min-h-6 items-center gap-1.5">
    <input
      type="checkbox"
      checked={decorative}
      onchange={(event) => set({ decorative: event.currentTarget.checked })}
    />decorative
  </label>
</div>
<textarea
  {id}
  class="dk-field resize-none"
  {rows}
  disabled={decorative}
  value={alt ?? library}
  oninput={(event) => set({ alt: event.currentTarget.value === library ? null : event.currentTarget.value })}
></textarea>
<p class="text-quiet">
  {#if decorative}
    Screen readers pass over it in silence.
  {:else if alt !== null}
    For this place only. <button class="dk-link" onclick={() => set({ alt: null })}>take the library's</button>
  {:else}
    From the library; what you type here is for this place only.
  {/if}
</p>
