<!-- What a remark speaks of: a symptom is reported by a press, damage is written down as a finding with the outing. -->
<script lang="ts">
  import type { Named } from '$lib/core/outing/remark';
  import type { NewFinding } from './new-finding';

  interface Props {
    /** What the remark speaks of. */
    named: Named;
    symptoms: string[];
    /** What is written down as a finding once the outing is taken. */
    findings: NewFinding[];
  }
  let { named, symptoms = $bindable(), findings = $bindable() }: Props = $props();
  const report = $derived(named.symptoms.filter((s) => !symptoms.includes(s)));
  const damage = $derived(named.damage.filter((d) => !findings.some((f) => f.what === d)));
</script>

{#if report.length > 0 || damage.length > 0 || findings.length > 0}
  <div class="flex flex-wrap items-center gap-2 py-1 text-sm" role="group" aria-label="From the remark">
    {#each report as s (s)}<button type="button" class="key" onclick={() => (symptoms = [...symptoms, s])}
        >Report: {s}</button
      >{/each}
    {#each damage as d (d)}<button
        type="button"
        class="key"
        onclick={() => (findings = [...findings, { id: crypto.randomUUID(), what: d }])}
        >Write a finding: {d}</button
      >{/each}
    {#each findings as f (f.id)}<span
        >Finding, fix now: <strong>{f.what}</strong>
        <button type="button" class="link" onclick={() => (findings = findings.filter((x) => x.id !== f.id))}
          >take back</button
        ></span
      >{/each}
  </div>
{/if}
