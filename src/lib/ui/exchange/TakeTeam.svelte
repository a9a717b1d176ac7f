<script lang="ts">
  import FileInput from '@lucide/svelte/icons/package-open';
  import { Button, Input } from '../form/controls';
  import Field from '../form/Field.svelte';
  import FormError from '../form/FormError.svelte';

  interface TakenIn {
    teamId: string;
    name: string;
    machines: number;
    isNew: boolean;
  }
  const NO_SERVER = 'No answer from the server. Choose the file again; sent twice it is one team.';

  let file = $state<File | null>(null);
  let busy = $state(false);
  let taken = $state<TakenIn | null>(null);
  let errors = $state<Record<string, string>>({});
  let name = $state('');
  /** Of the copy: the same for as long as it is the same file, so that sent twice it is one. */
  let copy = crypto.randomUUID();

  async function send(as: 'itself' | 'copy') {
    if (!file || busy) return;
    busy = true;
    errors = {};
    const query = as === 'copy' ? `?${new URLSearchParams({ copy, name })}` : '';
    try {
      const response = await fetch(`/api/team${query}`, {
        method: 'POST',
        headers: { 'content-type': 'application/zip' },
        body: file
      });
      const answer = await response.json().catch(() => null);
      if (answer?.ok) taken = answer.data as TakenIn;
      else errors = answer?.errors ?? { file: answer?.message ?? NO_SERVER };
    } catch {
      errors = { file: NO_SERVER };
    }
    busy = false;
    if (taken?.isNew === false && name === '') name = `${taken.name.slice(0, 70)}, copy`;
  }
  function pick(f: File | undefined) {
    if (!f) return;
    file = f;
    taken = null;
    name = '';
    copy = crypto.randomUUID();
    void send('itself');
  }
  const machines = (n: number) => (n === 1 ? 'one machine' : `${n} machines`);
</script>

<div class="max-w-xl" data-testid="take-team">
  <label
    class="link inline-flex min-h-11 cursor-pointer items-center gap-1.5 outline-offset-2 has-[:focus-visible]:outline-2"
  >
    <FileInput size={18} aria-hidden="true" /> Take a team’s file in
    <input
      type="file"
      class="sr-only"
      accept=".zip,application/zip"
      disabled={busy}
      onchange={(e) => {
        pick(e.currentTarget.files?.[0]);
        e.currentTarget.value = '';
      }}
    />
  </label>
  <div role="status">
    {#if busy}<p class="quiet">Taking in {file?.name} …</p>
    {:else if taken?.isNew}
      <p><b>{taken.name}</b> is a team on this server now, with {machines(taken.machines)}.</p>
      <Button class="mt-2" color="primary" href="/sign-in?team={taken.teamId}">Come into {taken.name}</Button>
    {:else if taken}
      <p>
        This team is on this server already, as <b>{taken.name}</b> with {machines(taken.machines)}; it was
        left as it is.
      </p>
    {/if}
  </div>
  {#if taken && !taken.isNew && !busy}
    <form
      class="mt-2 grid items-start gap-3 sm:grid-cols-[1fr_auto]"
      novalidate
      aria-label="A copy beside it"
      onsubmit={(e) => {
        e.preventDefault();
        void send('copy');
      }}
    >
      <Field label="Beside it, as a copy called" error={errors.name}
        >{#snippet children(a)}<Input {...a} name="name" bind:value={name} />{/snippet}</Field
      >
      <Button type="submit" class="sm:mt-6">Take in as a copy</Button>
    </form>
  {/if}
  <FormError message={errors.file ?? errors['']} />
</div>
