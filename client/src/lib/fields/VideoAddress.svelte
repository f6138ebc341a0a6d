<!-- The address of a video that another site plays: that site is asked how it is shown, and its still comes into the library. -->
<script lang="ts">
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';

  let {
    label,
    onread,
  }: {
    /** Of the button. */
    label: string;
    onread: (video: Schemas['VideoResponse']) => void;
  } = $props();
  let [address, problem, asking] = $state(['', '', false]);

  async function ask() {
    [problem, asking] = ['', true];
    // Another thing may be chosen before the answer is there: the video belongs to this one.
    const give = onread;
    try {
      give(await answer(api.POST('/api/videos', { body: { address } })));
      address = '';
    } catch (error) {
      problem = sentenceOf(error);
    }
    asking = false;
  }
</script>

<form
  class="flex gap-1.5"
  onsubmit={(event) => {
    event.preventDefault();
    void ask();
  }}
>
  <input
    class="dk-field"
    aria-label="Address of the video’s page"
    placeholder="https:// and the video’s page"
    autocomplete="off"
    spellcheck="false"
    bind:value={address}
  />
  <button class="dk-button main" disabled={!address.trim() || asking}>{label}</button>
</form>
{#if asking}<p class="mt-1.5" role="status">The site of the video is asked.</p>{/if}
{#if problem}<p class="dk-problem mt-1.5" role="alert">{problem}</p>{/if}
