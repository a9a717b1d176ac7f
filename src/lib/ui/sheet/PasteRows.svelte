<!-- Fasteners from a table that was copied: looked at before they are put on the sheet. -->
<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { MOST_ROWS, readFastenerRows } from '$lib/core/specs/rows';
  import type { Circuit } from '$lib/core/specs/sheet';
  import { Button } from '$lib/ui/form/controls';
  import { sendAll, type Item } from '../form/send';
  import { say } from '../shell/shell.svelte';
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
  let refused = $state<Record<string, string>>({});
  const rows = $derived(readFastenerRows(text, circuits));
  const wantsSource = $derived(rows.some((r) => r.torque) && sitting.source.trim() === '');
  /** Rows that went: what is sent again is the rest. */
  const BATCH = 40;

  async function save() {
    if (busy || rows.length === 0) return;
    if (rows.length > MOST_ROWS) {
      error = `At most ${MOST_ROWS} rows at once.`;
      return;
    }
    busy = true;
    error = '';
    const left: string[] = [];
    const why: Record<string, string> = {};
    for (let k = 0; k < rows.length; k += BATCH) {
      const part = rows.slice(k, k + BATCH).map((r) => ({ r, id: crypto.randomUUID() }));
      const items = part.flatMap(({ r, id }): Item[] => {
        const { torque, ...f } = r;
        const add = crypto.randomUUID();
        const from = { source: sitting.source, edition: sitting.edition, confidence: sitting.confidence };
        return [
          {
            kind: 'fastener.add',
            id: add,
            body: { ...f, id, machineId, magnet: false, pattern: '', note: '', lean: '' }
          },
          ...(torque
            ? [
                {
                  kind: 'figure.add' as const,
                  after: add,
                  body: {
                    ...from,
                    id: crypto.randomUUID(),
                    machineId,
                    key: 'torque',
                    fastenerId: id,
                    typed: torque,
                    page: ''
                  }
                }
              ]
            : [])
        ];
      });
      const sent = await sendAll(items);
      for (const [i, { r }] of part.entries()) {
        const mine = sent.filter((_, n) => {
          const { body } = items[n]!;
          return 'fastenerId' in body
            ? body.fastenerId === part[i]!.id
            : 'id' in body && body.id === part[i]!.id;
        });
        const bad = mine.find((s) => !s.ok);
        if (bad && !bad.ok) {
          why[r.name] = Object.values(bad.errors)[0] ?? 'Not taken.';
          left.push(r.name);
        }
      }
    }
    busy = false;
    refused = why;
    await invalidateAll();
    const went = rows.length - left.length;
    if (went > 0) say(`${went} ${went === 1 ? 'row is' : 'rows are'} on the sheet.`);
    if (left.length === 0) onleave();
    else
      error = `${left.length} not taken whole; put them right in their rows, or here and paste them again.`;
  }
</script>

<section class="mt-3 border-2 p-4" style="border-color: var(--ink)" aria-label="Paste rows">
  <label class="block text-sm" for="rows"
    >One fastener a line: name, torque, size, seal, thread, count, place. With a line of headings, in any
    order.</label
  >
  <textarea id="rows" class="cell mt-1 font-mono" rows="5" bind:value={text}></textarea>
  {#if rows.length > 0}
    <table class="sheet-table stacked mt-2" aria-label="As it is read">
      <thead
        ><tr
          ><th>Name</th><th>What it is</th><th>Torque</th><th>Size</th><th>Seal</th><th>Thread</th><th
            >Count</th
          ><th>Place</th></tr
        ></thead
      >
      <tbody
        >{#each rows as r, i (i)}<tr
            ><td
              >{r.name}{#if refused[r.name]}<span class="error block text-sm" role="alert"
                  >{refused[r.name]}</span
                >{/if}</td
            ><td data-label="What">{[r.role, r.circuit].filter(Boolean).join(', ')}</td><td
              class="figure"
              data-label="Torque">{r.torque}</td
            ><td data-label="Size">{r.head}</td><td data-label="Seal">{r.seal}</td><td data-label="Thread"
              >{r.thread}</td
            ><td data-label="Count">{r.quantity}</td><td data-label="Place">{r.place}</td></tr
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
