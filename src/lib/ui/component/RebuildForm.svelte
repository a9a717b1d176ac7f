<!-- A rebuild: which counts it restarts, with break-in. -->
<script lang="ts">
  import { Input } from '$lib/ui/form/controls';
  import { rebuildSchema } from '$lib/core/component/form';
  import Field from '../form/Field.svelte';
  import { commandForm } from '../form/command-form';
  import InPlace from '../form/InPlace.svelte';

  interface Props {
    component: { id: string; name: string };
    tasks: { id: string; name: string; part: string; restarts: boolean }[];
    today: string;
    onleave: () => void;
  }
  let { component, tasks, today, onleave }: Props = $props();
  const form = commandForm(
    'component.rebuild',
    rebuildSchema,
    () => ({
      id: crypto.randomUUID(),
      componentId: component.id,
      day: today,
      remark: '',
      taskIds: tasks.filter((t) => t.restarts).map((t) => t.id)
    }),
    {
      says: () =>
        `${component.name}: rebuild written down. Its own hours go on; the counts ticked start again.`,
      taken: () => onleave()
    }
  );
  const { data, errors } = form;
</script>

<InPlace label="Rebuild" {form} submit="Write the rebuild down" {onleave}>
  <div class="grid items-start gap-3 sm:grid-cols-[10rem_1fr]">
    <Field label="Day" error={$errors.day}
      >{#snippet children(a)}<Input {...a} type="date" bind:value={$data.day} max={today} />{/snippet}</Field
    >
    <Field label="What was renewed" error={$errors.remark}
      >{#snippet children(a)}<Input {...a} bind:value={$data.remark} />{/snippet}</Field
    >
  </div>
  <fieldset class="mt-3">
    <legend class="text-sm">It restarts, with the first interval where there is one</legend>
    {#each tasks as t (t.id)}<label class="block py-1"
        ><input type="checkbox" value={t.id} bind:group={$data.taskIds} />
        {t.name} <span class="quiet text-sm">{t.part}</span></label
      >{:else}<p class="quiet">No task to restart.</p>{/each}
  </fieldset>
</InPlace>
