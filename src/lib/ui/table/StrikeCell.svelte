<!-- The cell that opens the row in which something is struck out, and shuts it again. -->
<script lang="ts">
  import type { CommandForm } from '../form/command-form';

  interface Props {
    /** Of what stands in this row. */
    id: string;
    /** Of what is being struck out; null: nothing. */
    striking: string | null;
    form: Pick<CommandForm, 'reset'>;
  }
  let { id, striking = $bindable(), form }: Props = $props();
  function turn() {
    form.reset();
    striking = striking === id ? null : id;
  }
</script>

<td class="no-print"
  ><button type="button" class="link text-sm" aria-expanded={striking === id} onclick={turn}
    >Strike out</button
  ></td
>
