<!-- What a mechanic notes of one fastener: changed in place. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { Button, Checkbox, Input } from '$lib/ui/form/controls';
  import type { Fastener } from '$lib/core/specs/sheet';
  import Field from '../form/Field.svelte';

  interface Props {
    fastener: Fastener;
    change: (id: string, what: object) => Promise<boolean>;
  }
  let { fastener, change }: Props = $props();
  let draft = $state(
    untrack(() => ({
      place: fastener.place,
      head: fastener.head,
      thread: fastener.thread,
      lean: fastener.lean,
      note: fastener.note,
      magnet: fastener.magnet,
      oiled: fastener.oiled,
      adapter: fastener.adapter
    }))
  );
  let said = $state('');
  async function save(e: SubmitEvent) {
    e.preventDefault();
    said = (await change(fastener.id, $state.snapshot(draft))) ? 'Written.' : '';
  }
</script>

<form
  onsubmit={save}
  class="mt-5 border-t-2 pt-3"
  style="border-color: var(--ink)"
  aria-label="Notes of {fastener.name}"
  novalidate
>
  <h2>{fastener.name}</h2>
  <div class="mt-2 grid items-start gap-3 sm:grid-cols-2">
    <Field label="Where"
      >{#snippet children(a)}<Input {...a} bind:value={draft.place} maxlength={120} />{/snippet}</Field
    >
    <Field label="What goes on it" hint="17 mm hex, short socket only"
      >{#snippet children(a)}<Input {...a} bind:value={draft.head} maxlength={40} />{/snippet}</Field
    >
    <Field label="Thread" hint="M12x1.5: a slip of the unit is seen by it"
      >{#snippet children(a)}<Input {...a} bind:value={draft.thread} maxlength={40} />{/snippet}</Field
    >
    <Field label="How it leans to drain" hint="on the side stand, then upright"
      >{#snippet children(a)}<Input {...a} bind:value={draft.lean} maxlength={120} />{/snippet}</Field
    >
    <Field label="Note, shown at its step"
      >{#snippet children(a)}<Input {...a} bind:value={draft.note} />{/snippet}</Field
    >
  </div>
  <div class="mt-3 flex flex-wrap gap-6">
    <Checkbox bind:checked={draft.magnet}>has a magnet</Checkbox>
    <Checkbox bind:checked={draft.oiled}>thread oiled before torque</Checkbox>
    <Checkbox bind:checked={draft.adapter}>no socket fits: takes an adapter</Checkbox>
  </div>
  <div class="mt-3 flex items-center gap-3">
    <Button type="submit" size="sm" color="alternative">Write it down</Button><span role="status">{said}</span
    >
  </div>
</form>
