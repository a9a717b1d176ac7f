<script lang="ts">
  import { onMount } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { Button, Input } from '$lib/ui/form/controls';
  import { TOKEN_MARK } from '$lib/core/token/form';
  import { dayOf, showDay } from '$lib/core/time/day';
  import { newKey } from '$lib/ui/access/key';
  import Field from '$lib/ui/form/Field.svelte';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { send } from '$lib/ui/form/send';

  let { data } = $props();
  let name = $state('');
  let errors = $state<Record<string, string>>({});
  let busy = $state(false);
  /** Shown once, on the device that made it. */
  let made = $state<{ name: string; key: string } | null>(null);
  let browsing = $state(false);
  let dark = $state(false);
  onMount(() => {
    dark =
      data.theme === 'dark' || (data.theme === 'auto' && matchMedia('(prefers-color-scheme: dark)').matches);
  });

  async function make(e: SubmitEvent) {
    e.preventDefault();
    if (busy) return;
    busy = true;
    const { key, hash } = await newKey(TOKEN_MARK);
    const sent = await send('token.keep', { id: crypto.randomUUID(), name, hash });
    busy = false;
    errors = sent.ok ? {} : sent.errors;
    if (!sent.ok) return;
    made = { name, key };
    name = '';
    await invalidateAll();
  }
  async function withdraw(tokenId: string) {
    const sent = await send('token.withdraw', { tokenId });
    errors = sent.ok ? {} : sent.errors;
    await invalidateAll();
  }
  async function browse() {
    await import('rapidoc');
    browsing = true;
  }
</script>

<svelte:head><title>Programs · Hour Trail</title></svelte:head>
<h1>Programs</h1>
<p class="quiet mt-1 max-w-2xl">
  Whatever a screen writes, a program can write too: by the same commands, checked by the same rules, in the
  same audit trail. It needs a key, which is of a person and may do what that person may.
</p>

<h2 class="mt-6">Keys</h2>
{#if data.tokens.length === 0}<p class="mt-2">None yet.</p>
{:else}
  <table class="sheet-table stacked mt-2 max-w-3xl">
    <thead><tr><th>For</th><th>Of</th><th>Made</th><th><span class="sr-only">Do</span></th></tr></thead>
    <tbody>
      {#each data.tokens as t (t.id)}<tr>
          <td class="font-bold">{t.name}</td>
          <td>{t.person}</td>
          <td>{showDay(dayOf(t.createdAt, data.team!.timeZone), data.today)}</td>
          <td
            ><button type="button" class="link" aria-label="Withdraw {t.name}" onclick={() => withdraw(t.id)}
              >Withdraw</button
            ></td
          >
        </tr>{/each}
    </tbody>
  </table>
{/if}
<form
  class="mt-4 grid max-w-xl items-start gap-3 sm:grid-cols-[1fr_auto]"
  novalidate
  onsubmit={make}
  aria-label="A key"
>
  <Field label="What it is for" error={errors['name']}
    >{#snippet children(a)}<Input
        {...a}
        bind:value={name}
        placeholder="the scale in the tent"
      />{/snippet}</Field
  >
  <Button type="submit" color="primary" class="sm:mt-6" disabled={busy}>Make a key of mine</Button>
</form>
<FormError message={errors[''] ?? errors['hash']} />
{#if made}
  <div class="mt-3 max-w-3xl" role="status">
    <p>The key of <b>{made.name}</b>. It is shown this once, and stands nowhere in the book:</p>
    <code class="mt-1 block overflow-x-auto py-2 text-sm select-all" data-testid="key">{made.key}</code>
  </div>
{/if}

<h2 class="mt-8">What it can do</h2>
<p class="quiet mt-1 max-w-2xl">
  <a class="link" href="/api/v1/openapi.json">openapi.json</a>, OpenAPI 3.1, made from what checks it: a
  client in most languages can be made from it. Send <code>Authorization: Bearer ht_…</code>.
</p>
{#if browsing}
  <div class="mt-3" data-testid="browse">
    <rapi-doc
      spec-url="/api/v1/openapi.json"
      render-style="view"
      theme={dark ? 'dark' : 'light'}
      bg-color={dark ? '#1d1a15' : '#fbf8f0'}
      text-color={dark ? '#f0e9da' : '#1f1b16'}
      primary-color={dark ? '#ff6fa3' : '#b0104f'}
      regular-font="Atkinson Hyperlegible, sans-serif"
      load-fonts="false"
      show-header="false"
      show-info="false"
      allow-server-selection="false"
      allow-try="false"
      allow-authentication="false"
      schema-style="table"
      default-schema-tab="schema"
    ></rapi-doc>
  </div>
{:else}<button type="button" class="key mt-3" onclick={browse}>Look through it here</button>{/if}
