<!-- A passphrase: one that is chosen here, with what makes it good; or the one somebody has. -->
<script lang="ts">
  import { Input } from '../form/controls';
  import Field from '../form/Field.svelte';

  interface Props {
    label?: string;
    name?: string;
    error: string | undefined;
    chosen?: boolean;
  }
  let { label = 'Passphrase', name = 'passphrase', error, chosen = false }: Props = $props();
</script>

<Field {label} {error} hint={chosen ? 'ten characters or more; three or four words do well' : ''}
  >{#snippet children(a)}<Input
      {...a}
      {name}
      type="password"
      autocomplete={chosen ? 'new-password' : 'current-password'}
    />{/snippet}</Field
>
