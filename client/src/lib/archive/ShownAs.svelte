<!-- Whether an archive is shown as pictures or as a list. -->
<script lang="ts">
  let { asList = $bindable() }: { asList: boolean } = $props();
</script>

<span class="flex gap-1" role="group" aria-label="Shown as">
  <button class="dk-button" aria-pressed={!asList} onclick={() => (asList = false)}>pictures</button>
  <button class="dk-button" aria-pressed={asList} onclick={() => (asList = true)}>a list</button>
</span>
