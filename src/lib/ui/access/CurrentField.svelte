<!-- Who one is, asked once more where a secret is changed: by the passphrase, or by the PIN of whoever has none. -->
<script lang="ts">
  import PassphraseField from './PassphraseField.svelte';
  import PinField from './PinField.svelte';

  interface Props {
    /** Whether there is a passphrase. */
    words: boolean;
    label?: string;
    error: string | undefined;
  }
  let { words, label = 'Your passphrase', error }: Props = $props();
</script>

{#if words}<PassphraseField {label} name="current" {error} />
{:else}<PinField label="The PIN you have here" name="current" {error} />{/if}
