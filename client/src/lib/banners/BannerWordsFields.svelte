<!-- What a banner says, and where its buttons lead. -->
<script lang="ts">
  import LinkField from '$lib/fields/LinkField.svelte';
  import TextField from '$lib/fields/TextField.svelte';
  import { wordsOf, type Band, type BannerWords } from './band';
  import type { Banners } from './banners.svelte';

  let { banners, row }: { banners: Banners; row: (typeof banners.items)[number] } = $props();
  const words = $derived(wordsOf(row.values.band as Band));
  const setOf = (id: string) => (change: Partial<BannerWords>) => banners.setWords(id, change);
  const set = $derived(setOf(row.id));
  type Button = BannerWords['buttons'][number];
  const changed = (i: number, change: Partial<Button>) => ({
    buttons: words.buttons.map((one, at) => (at === i ? { ...one, ...change } : one)),
  });
  /** What is read of a link may come after another banner was chosen: it is this one's. */
  const leads = (give: typeof set, i: number) => (link: string | null) => give(changed(i, { link: link ?? '' }));
</script>

<div class="grid gap-2">
  <TextField label="Small line above" value={words.line} onset={(line) => set({ line })} />
  {#if row.values.holdsTitle}
    <p class="text-quiet">The title is that of each page.</p>
  {:else}
    <TextField label="Title" value={words.title} onset={(title) => set({ title })} />
  {/if}
  <TextField label="Text" value={words.text} onset={(text) => set({ text })} />
  {#each words.buttons as button, i (i)}
    <fieldset class="border-l-2 border-hair pl-2">
      <TextField label="Button {i + 1}" value={button.text} onset={(text) => set(changed(i, { text }))} />
      <div class="mt-1.5">
        <LinkField
          value={button.link}
          of="{row.id} {i}"
          hint="Until it leads somewhere, visitors do not see the button."
          onset={leads(set, i)}
        />
      </div>
      <button class="dk-link mt-1" onclick={() => set({ buttons: words.buttons.filter((_, at) => at !== i) })}
        >remove this button</button
      >
    </fieldset>
  {/each}
  {#if words.buttons.length < (banners.list?.maxButtons ?? 0)}
    <div>
      <button class="dk-button" onclick={() => set({ buttons: [...words.buttons, { text: 'Read more', link: '' }] })}
        >Add a button</button
      >
    </div>
  {/if}
</div>
