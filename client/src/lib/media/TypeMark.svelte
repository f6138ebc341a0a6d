<!-- A sheet of paper with the file's type on it. -->
<script lang="ts">
  let { name }: { name: string } = $props();
</script>

<span
  class="grid h-9 w-12 flex-none place-items-center border border-edge bg-base-100 text-[13px] font-semibold"
  aria-label="Type {name}"
  role="img">{name}</span
>
