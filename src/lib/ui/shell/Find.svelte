<!-- Find: places and machines by a few letters. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { Input } from '$lib/ui/form/controls';
  import { goto } from '$app/navigation';
  import { listedMachines, NOT_READ, type ListedMachine } from '../machine/listed';
  import { openFinding, openHours, shell } from '../base/page.svelte';

  interface Hit {
    text: string;
    note: string;
    go: () => unknown;
  }
  let words = $state('');
  let at = $state(0);
  let unread = $state(false);
  let machines = $state<ListedMachine[]>([]);

  const places: { text: string; note: string; href: string }[] = [
    { text: 'Trail', note: 'the whole fleet', href: '/' },
    { text: 'Due', note: 'what falls due over the whole fleet', href: '/due' },
    { text: 'Outings', note: 'what was ridden, what is planned', href: '/outings' },
    { text: 'Race day', note: 'hours for the whole fleet in one grid', href: '/outings/day' },
    { text: 'Board', note: 'who may ride, and why not', href: '/board' },
    { text: 'Findings', note: 'what is wrong over the whole fleet', href: '/findings' },
    { text: 'Bench', note: 'visits that stand open', href: '/bench' },
    { text: 'Components', note: 'engines, chains and the rest; the shelf', href: '/parts' },
    { text: 'House rules', note: 'where good mechanics differ', href: '/rules' },
    { text: 'Records', note: 'what was done, when and by whom', href: '/records' },
    { text: 'Stores', note: 'torque wrenches, adapters, blades, oils', href: '/stores' },
    { text: 'Shim drawer', note: 'by size, and what the next checks likely want', href: '/stores/shims' },
    { text: 'Valves', note: 'of all engines, beside one another', href: '/valves' },
    { text: 'Jobs', note: 'the work step by step, to change', href: '/jobs' },
    { text: 'Programs', note: 'keys, and what a program can read and write', href: '/programs' },
    { text: 'Stickers', note: 'codes for machines, components and shelves, on labels', href: '/stickers' },
    { text: 'Instruments', note: 'what speaks by itself, and stand-ins to try it', href: '/instruments' },
    {
      text: 'In and out',
      note: 'from a spreadsheet, every list as CSV, calendars',
      href: '/exchange'
    },
    { text: 'What is checked', note: 'the rounds, to change', href: '/rounds' },
    { text: 'New machine', note: 'add one to the fleet', href: '/machines/new' },
    { text: 'Team', note: 'people, who can come in, units', href: '/team' },
    { text: 'Who wrote what', note: 'every command, of a machine or a person', href: '/audit' }
  ];

  $effect(() => {
    const q = words;
    const timer = setTimeout(() => {
      void listedMachines(q).then((found) => {
        if (q !== words) return;
        machines = found ?? [];
        unread = found === null;
      });
    }, 80);
    return () => clearTimeout(timer);
  });

  onMount(() => document.getElementById('find-words')?.focus());

  const hits = $derived.by<Hit[]>(() => {
    const w = words.trim().toLowerCase();
    const to = (href: string) => () => goto(href);
    const list: Hit[] = places
      .filter((p) => !w || p.text.toLowerCase().includes(w) || p.note.includes(w))
      .map((p) => ({ text: p.text, note: p.note, go: to(p.href) }));
    for (const m of machines.slice(0, 8)) {
      list.push({
        text: `${m.plate}  ${m.name}`,
        note: m.ready ? m.maker : 'not ready',
        go: to(`/machines/${m.id}`)
      });
      if (w) list.push({ text: `${m.plate}  ${m.name}: log hours`, note: '', go: () => openHours(m.id) });
      if (w)
        list.push(
          { text: `${m.plate}  ${m.name}: spec sheet`, note: '', go: to(`/machines/${m.id}/sheet`) },
          { text: `${m.plate}  ${m.name}: chain sheet`, note: '', go: to(`/machines/${m.id}/chain`) },
          { text: `${m.plate}  ${m.name}: ready round`, note: '', go: to(`/machines/${m.id}/round`) },
          { text: `${m.plate}  ${m.name}: owner’s sheet`, note: '', go: to(`/machines/${m.id}/owner`) },
          { text: `${m.plate}  ${m.name}: write down a finding`, note: '', go: () => openFinding(m.id) }
        );
    }
    return w
      ? list.sort(
          (a, b) => Number(b.text.toLowerCase().startsWith(w)) - Number(a.text.toLowerCase().startsWith(w))
        )
      : list;
  });

  async function take(hit: Hit | undefined) {
    if (!hit) return;
    shell.panel = null;
    await hit.go();
  }
  function keys(e: KeyboardEvent) {
    if (e.key === 'ArrowDown') at = Math.min(hits.length - 1, at + 1);
    else if (e.key === 'ArrowUp') at = Math.max(0, at - 1);
    else if (e.key === 'Enter') void take(hits[at]);
    else return;
    e.preventDefault();
  }
</script>

<div role="search">
  <label class="mb-1 block text-sm" for="find-words">Find a machine or a place</label>
  <Input
    id="find-words"
    bind:value={words}
    oninput={() => (at = 0)}
    onkeydown={keys}
    autocomplete="off"
    role="combobox"
    aria-expanded="true"
    aria-controls="find-list"
    aria-activedescendant={hits[at] ? `find-${at}` : undefined}
  />
  <ul id="find-list" role="listbox" aria-label="Found" class="mt-2 max-h-80 overflow-auto">
    {#each hits as hit, i (i)}
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <li
        id="find-{i}"
        role="option"
        aria-selected={i === at}
        class="hit"
        class:chosen={i === at}
        onclick={() => take(hit)}
        onmousemove={() => (at = i)}
      >
        <span class="figure text-lg">{hit.text}</span> <span class="note text-sm">{hit.note}</span>
      </li>
    {:else}
      <li class="quiet py-1">
        {unread ? NOT_READ : 'Nothing found. Search for a number, a machine’s name or its maker.'}
      </li>
    {/each}
  </ul>
</div>

<style>
  .hit {
    padding: 0.25rem 0.5rem;
    cursor: pointer;
    border-bottom: 1px solid var(--rule);
  }
  .note {
    color: var(--ink-2);
  }
  .chosen {
    background: var(--ink);
    color: var(--paper);
  }
  .chosen .note {
    color: var(--paper);
  }
</style>
