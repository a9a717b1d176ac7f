<!-- One step of a job, open to be changed. -->
<script lang="ts">
  import { FASTENER_ROLES, FIGURE_KINDS, figureKind, type FigureKey } from '$lib/core/specs/sheet';
  import { STAGES as SLACK_STAGES } from '$lib/core/chain/check';
  import { VALVE_STAGES } from '$lib/core/valve/stages';
  import { UNIT_NAMES } from '$lib/core/quantity/units';
  import { ENGINES, KIND_WORDS, OPENS, STEP_KINDS, WHENS, type TemplateStep } from '$lib/core/job/template';

  let {
    step = $bindable(),
    steps,
    circuits
  }: {
    step: TemplateStep;
    /** All steps of the job: others are picked by what they are called. */
    steps: readonly Pick<TemplateStep, 'key' | 'title'>[];
    circuits: string[];
  } = $props();
  const id = $props.id();
  const others = $derived(steps.filter((s) => s.key !== step.key));
  const named = (s: { key: string; title: string }) => s.title || 'not named yet';
  const turn = <T,>(list: T[], v: T) => (list.includes(v) ? list.filter((x) => x !== v) : [...list, v]);
  const number = (e: Event) => Number((e.currentTarget as HTMLInputElement).value.replace(',', '.'));
  const band = (e: Event) => {
    const text = (e.currentTarget as HTMLInputElement).value.trim().replace(',', '.');
    return text === '' ? null : Number(text);
  };
  /** It is something else now: what only the other kind had is dropped. */
  function turned() {
    step.measure =
      step.kind === 'measure' ? (step.measure ?? { unit: 'mm', from: null, to: null, figure: null }) : null;
    step.stage = step.kind === 'clearances' || step.kind === 'slack' ? 'found' : null;
  }
  /** Figures of a sheet that something can be measured by. */
  const MEASURED = FIGURE_KINDS.filter((k) => k.dimension !== null);
  function goesBy(figure: FigureKey | '') {
    step.measure =
      figure === ''
        ? { ...step.measure!, figure: null }
        : { unit: figureKind(figure).unit ?? step.measure!.unit, from: null, to: null, figure };
  }
</script>

