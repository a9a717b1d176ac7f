<!-- The row beneath one that does not count: why, in a word, and it is struck out. -->
<script lang="ts">
  import type { CommandForm } from '../form/command-form';
  import OneWord from '../form/OneWord.svelte';

  interface Props {
    /** Columns of the table. */
    colspan: number;
    label: string;
    form: CommandForm<{ reason: string }>;
    onleave: () => void;
  }
  let { colspan, label, form, onleave }: Props = $props();
</script>

<tr class="no-print"
  ><td {colspan}
    ><OneWord
      {label}
      {form}
      field="reason"
      ask="Why it does not count"
      submit="Strike it out"
      {onleave}
    /></td
  ></tr
>
