<!-- A rebuild: which counts it restarts, with break-in. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { Input } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import Field from '../form/Field.svelte';
  import { Form } from '../form/form.svelte';
  import InPlace from '../form/InPlace.svelte';
  import { say } from '../shell/shell.svelte';

  interface Props {
    component: { id: string; name: string };
    tasks: { id: string; name: string; part: string; restarts: boolean }[];
    today: string;
    onleave: () => void;
  }
  let { component, tasks, today, onleave }: Props = $props();
  let taskIds = $state(untrack(() => tasks.filter((t) => t.restarts).map((t) => t.id)));
  // svelte-ignore state_referenced_locally
  let day = $state(today);
  let remark = $state('');
  const form = new Form();
  const id = crypto.randomUUID();

  async function save() {
    if (!(await form.send('component.rebuild', { id, componentId: component.id, day, remark, taskIds })))
      return;
    say(`${component.name}: rebuild written down. Its own hours go on; the counts ticked start again.`);
    await invalidateAll();
    onleave();
  }
</script>

<InPlace label="Rebuild" {form} submit="Write the rebuild down" onsave={save} {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-[10rem_1fr]">
    <Field label="Day" error={form.errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={day} max={today} />{/snippet}</Field
    >
    <Field label="What was renewed" error={form.errors.remark}
      >{#snippet children(a)}<Input {...a} bind:value={remark} />{/snippet}</Field
    >
  </div>
  <fieldset class="mt-3">
    <legend class="text-sm">It restarts, with the first interval where there is one</legend>
    {#each tasks as t (t.id)}<label class="block py-1"
        ><input type="checkbox" value={t.id} bind:group={taskIds} />
        {t.name} <span class="quiet text-sm">{t.part}</span></label
      >{:else}<p class="quiet">No task to restart.</p>{/each}
  </fieldset>
</InPlace>
