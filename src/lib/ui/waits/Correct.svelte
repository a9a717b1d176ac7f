<!-- A command that the server refused, put right where it stands: its fields as they were typed, and the same questions as when it is typed
     with a signal. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { corrected, correctable, stillWrong } from '$lib/core/command/correct';
  import type { EntryProblem } from '$lib/core/visit/problems';
  import { Button, Checkbox, Input } from '../form/controls';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';
  import Settle, { type Settlement } from '../hours/Settle.svelte';
  import { outbox, type Kept } from '../outbox/outbox.svelte';

  let { kept, open = $bindable(false) }: { kept: Kept; open?: boolean } = $props();
  const { errors: why, more } = untrack(() => kept.refused!);
  const given = untrack(() => kept.body as { settlement?: Settlement | null });
  let fields = $state(
    untrack(() =>
      correctable(kept.kind, kept.body, why, (more['problem'] as EntryProblem | undefined) ?? null)
    )
  );
  const doubts = ((more['doubts'] as { message: string }[] | undefined) ?? []).map((d) => d.message);
  const ways = (more['ways'] as string[] | undefined) ?? [];
  let settlement = $state<Settlement>(
    untrack(() => given.settlement ?? { as: '', reason: '', oldFinal: '', newStart: '' })
  );
  let sure = $state(false);
  // A doubt about what was typed is the question above it.
  let errors = $state<Record<string, string>>(
    Object.fromEntries(Object.entries(why).filter(([path]) => doubts.length === 0 || path !== 'typed'))
  );
  let busy = $state(false);
  /** There is something to be put right; else it is sent again as it is, or let go. */
  const able = $derived(fields.length > 0 || doubts.length > 0);
  const shown = $derived(new Set(fields.map((f) => f.path)));
  const rest = $derived(
    Object.entries(errors)
      .filter(([path]) => !shown.has(path) && !path.startsWith('settlement'))
      .map(([, words]) => words)[0]
  );
  async function send(e: SubmitEvent) {
    e.preventDefault();
    if (busy) return;
    const body = {
      ...(corrected(kept.body, $state.snapshot(fields)) as object),
      ...(settlement.as && { settlement: $state.snapshot(settlement) }),
      ...(sure && { sure: true })
    };
    errors = stillWrong(kept.kind, body);
    if (Object.keys(errors).length > 0) return;
    busy = true;
    await outbox.correct(kept.id, body);
    busy = false;
  }
</script>

{#if able}
  {#if open}
    <form
      class="my-2 max-w-3xl border-l-4 pl-4"
      style="border-color: var(--rule-strong)"
      aria-label="Correct it"
      novalidate
      onsubmit={send}
    >
      {#if doubts.length > 0}<Settle {doubts} {ways} bind:value={settlement} {errors} />{/if}
      <div class="grid items-start gap-3 sm:grid-cols-2">
        {#each fields as field (field.path)}
          <Field label={field.name[0]!.toUpperCase() + field.name.slice(1)} error={errors[field.path]}
            >{#snippet children(a)}<Input
                {...a}
                type={field.as === 'day' ? 'date' : 'text'}
                inputmode={field.as === 'number' ? 'decimal' : undefined}
                bind:value={field.value}
              />{/snippet}</Field
          >
        {/each}
      </div>
      {#if more['askSure']}<div class="mt-3">
          <Checkbox bind:checked={sure}>I looked again: distance and hours are right</Checkbox>
        </div>{/if}
      <FormError message={rest} />
      <div class="mt-3 flex gap-3">
        <Button type="submit" color="primary" disabled={busy}>Send corrected</Button>
        <Button type="button" color="alternative" onclick={() => (open = false)}>Leave it</Button>
      </div>
    </form>
  {:else}<button type="button" class="link py-2" onclick={() => (open = true)}>Correct it</button>{/if}
{/if}
