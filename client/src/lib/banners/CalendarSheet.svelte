<!-- The days of banners as a calendar: out as a file or at an address, and in by choosing events to make banners of. -->
<script lang="ts">
  import { answer, api, sentenceOf, type Schemas } from '$lib/api/client';
  import FilePick from '$lib/ui/FilePick.svelte';
  import Sheet from '$lib/ui/Sheet.svelte';
  import { count } from '$lib/model/words';
  import type { Banners } from './banners.svelte';
  import { shortDate } from './days';

  type Event = Schemas['CalendarEventItem'];
  let {
    open = $bindable(),
    banners,
    onmake,
  }: { open: boolean; banners: Banners; onmake: (event: Event) => Promise<void> } = $props();
  let events = $state.raw<Event[]>([]);
  let chosen = $state.raw<readonly number[]>([]);
  let problem = $state('');
  const address = $derived(banners.list?.calendarAddress ?? null);

  async function turn(isOn: boolean) {
    problem = '';
    try {
      await answer(api.PUT('/api/banners/calendar', { body: { isOn } }));
      await banners.load();
    } catch (error) {
      problem = sentenceOf(error);
    }
  }

  async function read([file]: File[]) {
    if (!file) return;
    [events, chosen, problem] = [[], [], ''];
    try {
      events = await answer(api.POST('/api/banners/calendar', { body: { text: await file.text() } }));
    } catch (error) {
      problem = `${file.name}: ${sentenceOf(error)}`;
    }
  }

  const turnOne = (i: number) => (chosen = chosen.includes(i) ? chosen.filter((one) => one !== i) : [...chosen, i]);

  async function make() {
    for (const [i, event] of events.entries()) if (chosen.includes(i)) await onmake(event);
    [events, chosen, open] = [[], [], false];
  }
</script>

<Sheet bind:open title="Calendar">
  <p>The days of all banners, for the calendars of people who plan with you.</p>
  <div class="mt-2 flex flex-wrap items-center gap-3">
    <a class="dk-button" href="/api/banners/calendar" download="banners.ics">Download as a calendar file</a>
    <label class="flex min-h-6 items-center gap-1.5">
      <input
        type="checkbox"
        role="switch"
        class="toggle toggle-sm"
        checked={address !== null}
        onchange={(event) => void turn(event.currentTarget.checked)}
      />at an address of its own
    </label>
    {#if address}
      <input
        class="dk-field"
        readonly
        aria-label="Address of the calendar"
        value={new URL(address, location.href).href}
        onfocus={(event) => event.currentTarget.select()}
      />
    {/if}
  </div>
  <h3 class="mt-4 font-semibold">From a calendar</h3>
  <p class="text-quiet">Choose a file in .ics, then the events that are to become banners.</p>
  <div class="mt-2">
    <FilePick label="Calendar to read" accept=".ics,text/calendar" many={false} onfiles={(files) => void read(files)}
      >Choose a calendar file</FilePick
    >
  </div>
  {#if problem}<p class="dk-problem mt-2" role="alert">{problem}</p>{/if}
  {#if events.length > 0}
    <ul class="mt-2 max-h-60 overflow-y-auto border-t border-hair" aria-label="Events of the calendar">
      {#each events as event, i (i)}
        <li class="border-b border-hair">
          <label class="flex min-h-8 items-center gap-2 py-1">
            <input type="checkbox" checked={chosen.includes(i)} onchange={() => turnOne(i)} />
            <span class="min-w-0 flex-1 truncate">{event.name}</span>
            <span class="text-quiet"
              >{shortDate(event.from)} to {shortDate(event.until)}{event.yearly ? ', yearly' : ''}</span
            >
          </label>
        </li>
      {/each}
    </ul>
  {/if}
  {#snippet foot()}
    <button class="dk-button main" disabled={chosen.length === 0} onclick={() => void make()}
      >Make {count(chosen.length, 'banner')}</button
    >
  {/snippet}
</Sheet>
