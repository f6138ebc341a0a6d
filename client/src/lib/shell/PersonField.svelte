<!-- Who is at the desk: the name that stands beside what they add. -->
<script lang="ts">
  import UserRound from '@lucide/svelte/icons/user-round';
  import { person } from './person.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';

  let open = $state(false);
  let typed = $state('');
  function keep() {
    person.call(typed);
    open = false;
  }
</script>

<button class="dk-button bare max-w-40" onclick={() => ((typed = person.now), (open = true))}>
  <UserRound size={16} /><span class="sr-only truncate xl:not-sr-only">{person.now || 'Your name'}</span>
</button>
<Sheet bind:open title="Who is at this desk">
  <form id="person" onsubmit={(event) => (event.preventDefault(), keep())}>
    <label class="dk-label" for="person-name">Your name</label>
    <input id="person-name" class="dk-field" maxlength="80" autocomplete="name" bind:value={typed} />
    <p class="mt-2 text-quiet">It stands beside the pictures you add, and by:{typed.trim() || 'name'} finds them.</p>
  </form>
  {#snippet foot()}
    <button class="dk-button main" form="person">Keep</button>
  {/snippet}
</Sheet>
