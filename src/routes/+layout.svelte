<script lang="ts">
  import '../app.css';
  import { onMount } from 'svelte';
  import { dev } from '$app/environment';
  import { afterNavigate, goto, invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import { HOME, isCrew } from '$lib/core/access/places';
  import { recallClock } from '$lib/ui/base/wire';
  import Waits from '$lib/ui/waits/Waits.svelte';
  import { belongsTo, keepAlong } from '$lib/ui/offline/along';
  import { outbox } from '$lib/ui/outbox/outbox.svelte';
  import { askAfterServer } from '$lib/ui/base/connection';
  import { openLine } from '$lib/ui/base/live';
  import Mark from '$lib/ui/shell/Mark.svelte';
  import { openFinding, openHours, shell } from '$lib/ui/base/page.svelte';

  let { data, children } = $props();

  let single = $state(true);
  let ready = $state(false);
  /** On a phone the places, who is working and the light lie behind one key. */
  let unfolded = $state(false);
  const PANELS = { hours: 'Log hours', finding: 'Finding', find: 'Find', keys: 'Shortcuts' };
  let main: HTMLElement | undefined = $state();
  /** In the demo somebody who has not said who they are sees what the crew sees. */
  const crew = $derived(data.team !== null && (data.you === null || isCrew(data.you.role)));
  const rider = $derived(data.you?.role === 'rider');
  const home = $derived(data.you ? HOME[data.you.role] : '/');

  const YEAR = 'path=/; max-age=31536000; samesite=lax';
  function remember(name: string, value: string) {
    document.cookie = `${name}=${value}; ${YEAR}`;
  }
  async function who(e: Event) {
    remember('ht_who', (e.currentTarget as HTMLSelectElement).value);
    await invalidateAll();
  }
  function theme(e: Event) {
    const value = (e.currentTarget as HTMLSelectElement).value;
    remember('ht_theme', value);
    document.documentElement.className = value;
  }

  /** A line that is lost for a moment is nobody's trouble, ms. */
  const TOLD_AFTER = 4000;
  let late: ReturnType<typeof setTimeout> | undefined;
  const teamId = $derived(data.team?.id);
  $effect(() => {
    if (!teamId) return;
    const end = openLine((open) => {
      clearTimeout(late);
      if (open) shell.away = false;
      else late = setTimeout(() => (shell.away = true), TOLD_AFTER);
    });
    return () => {
      clearTimeout(late);
      end();
    };
  });
  onMount(() => {
    single = localStorage.getItem('ht_single_keys') !== 'off';
    recallClock();
    if (!navigator.onLine) void askAfterServer();
    shell.instruments = localStorage.getItem('ht_instruments') === 'on';
    ready = true;
    // Opened from what is kept, the page itself says nothing of light and dark.
    if (data.theme) document.documentElement.className = data.theme;
    if ('serviceWorker' in navigator && !dev)
      void navigator.serviceWorker.register('/service-worker.js').catch(() => {});
    return outbox.watch();
  });
  $effect(() => {
    outbox.who = data.personId ?? '';
  });
  const whose = $derived(
    data.team === undefined ? null : `${data.team?.id ?? ''} ${data.personId ?? ''} ${data.you?.role ?? ''}`
  );
  $effect(() => {
    if (whose === null) return;
    const here = teamId;
    let end: (() => void) | undefined;
    let over = false;
    void belongsTo(whose).then(() => {
      if (here && !over) end = keepAlong();
    });
    return () => {
      over = true;
      end?.();
    };
  });
  $effect(() => {
    if (ready) localStorage.setItem('ht_single_keys', single ? 'on' : 'off');
  });
  afterNavigate(() => {
    unfolded = false;
    if (shell.panel === 'find' || shell.panel === 'keys') shell.panel = null;
  });

  const typing = (t: EventTarget | null) =>
    t instanceof HTMLElement && (t.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(t.tagName));
  /** The machine somebody is looking at, or working on: what is written down from here is about it. */
  const machineHere = (): string | null => {
    if (page.params.id && page.route.id?.startsWith('/machines/')) return page.params.id;
    const { visit, record, component } = page.data as Partial<
      Record<'visit' | 'record' | 'component', { machineId: string | null }>
    >;
    return (visit ?? record ?? component)?.machineId ?? null;
  };
  function keys(e: KeyboardEvent) {
    if (e.key === 'Escape' && shell.panel) {
      shell.panel = null;
      return;
    }
    if (crew && (e.ctrlKey || e.metaKey) && e.key === 'k') {
      e.preventDefault();
      shell.panel = 'find';
      return;
    }
    if (!single || !crew || e.ctrlKey || e.metaKey || e.altKey || typing(e.target)) return;
    const places: Record<string, string> = {
      t: '/',
      u: '/due',
      o: '/outings',
      d: '/outings/day',
      b: '/bench',
      c: '/parts',
      r: '/records',
      s: '/stores',
      w: '/jobs',
      h: '/rules',
      g: '/board',
      i: '/findings'
    };
    if (e.key === 'l') openHours(machineHere());
    else if (e.key === 'f') openFinding(machineHere());
    else if (e.key === '/') shell.panel = 'find';
    else if (e.key === '?') shell.panel = shell.panel === 'keys' ? null : 'keys';
    else if (places[e.key]) void goto(places[e.key]!);
    else return;
    e.preventDefault();
  }
  const here = (path: string) =>
    page.url.pathname === path || (path !== '/' && page.url.pathname.startsWith(path)) ? 'page' : undefined;
</script>

<svelte:window
  onkeydown={keys}
  ononline={() => void askAfterServer()}
  onoffline={() => void askAfterServer()}
/>

<a class="sr-only focus:not-sr-only" href="#main">To the page</a>
<header
  class="no-print frame flex flex-wrap items-center gap-x-3 gap-y-2 py-2"
  class:folded={!unfolded}
  data-ready={ready}
>
  <a href={home} class="flex items-center gap-2 no-underline" aria-label="Hour Trail, to the trail"
    ><Mark /><span class="figure text-2xl leading-none font-bold">Hour Trail</span></a
  >
  {#if data.team}
    <nav aria-label="Places" class="places figure flex flex-wrap gap-x-3 text-lg">
      {#if crew}
        <a href="/" aria-current={here('/')}>Trail</a>
        <a href="/due" aria-current={here('/due')}>Due</a>
        <a href="/outings" aria-current={here('/outings')}>Outings</a>
        <a href="/board" aria-current={here('/board')}>Board</a>
        <a href="/bench" aria-current={here('/bench')}>Bench</a>
        <a href="/parts" aria-current={here('/parts')}>Components</a>
        <a href="/stores" aria-current={here('/stores')}>Stores</a>
        <a href="/rules" aria-current={here('/rules')}>House rules</a>
      {:else if data.you?.role !== 'screen'}
        <a href="/own" aria-current={here('/own')}>Your machines</a>
        {#if rider}<a href="/board" aria-current={here('/board')}>Board</a>{/if}
      {/if}
    </nav>
    {#if crew || rider}<button
        type="button"
        class="act strong ml-auto text-sm"
        onclick={() => openHours(machineHere())}>Log hours <kbd>L</kbd></button
      >{:else}<span class="ml-auto"></span>{/if}
    <button
      type="button"
      class="act menu text-sm"
      aria-expanded={unfolded}
      aria-controls="tools"
      onclick={() => (unfolded = !unfolded)}>Places</button
    >
    <div id="tools" class="tools flex flex-wrap items-center gap-x-2 gap-y-2 text-sm">
      {#if crew || rider}<button type="button" class="act" onclick={() => openFinding(machineHere())}
          >Finding <kbd>F</kbd></button
        >{/if}
      {#if crew}<button type="button" class="act" onclick={() => (shell.panel = 'find')}
          >Find <kbd>/</kbd></button
        >{/if}
      {#if data.signedIn && data.you}<a
          class="link team"
          href={data.shared
            ? `/sign-in?to=${encodeURIComponent(page.url.pathname + page.url.search)}`
            : '/you'}
          title={data.shared ? 'Somebody else works here now' : 'Your way in'}
          ><span class="sr-only">Working: </span>{data.you.name}</a
        >{:else}<label class="flex items-center gap-1.5">
          <span class="sr-only">Working</span>
          <select class="pick" class:wanting={!data.personId} onchange={who} value={data.personId ?? ''}>
            {#if !data.personId}<option value="">say who</option>{/if}
            {#each data.people as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
          </select>
        </label>{/if}
      <label class="flex items-center gap-1.5">
        <span class="sr-only">Theme</span>
        <select class="pick" onchange={theme} value={data.theme}>
          <option value="auto">device</option>
          <option value="light">light</option>
          <option value="dark">dark</option>
        </select>
      </label>
      {#if crew}<a
          class="link team"
          href="/team"
          title="{data.team.name}{data.signedIn ? '' : ', the demo: no sign-in, on this machine only'}"
          >{data.signedIn ? '' : 'Demo: '}{data.team.name}</a
        >{/if}
      {#if crew}<button
          type="button"
          class="act"
          aria-label="Shortcuts"
          onclick={() => (shell.panel = shell.panel === 'keys' ? null : 'keys')}>?</button
        >{/if}
    </div>
  {/if}
</header>

<Waits />

{#if shell.panel && data.team}
  <section class="no-print panel" aria-label={PANELS[shell.panel]}>
    <div class="frame py-4">
      {#if shell.panel === 'hours'}
        {#await import('$lib/ui/hours/LogHours.svelte') then { default: LogHours }}{#key shell.machineId}<LogHours
              people={data.people}
              today={data.today}
              {crew}
            />{/key}{/await}
      {:else if shell.panel === 'finding'}
        {#await import('$lib/ui/finding/QuickFinding.svelte') then { default: QuickFinding }}{#key shell.machineId}<QuickFinding
            />{/key}{/await}
      {:else if shell.panel === 'find'}
        {#await import('$lib/ui/shell/Find.svelte') then { default: Find }}<Find />{/await}
      {:else}
        {#await import('$lib/ui/shell/Keys.svelte') then { default: Keys }}<Keys bind:single />{/await}
      {/if}
    </div>
  </section>
{/if}

{#if shell.instruments && crew && data.team && page.route.id !== '/instruments'}
  {#await import('$lib/ui/instrument/Heard.svelte') then { default: Heard }}{#key data.team.id}<Heard
      />{/key}{/await}
{/if}

{#if shell.said}
  <div class="no-print said" role="status">
    <div class="frame flex flex-wrap items-baseline gap-x-4 py-2">
      <span class="font-bold">{shell.said.text}</span>
      {#each crew ? shell.said.links : [] as l, k (k)}<a class="link" href={l.href}>{l.text}</a>{/each}
      <button type="button" class="link ml-auto" onclick={() => (shell.said = null)}>Seen</button>
    </div>
  </div>
{/if}

<main id="main" class="frame pt-4 pb-10" bind:this={main} tabindex="-1">{@render children()}</main>

<footer class="frame rule-t quiet py-3 text-sm">
  The machine’s own manual, local rules and a licensed workshop have the last word. Hour Trail invents no
  figure: what is not on the sheet is unknown.
</footer>

<style>
  .frame {
    max-width: 84rem;
    margin-inline: auto;
    padding-inline: 1rem;
  }
  header {
    border-bottom: 3px solid var(--ink);
  }
  .places a {
    text-decoration: none;
    padding-block: 0.25rem;
  }
  .places a[aria-current] {
    box-shadow: inset 0 -4px var(--signal);
  }
  .act {
    border: 1px solid var(--rule-strong);
    padding: 0.3rem 0.7rem;
  }
  .act:hover {
    border-color: var(--ink);
  }
  .strong {
    background: var(--signal);
    border-color: var(--signal);
    color: var(--on-signal);
    font-weight: 700;
  }
  .team {
    max-width: 9rem;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .pick {
    max-width: 7.5rem;
    background: transparent;
    border: 0;
    border-bottom: 1px solid var(--rule-strong);
    padding: 0.25rem 1.6rem 0.25rem 0.25rem;
    font-size: inherit;
  }
  .pick option {
    background: var(--sheet);
    color: var(--ink);
  }
  .wanting {
    border-bottom: 3px solid var(--signal);
  }
  kbd {
    font-family: var(--font-plate);
    border: 1px solid currentColor;
    padding-inline: 0.35em;
    margin-left: 0.25em;
  }
  /* A laptop has everything in one line; the keys stand in the list of shortcuts. */
  @media (max-width: 1400px) {
    .tools kbd {
      display: none;
    }
    .team {
      max-width: 6.5rem;
    }
  }
  .panel {
    background: var(--sheet);
    border-bottom: 3px solid var(--ink);
  }
  .said {
    background: var(--ink);
    color: var(--paper);
  }
  .menu {
    display: none;
  }
  @media (max-width: 900px) {
    header {
      padding-block: 0.25rem;
    }
    .act {
      min-height: 2.5rem;
    }
    .menu {
      display: block;
    }
    .places,
    .tools {
      order: 1;
      width: 100%;
    }
    .places a {
      padding-block: 0.6rem;
    }
    kbd {
      display: none;
    }
  }
  /* Folded as the page comes, or all of it would move up when it answers; without scripts nothing unfolds it. */
  @media (max-width: 900px) and (scripting: enabled) {
    .folded .places,
    .folded .tools {
      display: none;
    }
  }
  main:focus {
    outline: none;
  }
</style>
