<!-- Air filters that go round: how many are clean, how many are to be washed, and one press once they are. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { countInWords, type FilterSet } from '$lib/core/stores/filters';
  import { Press } from '../form/press.svelte';
  import { say } from '../base/page.svelte';
  import FilterForm from './FilterForm.svelte';
  import PutAway from './PutAway.svelte';

  interface Props {
    filters: readonly FilterSet[];
    machines: readonly { id: string; plate: string; name: string }[];
  }
  let { filters, machines }: Props = $props();
  let doing = $state('');
  const press = new Press();
  const turn = (what: string) => (doing = doing === what ? '' : what);
  async function washed(f: FilterSet) {
    if (!(await press.send('filter.washed', { filterId: f.id }))) return;
    say(`${f.name}: ${countInWords({ clean: f.clean + f.dirty, dirty: 0 })}.`);
    await invalidateAll();
  }
</script>

<section class="mt-8" aria-label="Air filters" id="filters">
  <div class="flex items-baseline gap-4">
    <h2>Air filters that go round</h2>
    <button type="button" class="link no-print text-sm" onclick={() => turn('new')}>Add some</button>
  </div>
  {#if doing === 'new'}<FilterForm set={null} {machines} onleave={() => (doing = '')} />{/if}
  {#if press.errors['']}<p class="error" role="alert">{press.errors['']}</p>{/if}
  {#each filters as f (f.id)}
    <div
      id="thing-{f.id}"
      class="rule-b flex flex-wrap items-center gap-x-4 gap-y-1 py-2"
      role="group"
      aria-label={f.name}
    >
      <strong>{f.name}</strong>
      <span class="flex flex-wrap gap-1"
        >{#each f.machines as m (m.id)}<a class="no-underline" href="/machines/{m.id}"
            ><span class="plate">{m.plate}</span></a
          >{:else}<span class="quiet">for no machine yet</span>{/each}</span
      >
      <span class="figure text-lg">{countInWords(f)}</span>
      {#if f.dirty > 0 && f.clean >= 0}<button
          type="button"
          class="key no-print"
          disabled={press.busy}
          onclick={() => washed(f)}
          >{f.dirty === 1 ? 'Washed and oiled' : `All ${f.dirty} washed and oiled`}</button
        >{/if}
      <span class="no-print ml-auto flex gap-4"
        ><button type="button" class="link text-sm" onclick={() => turn(f.id)}>Count</button>
        <PutAway id={f.id} what="filters" name={f.name} /></span
      >
      {#if doing === f.id}<div class="w-full">
          <FilterForm set={f} {machines} onleave={() => (doing = '')} />
        </div>{/if}
    </div>
  {:else}
    {#if doing === ''}<p class="mt-2">
        None are counted. With them a round says how many clean ones are left, and how many wait to be washed.
      </p>{/if}
  {/each}
</section>
