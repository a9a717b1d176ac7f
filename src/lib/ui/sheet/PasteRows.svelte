<!-- Fasteners from a table that was copied: looked at before they are put on the sheet. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { MOST_ROWS, readFastenerRows } from '$lib/core/specs/rows';
  import type { Circuit } from '$lib/core/specs/sheet';
  import { Button } from '$lib/ui/form/controls';
  import { say } from '../base/page.svelte';
  import { pasteRows, type Pasted } from './paste';
  import SourceField from './SourceField.svelte';
  import { sitting } from './sitting.svelte';

  interface Props {
    machineId: string;
    circuits: readonly Circuit[];
    sources: readonly string[];
    onleave: () => void;
  }
  let { machineId, circuits, sources, onleave }: Props = $props();
  let text = $state('');
  let busy = $state(false);
  let error = $state('');
  /** What became of those that were sent; what is on the sheet is not sent again. */
  let sent = $state<Pasted[]>([]);
  const added = (name: string) => sent.some((p) => p.added && p.name === name);
  const rows = $derived(readFastenerRows(text, circuits).filter((r) => !added(r.name)));
  const wantsSource = $derived(rows.some((r) => r.torque) && sitting.source.trim() === '');

  async function save() {
    if (busy || rows.length === 0) return;
    if (rows.length > MOST_ROWS) {
      error = `At most ${MOST_ROWS} rows at once.`;
      return;
    }
    busy = true;
    const pasted = await pasteRows(machineId, $state.snapshot(rows), $state.snapshot(sitting));
    busy = false;
    sent = [...sent.filter((p) => p.added), ...pasted];
    await invalidateAll();
    const went = pasted.filter((p) => p.added).length;
    if (went > 0) say(`${went} ${went === 1 ? 'row is' : 'rows are'} on the sheet.`);
    const wrong = sent.filter((p) => p.why !== null);
    if (wrong.length === 0) onleave();
    else
      error = wrong
        .map((p) => `${p.name}${p.added ? ', on the sheet without its torque' : ''}: ${p.why}`)
        .join(' · ');
  }
</script>

<section class="mt-3 border-2 p-4" style="border-color: var(--ink)" aria-label="Paste rows">
  <label class="block text-sm" for="rows"
    >One fastener a line: name, torque, size, seal, thread, count, place. With a line of headings, in any
    order, and also bolt lengths, comes with it, order, notes.</label
  >
  <textarea id="rows" class="cell mt-1 font-mono" rows="5" bind:value={text}></textarea>
  {#if rows.length > 0}
    <table class="sheet-table stacked mt-2" aria-label="As it is read">
      <thead
        ><tr
          ><th>Name</th><th>What it is</th><th>Torque</th><th>Size</th><th>Seal</th><th>Thread</th><th
            >Count</th
          ><th>Place</th><th>More</th></tr
        ></thead
      >
      <tbody
        >{#each rows as r, i (i)}<tr
            ><td>{r.name}</td><td data-label="What">{[r.role, r.circuit].filter(Boolean).join(', ')}</td><td
              class="figure"
              data-label="Torque">{r.torque}</td
            ><td data-label="Size">{r.head}</td><td data-label="Seal">{r.seal}</td><td data-label="Thread"
              >{r.thread}</td
            ><td data-label="Count">{r.quantity}</td><td data-label="Place">{r.place}</td><td class="text-sm"
              >{[r.lengths, r.comesWith && `with ${r.comesWith}`, r.pattern, r.note]
                .filter(Boolean)
                .join(' · ')}</td
            ></tr
          >{/each}</tbody
      >
    </table>
  {/if}
  {#if wantsSource}<p class="mt-2">Which manual are the torques from? <SourceField {sources} /></p>{/if}
  {#if error}<p class="error mt-2" role="alert">{error}</p>{/if}
  <div class="mt-3 flex gap-2">
    <Button color="primary" disabled={busy || rows.length === 0 || wantsSource} onclick={save}
      >Put {rows.length || ''} on the sheet</Button
    ><Button color="alternative" onclick={onleave}>Leave</Button>
  </div>
</section>
