<!-- A button: where it leads and how it is drawn; its words are typed on the page. -->
<script lang="ts">
  import type { Desk } from './desk.svelte';
  import LinkField from '$lib/fields/LinkField.svelte';
  import type { ButtonAttrs } from '$lib/model/attrs';

  let { desk, button }: { desk: Desk; button: ButtonAttrs } = $props();
  const setOf = (id: ButtonAttrs['id']) => (change: Partial<ButtonAttrs>) => id && desk.set(id, change);
  const set = $derived(setOf(button.id));
  const giving = (give: typeof set) => (link: string | null) => void give({ link: link ?? '' });
</script>

<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-2 font-semibold">Where the button leads</h3>
  <LinkField value={button.link} onset={giving(set)} hint="Until this is set, visitors do not see the button." />
</div>
<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-2 font-semibold">The button is</h3>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="The button is">
    <button class="dk-button" aria-pressed={button.kind === 'filled'} onclick={() => set({ kind: 'filled' })}
      >filled</button
    >
    <button class="dk-button" aria-pressed={button.kind === 'outline'} onclick={() => set({ kind: 'outline' })}
      >outlined</button
    >
    <button class="dk-button" onclick={() => desk.editor?.chain().focus().setNode('paragraph').run()}
      >Make it text</button
    >
  </div>
</div>
