<!-- How grave a finding is: word and board, as a state of the same weight has it. -->
<script lang="ts">
  import type { Severity } from '$lib/core/finding/finding';
  import type { State } from '$lib/core/schedule/state';
  import StateMark from '../trail/StateMark.svelte';

  let { severity }: { severity: Severity } = $props();
  const WEIGHS: Record<Severity, State> = {
    'park the machine': 'past limit',
    'fix now': 'past due',
    'tell the owner': 'coming',
    watch: 'coming'
  };
</script>

<StateMark state={WEIGHS[severity]} word label={severity} />
