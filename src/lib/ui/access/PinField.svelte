<!-- A PIN, typed with a thumb: digits, large, and never shown. -->
<script lang="ts">
  import { Input } from '../form/controls';
  import Field from '../form/Field.svelte';

  interface Props {
    label: string;
    name?: string;
    error: string | undefined;
    /** Chosen here, not asked for. */
    chosen?: boolean;
  }
  let { label, name = 'pin', error, chosen = false }: Props = $props();
  let pin = $state('');
  // Nobody sees which digit was wrong: it is typed anew.
  $effect(() => {
    if (error && !chosen) pin = '';
  });
</script>

<Field {label} {error} hint={chosen ? 'four to eight digits; asked for when you come back' : ''}
  >{#snippet children(a)}<Input
      {...a}
      {name}
      bind:value={pin}
      type="password"
      inputmode="numeric"
      autocomplete="off"
      maxlength={8}
      class="figure w-44 text-2xl"
    />{/snippet}</Field
>
