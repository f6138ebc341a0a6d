<!-- A line for each class of screen with what is otherwise there; one of them may be open. -->
<script lang="ts">
  import type { WidthClass } from '$lib/model/attrs';
  import { classes } from '$lib/model/choices';

  let {
    opened,
    isOwn,
    wordsOf,
    onopen,
  }: {
    opened: WidthClass | null;
    isOwn: (c: WidthClass) => boolean;
    wordsOf: (c: WidthClass) => string;
    onopen: (c: WidthClass | null) => void;
  } = $props();
</script>

<table class="w-full" aria-label="Exceptions at a width">
  <tbody>
    {#each classes as c (c)}
      <tr class="border-t border-hair first:border-t-0">
        <th scope="row" class="py-1 pr-2 text-left align-top font-normal">{c}</th>
        <td class="py-1 align-top {isOwn(c) ? 'font-semibold' : 'text-quiet'}">{wordsOf(c)}</td>
        <td class="py-1 text-right align-top">
          <button
            class="dk-link"
            aria-expanded={opened === c}
            aria-label="Set for {c}"
            onclick={() => onopen(opened === c ? null : c)}>{opened === c ? 'close' : 'set'}</button
          >
        </td>
      </tr>
    {/each}
  </tbody>
</table>
