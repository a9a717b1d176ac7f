<!-- One check of a round, open to be changed. -->
<script lang="ts">
  import { SEVERITIES, type Severity } from '$lib/core/finding/finding';
  import { KINDS } from '$lib/core/machine/machine';
  import { LIST_WORDS, STATIONS, type Choice } from '$lib/core/round/check';
  import { done, HOW_WORDS, HOWS, onKind, onList, readAlong, type How } from '$lib/core/round/edit';
  import type { RoundCheck } from '$lib/core/round/lists';
  import { FIGURE_KINDS } from '$lib/core/specs/sheet';
  import GaugeFields from './GaugeFields.svelte';

  interface Props {
    check: RoundCheck;
    /** Takes it away again; null: it is in the book already, and can only be left out. */
    ongone: (() => void) | null;
  }
  let { check = $bindable(), ongone }: Props = $props();
  const WORDS = FIGURE_KINDS.filter((k) => k.dimension === null);
  const number = (e: Event) => Number((e.currentTarget as HTMLInputElement).value.replace(',', '.'));
  const set = (more: object) => (check = { ...check, ...more } as RoundCheck);
  const choices = $derived(check.how === 'choose' ? check.choices : []);
  const choice = (i: number, more: Partial<Choice>) =>
    set({ choices: choices.map((c, k) => (k === i ? { ...c, ...more } : c)) });
  /** What is named once is what it is called where it is wrong too, until somebody says otherwise. */
  function named(title: string) {
    set({ title, ...(check.wrong === '' || check.wrong === check.title ? { wrong: title } : {}) });
  }
</script>

