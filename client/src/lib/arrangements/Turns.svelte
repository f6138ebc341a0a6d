<!-- What is on or off, one under the other. -->
<script lang="ts" generics="T extends string">
  let {
    offers,
    now,
    onset,
  }: {
    offers: readonly (readonly [T, string])[];
    now: Record<T, boolean | undefined>;
    onset: (change: Record<T, boolean>) => void;
  } = $props();
</script>

{#each offers as [name, label] (name)}
  <label class="mt-2 flex min-h-6 items-center gap-1.5">
    <input
      type="checkbox"
      checked={now[name]}
      onchange={(event) => onset({ [name]: event.currentTarget.checked } as Record<T, boolean>)}
    />{label}
  </label>
{/each}
