<!-- Kind of text, marked words and link, for the words that hold the caret. -->
<script lang="ts">
  import Bold from '@lucide/svelte/icons/bold';
  import Image from '@lucide/svelte/icons/image';
  import Italic from '@lucide/svelte/icons/italic';
  import { getMarkRange } from '@tiptap/core';
  import type { Desk } from './desk.svelte';
  import { textKinds } from '$lib/model/choices';
  import LinkField from '$lib/fields/LinkField.svelte';

  let { desk }: { desk: Desk } = $props();
  const marks = $derived(desk.marks);

  function setKind(kind: string) {
    const chain = desk.editor?.chain().focus();
    if (!chain) return;
    const out =
      marks.kind === 'blockquote'
        ? chain.lift('blockquote')
        : marks.kind.endsWith('List')
          ? chain.liftListItem('listItem')
          : chain;
    if (kind === 'paragraph') out.setParagraph().run();
    else if (kind.startsWith('heading')) out.setHeading({ level: Number(kind.at(-1)) as 2 | 3 | 4 }).run();
    else if (kind === 'button') out.setNode('button').run();
    else if (kind === 'blockquote') out.setParagraph().toggleBlockquote().run();
    else out.setParagraph().toggleList(kind, 'listItem').run();
  }
  /** For the words that were marked as the link was typed, whatever is marked when its answer comes. */
  const linking = (from: number, to: number) => (href: string | null) => {
    const editor = desk.editor;
    if (!editor) return;
    const type = editor.schema.marks.link!;
    const range = from === to ? getMarkRange(editor.state.doc.resolve(from), type) : { from, to };
    if (!range) return;
    const tr = editor.state.tr.removeMark(range.from, range.to, type);
    editor.view.dispatch(href ? tr.addMark(range.from, range.to, type.create({ href })) : tr);
  };
  const headings = $derived(
    [...desk.pieces, ...desk.inner].filter((piece) => piece.kind.startsWith('heading') && piece.text.trim() !== ''),
  );
</script>

<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-2 font-semibold">Kind</h3>
  <div class="flex flex-wrap gap-1.5" role="group" aria-label="Kind of text">
    {#each textKinds as [kind, name] (kind)}
      <button
        class="dk-button"
        aria-pressed={marks.kind === kind}
        onmousedown={(event) => event.preventDefault()}
        onclick={() => setKind(kind)}>{name}</button
      >
    {/each}
  </div>
</div>
<div class="border-b border-hair px-4 py-3">
  <h3 class="mb-2 font-semibold">In the line</h3>
  <div class="flex flex-wrap gap-1.5">
    <button
      class="dk-button"
      aria-pressed={marks.bold}
      onmousedown={(event) => event.preventDefault()}
      onclick={() => desk.editor?.chain().focus().toggleBold().run()}
    >
      <Bold size={14} />Bold
    </button>
    <button
      class="dk-button"
      aria-pressed={marks.italic}
      onmousedown={(event) => event.preventDefault()}
      onclick={() => desk.editor?.chain().focus().toggleItalic().run()}
    >
      <Italic size={14} />Italic
    </button>
    <button
      class="dk-button"
      aria-pressed={desk.media.inLine}
      onmousedown={(event) => event.preventDefault()}
      onclick={() => desk.media.beginInLine()}
    >
      <Image size={14} />Picture in the line
    </button>
  </div>
</div>
<div class="px-4 py-3">
  <h3 class="mb-2 font-semibold">Link</h3>
  <LinkField
    of="{marks.from} {marks.to}"
    value={marks.link ?? ''}
    {headings}
    onset={linking(marks.from, marks.to)}
    hint="Mark words on the page, then type where they lead."
  />
</div>
