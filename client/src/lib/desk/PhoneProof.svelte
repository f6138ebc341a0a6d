<!-- The page on a phone, beside the desk at all times: it shows the chosen thing, or scrolls in step with the page. -->
<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import Fit from '$lib/ui/Fit.svelte';
  import { restyle } from '$lib/ui/restyle';
  import { weight } from '$lib/model/words';
  import type { Desk } from './desk.svelte';
  import { bringTo, standOf } from './inStep';

  let { desk }: { desk: Desk } = $props();
  const drawnPx = 236;
  const phonePx = $derived(desk.site.classes.referencePx.phone);
  const scale = $derived(drawnPx / phonePx);
  let frame = $state<HTMLIFrameElement>();
  let column = $state.raw<Element | null>(null);
  let room = $state(0);
  const chosen = $derived(desk.chosen ? desk.preview.look?.figures[desk.chosen] : undefined);
  const fit = $derived(chosen?.fits.phone);
  let drawn: Record<string, string> = {};

  /** What stands there already is not touched: a long page would be set anew, line by line. */
  function putInto(parent: Element, children: Element[]) {
    for (const child of [...parent.children]) if (!children.includes(child)) child.remove();
    let at = parent.firstElementChild;
    for (const child of children) {
      if (child === at) at = at.nextElementSibling;
      else parent.insertBefore(child, at);
    }
  }

  function loaded() {
    const inside = frame?.contentDocument;
    if (!inside) return;
    const style = inside.createElement('style');
    style.textContent = 'html { scrollbar-width: none; }';
    inside.head.append(style);
    drawn = {};
    column = inside.querySelector('#content > .column');
  }

  $effect(() => restyle(frame?.contentDocument, desk.styled));

  // Only the pieces that changed are drawn anew.
  $effect(() => {
    if (!column || !desk.preview.look) return;
    const heading = column.querySelector('h1');
    if (heading && heading.textContent !== desk.title) heading.textContent = desk.title;
    const before = new Map([...column.children].map((child) => [(child as HTMLElement).dataset.block, child]));
    const children: Element[] = heading ? [heading] : [];
    for (const { id, html } of desk.preview.look.blocks) {
      let element = before.get(id);
      if (!element || drawn[id] !== html) {
        const template = column.ownerDocument.createElement('template');
        template.innerHTML = html;
        for (const image of template.content.querySelectorAll('img')) image.loading = 'eager';
        element = template.content.firstElementChild ?? undefined;
      }
      drawn[id] = html;
      if (element) children.push(element);
    }
    putInto(column, children);
  });

  // In step: the same piece stands at the same part of the view.
  $effect(() => {
    void [desk.moved, desk.preview.look];
    const main = desk.frame?.contentDocument;
    const proof = frame?.contentDocument;
    if (!main || !proof || !column) return;
    const of = (doc: Document, id: string) =>
      doc.querySelector<HTMLElement>(`#content [data-block="${CSS.escape(id)}"]`);
    const view = frame!.contentWindow!;
    if ((desk.chosenPiece?.figure || desk.chosenPiece?.columns || desk.chosenPiece?.band) && desk.chosen) {
      const box = of(proof, desk.chosen)?.getBoundingClientRect();
      if (box) view.scrollTo(0, view.scrollY + box.top - Math.max(16, (view.innerHeight - box.height) / 2));
      return;
    }
    const stand = standOf(main);
    if (stand) bringTo(proof, stand);
  });
</script>

<aside aria-label="Phone proof" class="flex w-[260px] flex-none flex-col border-l border-hair bg-table">
  <div class="flex h-10 flex-none items-center gap-2 border-b border-hair bg-base-100 pr-1 pl-4">
    <h2 class="font-semibold">Phone proof</h2>
    <span class="dk-tabular flex-1 text-quiet">{phonePx}</span>
    <button class="dk-button" title="Proofs (Shift+P)" onclick={() => void desk.session.toProofs()}>All widths</button>
    <button class="dk-button bare" onclick={() => (desk.proofOn = false)} aria-label="Put the phone proof away"
      ><X size={15} /></button
    >
  </div>
  <div bind:clientHeight={room} class="relative mx-3 mt-4 min-h-0 flex-1 overflow-hidden">
    <iframe
      bind:this={frame}
      src="/proof/{desk.id}?desk"
      title="The page on a phone"
      tabindex="-1"
      onload={loaded}
      class="pointer-events-none border-0 bg-white shadow-[0_0_0_1px_var(--dk-hair)]"
      style:width="{phonePx}px"
      style:height="{room / scale}px"
      style:transform="scale({scale})"
      style:transform-origin="0 0"
    ></iframe>
  </div>
  <div class="min-h-16 px-3 py-2.5">
    {#if chosen && !fit}
      <p>Hidden on phones; nothing is fetched.</p>
    {:else if fit}
      <p class="flex gap-1.5">Here it is <Fit word={fit.word} density={fit.pxPerCssPx} /></p>
      <p class="dk-tabular text-quiet">{Math.round(fit.slotCssPx)} px wide, {weight(fit.bytes)}</p>
    {:else}
      <p class="text-quiet">The proof scrolls in step, and follows what is chosen.</p>
    {/if}
  </div>
</aside>
