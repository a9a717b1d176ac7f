<!-- Closing a visit: refused, with the list, while anything is open or wanting. -->
<script lang="ts">
  import { Button, Input } from '$lib/ui/form/controls';

  interface Props {
    ready: boolean;
    refused: { key: string; message: string }[] | null;
    error: string;
    busy: boolean;
    onclose: () => void;
    onpick: (key: string) => void;
    /** Null while something stands open. */
    ongiveup: ((reason: string) => Promise<string | null>) | null;
  }
  let { ready, refused, error, busy, onclose, onpick, ongiveup }: Props = $props();
  let giving = $state(false);
  let reason = $state('');
  let giveError = $state<string | null>(null);
</script>

<section class="mt-4" aria-label="Close the visit">
  <Button
    color={ready ? 'primary' : 'alternative'}
    size="lg"
    class="w-full !border-[var(--rule-strong)]"
    onclick={onclose}
    disabled={busy}>Close the visit</Button
  >
  {#if error && !refused}<p class="error mt-2" role="alert">{error}</p>{/if}
  {#if refused}
    <div class="caution mt-2" role="alert">
      <p class="font-bold">Not closed. First:</p>
      <ul>
        {#each refused as p, k (k)}<li>
            <button type="button" class="link py-1 text-left" onclick={() => onpick(p.key)}
              >{p.message}</button
            >
          </li>{/each}
      </ul>
    </div>
  {/if}
  {#if ongiveup}
    {#if giving}
      <form
        class="mt-3"
        onsubmit={async (e) => {
          e.preventDefault();
          giveError = await ongiveup(reason);
        }}
      >
        <label class="text-sm" for="give-up">Why is it given up?</label>
        <Input id="give-up" bind:value={reason} />
        {#if giveError}<p class="error text-sm" role="alert">{giveError}</p>{/if}
        <div class="mt-2 flex gap-2">
          <Button type="submit" size="sm" color="alternative">Give it up</Button><Button
            type="button"
            size="sm"
            color="alternative"
            onclick={() => (giving = false)}>Leave</Button
          >
        </div>
      </form>
    {:else}
      <button type="button" class="link quiet mt-3 text-sm" onclick={() => (giving = true)}
        >Give the visit up, the work not done</button
      >
    {/if}
  {/if}
</section>
