<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { goto } from '$app/navigation';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { send } from '$lib/ui/form/send';
  import StateMark from '$lib/ui/trail/StateMark.svelte';

  let { data } = $props();
  let error = $state('');
  let busy = $state(false);
  const id = crypto.randomUUID();

  async function begin() {
    if (busy) return;
    busy = true;
    const sent = await send<string>('/api/visits', { id, taskId: data.task.id });
    if (sent.ok) await goto(`/visits/${sent.data}`, { replaceState: true });
    else error = sent.errors[''] ?? 'Not started.';
    busy = false;
  }
</script>

<svelte:head><title>{data.task.name} · {data.machine.plate} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-3">
  <a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
      >{data.machine.name}</span
    ></a
  >
  <h1>{data.task.name}</h1>
  <StateMark state={data.task.state} word />
</div>
{#if data.unknown.length > 0}
  <div class="caution mt-4">
    <p>
      <strong>Not on the sheet:</strong>
      {data.unknown.join('; ')}. It is shown as unknown at its step.
      <a class="link" href="/machines/{data.machine.id}/sheet">Look it up and put it on the sheet</a> first, or
      go by the manual as you work.
    </p>
  </div>
{/if}
<div class="mt-5 grid gap-8 md:grid-cols-2">
  <section>
    <h2>Before anything is opened</h2>
    <ul class="mt-2">
      {#each data.gather as line (line)}<li class="rule-b py-1.5">{line}</li>{/each}
    </ul>
    <p class="quiet mt-3 text-sm">
      House rules in force: hold back {data.rules.holdBackPercent} % of the first pour; crush washers {data
        .rules.washers}; guard off {data.rules.guardOff}.
    </p>
  </section>
  <section>
    <h2>{data.steps.length} steps, in this order</h2>
    <ol class="mt-2 list-decimal gap-12 pl-6 sm:columns-2">
      {#each data.steps as title, i (i)}<li class="break-inside-avoid py-0.5">{title}</li>{/each}
    </ol>
  </section>
</div>
<FormError message={error} />
<Button color="primary" size="xl" class="mt-6" onclick={begin} disabled={busy}>Start the visit</Button>
