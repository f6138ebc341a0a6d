<!-- A page at a width of its own, drawn smaller so that it fits the room there is. -->
<script lang="ts">
  let { src, title, widthPx }: { src: string; title: string; widthPx: number } = $props();
  let room = $state({ width: 0, height: 0 });
  const scale = $derived(Math.min(1, room.width / widthPx) || 1);
</script>

<div
  class="relative h-full overflow-hidden"
  bind:clientWidth={null, (width) => (room.width = width ?? 0)}
  bind:clientHeight={null, (height) => (room.height = height ?? 0)}
>
  <iframe
    {src}
    {title}
    tabindex="-1"
    class="absolute top-0 left-0 max-w-none border-0 bg-white"
    style:width="{widthPx}px"
    style:height="{room.height / scale}px"
    style:transform="scale({scale})"
    style:transform-origin="0 0"
  ></iframe>
</div>
