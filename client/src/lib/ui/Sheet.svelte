<!-- A dialog in the middle of the screen: Escape closes it, focus stays in it and goes back where it was. -->
<script lang="ts">
  import { Dialog } from 'bits-ui';
  import type { Snippet } from 'svelte';
  import X from '@lucide/svelte/icons/x';

  let {
    open = $bindable(),
    title,
    children,
    foot,
    wide = false,
  }: { open: boolean; title: string; children: Snippet; foot?: Snippet; wide?: boolean } = $props();
  let body = $state<HTMLElement>();
  let feet = $state<HTMLElement>();

  /** In the first field; where there is none, on what the dialog is for; on Close only where there is nothing else. */
  function begin(event: Event) {
    const can = ':not(:disabled):not([type=hidden])';
    const first =
      body?.querySelector<HTMLElement>(`input${can}, select${can}, textarea${can}`) ??
      feet?.querySelector<HTMLElement>(`.main${can}`) ??
      body?.querySelector<HTMLElement>(`button${can}, a[href]`) ??
      feet?.querySelector<HTMLElement>(`button${can}`);
    if (!first) return;
    event.preventDefault();
    first.focus();
  }
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/40" />
    <Dialog.Content
      onOpenAutoFocus={begin}
      class={[
        'fixed top-1/2 left-1/2 z-50 flex max-h-[86vh] max-w-[92vw] -translate-x-1/2 -translate-y-1/2 flex-col',
        'rounded-[4px] border border-hair bg-base-100 text-base-content shadow-(--dk-float)',
        wide ? 'w-[920px]' : 'w-[560px]',
      ]}
    >
      <div class="flex items-center justify-between border-b border-hair py-2 pr-2 pl-5">
        <Dialog.Title class="text-read font-semibold">{title}</Dialog.Title>
        <Dialog.Close class="dk-button bare" aria-label="Close"><X size={16} /></Dialog.Close>
      </div>
      <div bind:this={body} class="min-h-0 overflow-y-auto px-5 py-4">{@render children()}</div>
      {#if foot}<div bind:this={feet} class="flex items-center justify-end gap-3 border-t border-hair px-5 py-3">
          {@render foot()}
        </div>{/if}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
