<!-- How well words can be read at each width on what lies behind them. -->
<script lang="ts">
  import type { Schemas } from '$lib/api/client';
  import type { WidthClass } from '$lib/model/attrs';

  type Contrast = Schemas['Contrast'];
  let { rows, now }: { rows: (readonly [WidthClass, Contrast])[]; now?: WidthClass } = $props();
</script>

<table class="dk-tabular w-full">
  <tbody>
    {#each rows as [c, { ratio, needed, isEnough }] (c)}
      <tr class={now === c ? 'font-semibold' : ''}>
        <th scope="row" class="py-0.5 text-left font-normal">{c}</th>
        <td class="text-right">{ratio.toFixed(1)} : 1</td>
        <td class="pl-3"
          ><span class="dk-fit" data-fit={isEnough ? 'sharp' : 'coarse'}
            >{isEnough ? 'readable' : `hard, needs ${needed}`}</span
          ></td
        >
      </tr>
    {/each}
  </tbody>
</table>