<div class="editor">
  <label>Title <input class="in" bind:value={step.title} maxlength="90" /></label>
  <label
    >What it is
    <select class="in" bind:value={step.kind} onchange={turned}
      >{#each STEP_KINDS as k (k)}<option value={k}>{KIND_WORDS[k]}</option>{/each}</select
    ></label
  >
  <label
    >On which points
    <select class="in" bind:value={step.each}
      ><option value={null}>only once</option>{#each FASTENER_ROLES as r (r)}<option value={r}
          >{r}{circuits.length > 0 ? ' of the circuit' : ''}</option
        >{/each}</select
    ></label
  >
  <label
    >Minutes, hands on it <input
      class="in"
      inputmode="decimal"
      value={step.minutes}
      oninput={(e) => (step.minutes = number(e))}
    /></label
  >
  <label class="wide"
    >What to do, one line each; {'{place}'}, {'{note}'}, {'{seal}'} take the machine’s own
    <textarea
      class="in"
      rows="3"
      value={step.lines.join('\n')}
      oninput={(e) =>
        (step.lines = e.currentTarget.value
          .split('\n')
          .map((l) => l.trim())
          .filter(Boolean))}></textarea></label
  >
  {#if step.kind === 'clearances'}
    <label
      >Which numbers of the valves
      <select class="in" bind:value={step.stage}
        >{#each VALVE_STAGES as v (v)}<option value={v}
            >{v === 'found' ? 'as found' : v === 'fitted' ? 'shims fitted' : 'as left'}</option
          >{/each}</select
      ></label
    >
  {/if}
  {#if step.kind === 'slack'}
    <label
      >Which of the slack’s numbers
      <select class="in" bind:value={step.stage}
        >{#each SLACK_STAGES as v (v)}<option value={v}
            >{v === 'found' ? 'as found' : v === 'adjusted' ? 'adjusted' : 'axle tight'}</option
          >{/each}</select
      ></label
    >
  {/if}
  {#if step.each === null && (step.kind === 'open' || step.kind === 'close')}
    <label class="wide"
      >Things {step.kind === 'open' ? 'counted out' : 'counted in again'}, one a line; {'{valve}'} makes it one
      a valve
      <textarea
        class="in"
        rows="2"
        value={step.things.join('\n')}
        oninput={(e) =>
          (step.things = e.currentTarget.value
            .split('\n')
            .map((l) => l.trim())
            .filter(Boolean))}></textarea></label
    >
  {/if}
  {#if step.measure}
    <label
      >Its band
      <select
        class="in"
        value={step.measure.figure ?? ''}
        onchange={(e) => goesBy(e.currentTarget.value as FigureKey | '')}
        ><option value="">as typed here</option>{#each MEASURED as k (k.key)}<option value={k.key}
            >the sheet’s: {k.label}</option
          >{/each}</select
      ></label
    >
  {/if}
  {#if step.measure && step.measure.figure === null}
    <label
      >Unit <select class="in" bind:value={step.measure.unit}
        >{#each UNIT_NAMES as u (u)}<option>{u}</option>{/each}</select
      ></label
    >
    <label
      >Band from <input
        class="in"
        inputmode="decimal"
        value={step.measure.from ?? ''}
        oninput={(e) => (step.measure = { ...step.measure!, from: band(e) })}
      /></label
    >
    <label
      >to <input
        class="in"
        inputmode="decimal"
        value={step.measure.to ?? ''}
        oninput={(e) => (step.measure = { ...step.measure!, to: band(e) })}
      /></label
    >
  {/if}
  <fieldset class="wide">
    <legend>Comes after, with its wait over</legend>
    {#each others as o (o.key)}<label class="tick"
        ><input
          type="checkbox"
          checked={step.needs.includes(o.key)}
          onchange={() => (step.needs = turn(step.needs, o.key))}
        />
        {named(o)}</label
      >{/each}
  </fieldset>
  <details class="wide">
    <summary class="link py-2">Waits, dangers, what it hangs on</summary>
    <div class="editor">
      <label
        >Minutes by itself afterwards <input
          class="in"
          inputmode="decimal"
          value={step.wait}
          oninput={(e) => (step.wait = number(e))}
        /></label
      >
      <label
        >What happens in them <input
          class="in"
          bind:value={step.waitFor}
          placeholder="the oil drains"
          maxlength="60"
        /></label
      >
      <label
        >The engine <select class="in" bind:value={step.engine}
          >{#each ENGINES as e (e)}<option value={e}>{e === 'any' ? 'cold or warm' : `must be ${e}`}</option
            >{/each}</select
        ></label
      >
      <label class="wide"
        >The danger at it, one line <input class="in" bind:value={step.caution} maxlength="300" /></label
      >
      <fieldset class="wide">
        <legend>Comes after, while its wait may still run</legend>
        {#each others as o (o.key)}<label class="tick"
            ><input
              type="checkbox"
              checked={step.during.includes(o.key)}
              onchange={() => (step.during = turn(step.during, o.key))}
            />
            {named(o)}</label
          >{/each}
      </fieldset>
      <label
        >Only if step
        <select
          class="in"
          value={step.gate?.step ?? ''}
          onchange={(e) =>
            (step.gate = e.currentTarget.value
              ? { step: e.currentTarget.value, is: step.gate?.is ?? 'yes' }
              : null)}
          ><option value="">it is always called for</option>{#each others as o (o.key)}<option value={o.key}
              >{named(o)}</option
            >{/each}</select
        ></label
      >
      {#if step.gate}<label
          >says <select
            class="in"
            value={step.gate.is}
            onchange={(e) =>
              (step.gate = { ...step.gate!, is: e.currentTarget.value as (typeof OPENS)[number] })}
            >{#each OPENS as o (o)}<option value={o}>{o}</option>{/each}</select
          ></label
        >{/if}
      <fieldset class="wide">
        <legend>Laid out only when</legend>
        {#each WHENS as w (w)}<label class="tick"
            ><input
              type="checkbox"
              checked={step.when.includes(w)}
              onchange={() => (step.when = turn(step.when, w))}
            />
            {w}</label
          >{/each}
      </fieldset>
      <div class="wide flex flex-wrap gap-x-6">
        <label class="tick"
          ><input type="checkbox" bind:checked={step.shared} /> one for the whole visit</label
        >
        <label class="tick"
          ><input type="checkbox" bind:checked={step.mayLeaveOut} /> may be left out with a reason</label
        >
        <label class="tick"><input type="checkbox" bind:checked={step.spills} /> spills oil</label>
        <label class="tick"
          ><input type="checkbox" bind:checked={step.orientation} /> easy to get the wrong way round</label
        >
        {#if step.each}<label class="tick"
            ><input type="checkbox" bind:checked={step.partOnly} /> about the loose part only</label
          >{/if}
      </div>
      {#if step.each}
        <label
          >Loose part behind it <input
            class="in"
            bind:value={step.part}
            placeholder="Screen behind {'{name}'}"
            maxlength="60"
          /></label
        >
        <label
          >Called, where the sheet names none <input
            class="in"
            id="{id}-or"
            bind:value={step.orNamed}
            maxlength="60"
          /></label
        >
      {/if}
    </div>
  </details>
</div>
