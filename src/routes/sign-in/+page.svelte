<script lang="ts">
  import ByName from '$lib/ui/access/ByName.svelte';
  import ByPin from '$lib/ui/access/ByPin.svelte';
  import FirstIn from '$lib/ui/access/FirstIn.svelte';

  let { data, form } = $props();
  /** What is said of one of the forms here. */
  const errorsOf = (of: string): Record<string, string> => (form?.of === of ? form.errors : {});
  const typedIn = (of: string): Record<string, string> => (form?.of === of ? form.typed : {});
  const query = $derived(data.to ? `&to=${encodeURIComponent(data.to)}` : '');
  const byName = $derived(data.pinned.length === 0 || data.byName);
</script>

<svelte:head><title>Sign in · Hour Trail</title></svelte:head>
<div class="mx-auto max-w-md">
  <h1>Who is working?</h1>
  {#if data.pinned.length > 0}
    <ByPin people={data.pinned} who={data.who} {query} errors={errorsOf('pin')} />
    {#if !byName}<p class="mt-4">
        <a class="link" href="?by=name{query}" data-sveltekit-replacestate>Somebody else, by passphrase</a>
      </p>{/if}
  {/if}
  {#if byName}<ByName
      trusted={data.trusted}
      query={data.byName ? `&by=name${query}` : query}
      typed={typedIn('passphrase')}
      errors={errorsOf('passphrase')}
      askTeam={form?.more.askTeam === true}
    />{/if}
  {#if data.unclaimed.length > 0}<FirstIn
      teams={data.unclaimed}
      team={data.broughtIn}
      typed={typedIn('claim')}
      errors={errorsOf('claim')}
    />{/if}
  {#if data.signedIn}<p class="rule-t mt-8 pt-4">
      <a class="link" href="/you">{data.you?.name}: your own way in</a>
    </p>{/if}
  {#if data.local}
    <div class="rule-t mt-8 flex flex-wrap items-baseline gap-x-5 pt-4">
      {#if data.demo}<span
          ><form method="POST" action="?/demo" class="inline">
            <button type="submit" class="link">Look round with the demo</button>
          </form>
          <span class="quiet text-sm">no sign-in, on this machine only</span></span
        >{/if}
      <a class="link" href="/welcome">Set up a team</a>
    </div>
  {/if}
</div>