<div class="editor">
  <label class="wide"
    >What is looked at <input
      class="in"
      value={check.title}
      maxlength="90"
      oninput={(e) => named(e.currentTarget.value)}
    /></label
  >
  <label
    >How <select
      class="in"
      value={check.how}
      onchange={(e) => (check = done(check, e.currentTarget.value as How))}
      >{#each HOWS as h (h)}<option value={h}>{HOW_WORDS[h]}</option>{/each}</select
    ></label
  >
  <label
    >Where one stands <select
      class="in"
      value={check.station}
      onchange={(e) => set({ station: e.currentTarget.value })}
      >{#each STATIONS as s (s)}<option>{s}</option>{/each}</select
    ></label
  >
  <label class="wide"
    >How it is done, in a line <input
      class="in"
      value={check.line}
      maxlength="200"
      oninput={(e) => set({ line: e.currentTarget.value })}
    /></label
  >
  {#if check.how === 'choose'}
    <fieldset class="wide">
      <legend>Answers</legend>
      {#each choices as c, i (i)}
        <div class="answer">
          <input
            class="in"
            aria-label="Answer {i + 1}"
            value={c.word}
            maxlength="40"
            oninput={(e) => choice(i, { word: e.currentTarget.value })}
          />
          <select
            class="in"
            aria-label="How grave is answer {i + 1}"
            value={c.wrong ?? ''}
            onchange={(e) => choice(i, { wrong: (e.currentTarget.value || null) as Severity | null })}
            ><option value="">as it should be</option>{#each SEVERITIES as s (s)}<option>{s}</option
              >{/each}</select
          >
          <span class="more"
            ><label class="tick"
              ><input
                type="checkbox"
                checked={c.sooner === true}
                onchange={(e) => choice(i, { sooner: e.currentTarget.checked })}
              />
              its task sooner</label
            >
            {#if check.key === 'air-filter' || choices.some((x) => x.spare)}<label class="tick"
                ><input
                  type="checkbox"
                  checked={c.spare === true}
                  onchange={(e) => choice(i, { spare: e.currentTarget.checked })}
                />
                a clean filter went in</label
              >{/if}
            {#if choices.length > 2}<button
                type="button"
                class="link"
                aria-label="Take answer {i + 1} away"
                onclick={() => set({ choices: choices.filter((_, k) => k !== i) })}>Take it away</button
              >{/if}</span
          >
        </div>
      {/each}
      {#if choices.length < 8}<button
          type="button"
          class="link py-1"
          onclick={() => set({ choices: [...choices, { word: '', wrong: 'fix now' }] })}
          >One more answer</button
        >{/if}
    </fieldset>
  {/if}
  {#if check.how === 'look'}
    <label class="wide"
      >What is usually wrong with it, one a line <textarea
        class="in"
        rows="3"
        value={(check.wrongs ?? []).join('\n')}
        onchange={(e) =>
          set({
            wrongs: e.currentTarget.value
              .split('\n')
              .map((l) => l.trim())
              .filter(Boolean)
          })}></textarea></label
    >
  {/if}
  {#if check.how === 'look' || check.how === 'choose'}
    <label class="tick wide"
      ><input
        type="checkbox"
        checked={check.reads !== undefined}
        onchange={(e) => (check = readAlong(check, e.currentTarget.checked))}
      /> its number may be read along</label
    >
    {#if check.reads}<GaugeFields gauge={check.reads} onset={(reads) => set({ reads })} />{/if}
  {/if}
  {#if check.how === 'measure'}
    <GaugeFields gauge={check} onset={(gauge) => set(gauge)} />
    <label class="tick wide"
      ><input type="checkbox" checked={check.sets} onchange={(e) => set({ sets: e.currentTarget.checked })} /> found,
      and then set</label
    >
  {/if}
  {#if check.how === 'count'}
    <label
      >More than that go nowhere <input
        class="in"
        inputmode="numeric"
        value={check.most}
        oninput={(e) => set({ most: number(e) })}
      /></label
    >
  {/if}
  <fieldset class="wide">
    <legend>On</legend>
    {#each KINDS as k (k)}<label class="tick"
        ><input
          type="checkbox"
          checked={!check.off && check.kinds.includes(k)}
          onchange={(e) => (check = onKind(check, k, e.currentTarget.checked))}
        />
        {k}{#each check.except?.filter((x) => x.kind === k) ?? [] as x (x.list)}, not in “{LIST_WORDS[
            x.list
          ]}”{/each}</label
      >{/each}
  </fieldset>
  <fieldset class="wide">
    <legend>In</legend>
    {#each ['ready', 'washed'] as const as l (l)}<label class="tick"
        ><input
          type="checkbox"
          checked={check.lists.includes(l)}
          disabled={check.lists.length === 1 && check.lists.includes(l)}
          onchange={(e) => (check = onList(check, l, e.currentTarget.checked))}
        />
        {LIST_WORDS[l]}</label
      >{/each}
  </fieldset>
  <label
    >Called, where it is wrong <input
      class="in"
      value={check.wrong}
      maxlength="90"
      oninput={(e) => set({ wrong: e.currentTarget.value })}
    /></label
  >
  <label
    >How grave that is <select
      class="in"
      value={check.severity}
      onchange={(e) => set({ severity: e.currentTarget.value })}
      >{#each SEVERITIES as s (s)}<option>{s}</option>{/each}</select
    ></label
  >
  <details class="wide">
    <summary class="link py-2">Danger, minutes, its task, what of the sheet is shown</summary>
    <div class="editor">
      <label class="wide"
        >The danger at it, one line <input
          class="in"
          value={check.caution ?? ''}
          maxlength="200"
          oninput={(e) => set({ caution: e.currentTarget.value })}
        /></label
      >
      <label
        >Minutes <input
          class="in"
          inputmode="decimal"
          value={check.minutes}
          oninput={(e) => set({ minutes: number(e) })}
        /></label
      >
      <label
        >Its task begins with <input
          class="in"
          value={check.task ?? ''}
          maxlength="60"
          placeholder="Air filter"
          oninput={(e) => set({ task: e.currentTarget.value })}
        /></label
      >
      <label class="wide"
        >Shown with it from the sheet <select
          class="in"
          value={check.shows ?? ''}
          onchange={(e) => set({ shows: e.currentTarget.value || undefined })}
          ><option value="">nothing</option>{#each WORDS as k (k.key)}<option value={k.key}>{k.label}</option
            >{/each}</select
        ></label
      >
    </div>
  </details>
  {#if ongone}<button type="button" class="link justify-self-start py-1" onclick={ongone}
      >Take it away again</button
    >{/if}
</div>

<style>
  .answer {
    display: grid;
    grid-template-columns: 1fr 11rem;
    gap: 0 0.5rem;
    padding-block: 0.25rem;
  }
  .more {
    grid-column: 1 / -1;
  }
  @media (max-width: 640px) {
    .answer {
      grid-template-columns: 1fr;
    }
  }
</style>
