<script lang="ts">
  import { Button, Checkbox, Input, Select } from '$lib/ui/form/controls';
  import { invalidateAll } from '$app/navigation';
  import { CIRCUITS, FASTENER_ROLES, SEALS } from '$lib/core/specs/sheet';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import { send } from '../form/send';

  let { machineId, onleave }: { machineId: string; onleave: () => void } = $props();
  const id = crypto.randomUUID();
  let draft = $state({
    role: 'drain plug',
    circuit: 'engine',
    name: '',
    place: '',
    quantity: '1',
    magnet: false,
    seal: 'none',
    head: '',
    thread: '',
    pattern: '',
    note: '',
    lean: '',
    oiled: false,
    adapter: false
  });
  let errors = $state<Record<string, string>>({});

  async function save(e: SubmitEvent) {
    e.preventDefault();
    const sent = await send('fastener.add', { ...draft, id, machineId, circuit: draft.circuit || null });
    if (!sent.ok) {
      errors = sent.errors;
      return;
    }
    await invalidateAll();
    onleave();
  }
  const items = (list: readonly string[]) => list.map((v) => ({ value: v, name: v }));
</script>

<form
  onsubmit={save}
  class="my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label="Add a fastener"
  novalidate
>
  <div class="grid items-start gap-3 sm:grid-cols-2 lg:grid-cols-4">
    <Field label="What it is" error={errors.role}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={draft.role}
          placeholder=""
          items={items(FASTENER_ROLES)}
        />{/snippet}</Field
    >
    <Field label="Circuit" error={errors.circuit}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={draft.circuit}
          placeholder=""
          items={[{ value: '', name: 'none' }, ...items(CIRCUITS)]}
        />{/snippet}</Field
    >
    <Field label="Name" error={errors.name}
      >{#snippet children(a)}<Input {...a} bind:value={draft.name} />{/snippet}</Field
    >
    <Field label="Where" error={errors.place}
      >{#snippet children(a)}<Input {...a} bind:value={draft.place} />{/snippet}</Field
    >
    <Field label="How many like bolts" error={errors.quantity}
      >{#snippet children(a)}<Input {...a} bind:value={draft.quantity} inputmode="numeric" />{/snippet}</Field
    >
    <Field label="Seal" error={errors.seal}
      >{#snippet children(a)}<Select
          {...a}
          bind:value={draft.seal}
          placeholder=""
          items={items(SEALS)}
        />{/snippet}</Field
    >
    <Field label="What goes on it" error={errors.head} hint="hex 14, short socket only"
      >{#snippet children(a)}<Input {...a} bind:value={draft.head} />{/snippet}</Field
    >
    <Field label="Thread, dry or oiled" error={errors.thread} hint="M12, dry"
      >{#snippet children(a)}<Input {...a} bind:value={draft.thread} />{/snippet}</Field
    >
    <Field label="Order of tightening" error={errors.pattern} hint="criss-cross, in two steps"
      >{#snippet children(a)}<Input {...a} bind:value={draft.pattern} />{/snippet}</Field
    >
    <Field label="Note, shown at its step" error={errors.note}
      >{#snippet children(a)}<Input {...a} bind:value={draft.note} />{/snippet}</Field
    >
    <Field label="How it leans to drain" error={errors.lean}
      >{#snippet children(a)}<Input {...a} bind:value={draft.lean} />{/snippet}</Field
    >
  </div>
  <div class="mt-3 flex flex-wrap gap-6">
    <Checkbox bind:checked={draft.magnet}>has a magnet</Checkbox>
    <Checkbox bind:checked={draft.oiled}>thread oiled before torque</Checkbox>
    <Checkbox bind:checked={draft.adapter}>no socket fits: takes an adapter</Checkbox>
  </div>
  <FormError message={errors['']} />
  <div class="mt-3 flex gap-2">
    <Button type="submit" color="primary">Add it</Button><Button
      type="button"
      color="alternative"
      onclick={onleave}>Leave</Button
    >
  </div>
</form>
