<!-- The air of the weeks ahead: as somebody says, out of a file of days, or (in the demo) by the simulated station. -->
<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { AIR_DAYS, parseAir, readAirTable, showAir, type Air } from '$lib/core/fluids/air';
  import { rememberAir, rememberedAir } from './air';

  interface Props {
    label: string;
    /** What it is taken to be; null: not said. */
    air: Air | null;
    /** By the simulated station; null: there is none. */
    station: Air | null;
    today: string;
  }
  let { label, air = $bindable(), station, today }: Props = $props();
  let text = $state(untrack(() => (station ? showAir(station) : '')));
  let problem = $state('');
  let from = $state('');
  const id = $props.id();

  function take(said: string, remember = true) {
    text = said;
    problem = '';
    from = '';
    air = parseAir(said);
    if (air && remember) rememberAir(said, today);
  }
  onMount(() => {
    const kept = rememberedAir(today);
    if (kept) take(kept, false);
    else air = station;
  });
  async function file(e: Event & { currentTarget: HTMLInputElement }) {
    const [f] = e.currentTarget.files ?? [];
    if (!f) return;
    const { default: Papa } = await import('papaparse');
    const read = readAirTable(Papa.parse<string[]>(await f.text(), { skipEmptyLines: true }).data, today);
    if (read.ok) {
      take(showAir(read.air));
      from = `${read.days} ${read.days === 1 ? 'day' : 'days'} of ${f.name}`;
    } else problem = read.message;
    e.currentTarget.value = '';
  }
</script>

<span class="flex flex-wrap items-baseline gap-x-3">
  <label for="{id}-air">{label}</label>
  <input
    id="{id}-air"
    class="field figure w-40"
    placeholder="−5 to 15 °C"
    autocomplete="off"
    value={text}
    oninput={(e) => take(e.currentTarget.value)}
    aria-invalid={text !== '' && !air}
    aria-describedby="{id}-note"
  />
  <label class="link text-sm focus-within:outline-2 focus-within:outline-offset-2"
    >from a file <input type="file" class="sr-only" accept=".csv,.tsv,.txt,text/csv" onchange={file} /></label
  >
  <span id="{id}-note" class="text-sm" class:error={problem || (text !== '' && !air)} class:quiet={!problem}>
    {#if problem}{problem}{:else if text !== '' && !air}Two temperatures, such as −5 to 15 °C.{:else if from}{from}{:else if text === ''}not
      said: no grade is picked by it{:else if station && text === showAir(station)}{AIR_DAYS / 7} weeks ahead by
      the simulated station; write what you know better{/if}
  </span>
</span>
