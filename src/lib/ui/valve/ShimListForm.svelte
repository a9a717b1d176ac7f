<!-- A list of shims from a file or pasted: what lies there, size by size. All of it, or what is wrong with which line. -->
<script lang="ts">
  import Papa from 'papaparse';
  import { invalidateAll } from '$app/navigation';
  import { COLUMNS, readList } from '$lib/core/valve/drawer-list';
  import { Button, Textarea } from '../form/controls';
  import Field from '../form/Field.svelte';
  import { idsFor } from '../form/send';
  import { Press } from '../form/press.svelte';
  import { say } from '../base/page.svelte';

  let { onleave }: { onleave: () => void } = $props();
  let text = $state('');
  let problems = $state<{ line: number; message: string }[]>([]);
  const press = new Press();
  async function file(e: Event) {
    const picked = (e.currentTarget as HTMLInputElement).files?.[0];
    if (picked) text = await picked.text();
  }
  async function take(e: SubmitEvent) {
    e.preventDefault();
    const list = readList(Papa.parse<string[]>(text.trim(), { skipEmptyLines: false }).data);
    problems = list.ok ? [] : list.problems;
    if (!list.ok) return;
    const [id] = idsFor(['shims', list.body], 1);
    const sent = await press.send('shims.paste', { id: id!, rows: list.body as never });
    if (!sent) {
      problems = Object.entries(press.errors).map(([field, message]) => ({
        line: Number(/rows\.(\d+)/.exec(field)?.[1] ?? -1) + 1,
        message
      }));
      return;
    }
    await invalidateAll();
    say(`${list.body.length} sizes counted.`);
    onleave();
  }
</script>

<form
  class="no-print my-3 border-2 p-4"
  style="border-color: var(--ink)"
  aria-label="A list of shims"
  onsubmit={take}
  novalidate
>
  <Field label="Pasted, or from a file" hint="{COLUMNS.join(', ')}: what lies there of each size"
    >{#snippet children(a)}<Textarea
        {...a}
        class="w-full font-mono"
        rows={5}
        bind:value={text}
      />{/snippet}</Field
  >
  <input class="mt-2 block" type="file" accept=".csv,text/csv,text/plain" aria-label="File" onchange={file} />
  {#each problems as p (p.line + p.message)}<p class="error mt-1 text-sm" role="alert">
      {p.line > 0 ? `Line ${p.line}: ` : ''}{p.message}
    </p>{/each}
  <div class="mt-3 flex gap-2">
    <Button type="submit" color="primary" disabled={press.busy}>This is what lies there</Button>
    <Button type="button" color="alternative" onclick={onleave}>Leave</Button>
  </div>
</form>
