<script lang="ts">
  import { Button } from '$lib/ui/form/controls';
  import { onMount, untrack } from 'svelte';
  import { goto, invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import { MOST_STEPS } from '$lib/core/job/plan';
  import { askedBy, pickFindings, pickJobs } from '$lib/core/visit/pick';
  import type { Air } from '$lib/core/fluids/air';
  import { notNamed, type Unnamed } from '$lib/core/job/layout/layout';
  import AirField from '$lib/ui/visit/AirField.svelte';
  import { gather } from '$lib/core/job/gather/gather';
  import { openedAgain } from '$lib/core/job/layout/openings';
  import { oilsOf, unsureOn } from '$lib/core/specs/unsure';
  import { broken, durationOf, inOrder } from '$lib/core/job/order/overrule';
  import { grownInWords, minutesOfVisit } from '$lib/core/job/minutes';
  import FormError from '$lib/ui/form/FormError.svelte';
  import { send, sendAll, sendNow, type Item } from '$lib/ui/form/send';
  import { begunHere, begunPage, dropBegun, keepBegun } from '$lib/ui/offline/begun';
  import { outbox } from '$lib/ui/outbox/outbox.svelte';
  import Gather from '$lib/ui/visit/Gather.svelte';
  import PaperLinks from '$lib/ui/paper/PaperLinks.svelte';
  import Radios from '$lib/ui/form/Radios.svelte';
  import { withMaybes } from '$lib/core/job/gate';
  import OrderList from '$lib/ui/visit/OrderList.svelte';
  import { Ordering } from '$lib/ui/visit/order.svelte';
  import { ticked } from '$lib/ui/visit/ticked';
  import Timeline from '$lib/ui/visit/Timeline.svelte';
  import { waitsInWords } from '$lib/core/finding/reminder';
  import SeverityMark from '$lib/ui/finding/SeverityMark.svelte';
  import Unsure from '$lib/ui/sheet/Unsure.svelte';
  import StateMark from '$lib/ui/trail/StateMark.svelte';

  let { data } = $props();
  const id = crypto.randomUUID();
  /** What one came for is in the address; the page is the same, so that it is on the device whatever one came for. */
  const asked = untrack(() => askedBy(page.url.searchParams));
  const first = untrack(() => pickJobs(data.jobs, asked));
  let picked = $state<string[]>(first);
  /** Findings that are put right in the same visit. */
  const firstFound = untrack(() => pickFindings(data.findings, asked));
  let found = $state<string[]>(firstFound);
  let templates = $state<Record<string, string>>({});
  let kept = $state<Record<string, boolean>>({});
  let engine = $state<'cold' | 'warm'>('cold');
  const cold = $derived(data.input.rules.coldAfterHours);
  let air = $state<Air | null>(untrack(() => data.around.air));
  /** An order of somebody's own; null: as it is worked out. */
  let own = $state<string[] | null>(null);
  let error = $state('');
  let busy = $state(false);
  const ordering = new Ordering();
  /** What is clear for a while is offered when asked for. */
  let all = $state(false);
  const shown = $derived(
    data.jobs.filter(
      (j) =>
        all ||
        picked.includes(j.taskId) ||
        first.includes(j.taskId) ||
        j.state !== 'clear' ||
        data.jobs.length <= 3 ||
        // Nothing is due: one came for something else.
        first.length + firstFound.length === 0
    )
  );
  const hidden = $derived(data.jobs.length - shown.length);

  const jobs = $derived([
    ...data.jobs
      .filter((j) => picked.includes(j.taskId))
      .map((j) => ({
        taskId: j.taskId as string | null,
        template: data.templates.find((t) => t.key === templates[j.taskId]) ?? j.template
      })),
    ...data.findings.filter((f) => found.includes(f.id)).map((f) => f.job)
  ]);
  /** The card of what is picked, to take along. */
  const card = $derived(
    `/machines/${data.machine.id}/card.pdf?${new URLSearchParams([
      ...picked.map((t) => ['task', t]),
      ...found.map((f) => ['finding', f]),
      ['engine', engine]
    ])}`
  );
  let open = $state(false);
  const came = JSON.stringify([first, firstFound]);
  function tickedBefore() {
    const was = ticked.of(data.machine.id, came);
    if (!was) return;
    ({ templates, kept, engine } = was);
    picked = was.picked.filter((id) => data.jobs.some((j) => j.taskId === id));
    found = was.found.filter((id) => data.findings.some((f) => f.id === id));
  }
  onMount(() => {
    tickedBefore();
    const close = ordering.open();
    open = true;
    return close;
  });
  $effect(() => {
    const now = $state.snapshot({ picked, found, templates, kept, engine });
    if (open) ticked.keep(data.machine.id, came, now);
  });
  $effect(() => {
    if (!open) return;
    ordering.ask($state.snapshot({ ...data.input, jobs }) as typeof data.input, engine);
    own = null;
  });

  const ordered = $derived(ordering.ordered);
  const steps = $derived(ordered ? (own ? inOrder(ordered.plan.steps, own) : ordered.plan.steps) : []);
  const surely = $derived(withMaybes(steps).length);
  const wrong = $derived(ordered && own ? broken(ordered.plan, own) : []);
  const takes = $derived(
    ordered && own
      ? { ...durationOf(ordered.plan, own), grown: null }
      : (ordering.minutes ?? { attended: 0, elapsed: 0, grown: null })
  );
  /** Whose two jobs could not share it: it comes off for each. */
  const again = $derived(ordered ? openedAgain(ordered.plan) : []);
  const begins = $derived(
    Object.fromEntries((ordered?.times ?? []).map((t) => [t.key, t.start / 60])) as Record<string, number>
  );
  const gathered = $derived(
    ordered
      ? gather(
          ordered.plan,
          data.around.tools,
          data.input.rules,
          data.around.today,
          air,
          data.around.forgotten
        )
      : null
  );
  /** What these jobs would open and nobody has named: one press says that this machine has it. */
  const unnamed = $derived(jobs.length > 0 ? notNamed({ ...data.input, jobs }) : []);
  /** On the sheet, and no job about oil would open it. */
  const unsure = $derived(jobs.some((j) => j.template.circuits.length > 0) ? unsureOn(data.input.sheet) : []);
  let naming = $state('');
  /** It has one; or none, and then it stands among what was taken off its sheet, where it can be put back. */
  async function name({ role, circuit, name }: Unnamed, has: boolean) {
    if (naming) return;
    naming = name;
    const fastenerId = crypto.randomUUID();
    const body = {
      id: fastenerId,
      machineId: data.machine.id,
      role,
      circuit,
      name,
      quantity: '1',
      magnet: false,
      seal: 'none',
      note: ''
    } as const;
    const [add, off] = [crypto.randomUUID(), crypto.randomUUID()];
    const items: Item[] = [{ kind: 'fastener.add', id: add, body }];
    if (!has)
      items.push({ kind: 'fastener.remove', id: off, after: add, body: { fastenerId, removed: true } });
    const sent = await sendAll(items);
    const refused = sent.find((s) => !s.ok);
    error = refused && !refused.ok ? (Object.values(refused.errors)[0] ?? 'Not put on the sheet.') : '';
    await invalidateAll();
    naming = '';
  }

  const turned = (list: string[], id: string) =>
    list.includes(id) ? list.filter((x) => x !== id) : [...list, id];
  /** Begun here, where the server could not be asked: the machine has one visit at a time. */
  const here = $derived(begunHere(outbox.items, data.machine.id));
  $effect(() => {
    if (here && here !== id) void goto(`/visits/${here}${location.hash}`, { replaceState: true });
  });
  async function begin() {
    if (busy || jobs.length === 0) return;
    busy = true;
    // Pressed while the order is worked out: without a signal it is begun in the order that comes of it.
    await ordering.settled();
    const body = {
      id,
      machineId: data.machine.id,
      jobs: data.jobs
        .filter((j) => picked.includes(j.taskId))
        .map((j) => ({
          taskId: j.taskId,
          template: templates[j.taskId] || j.instead,
          keep: !!templates[j.taskId] && kept[j.taskId] === true
        })),
      findings: data.findings.filter((f) => found.includes(f.id)).map((f) => f.id),
      engine,
      // As it was shown: begun without the server it is worked in this order, and goes into the book in it.
      order: ordered && !ordering.busy && steps.length <= MOST_STEPS ? steps.map((s) => s.key) : own
    };
    const stays =
      ordered !== null &&
      !ordering.busy &&
      (await keepBegun(
        begunPage(
          id,
          { ...data.machine, total: data.total },
          $state.snapshot({ ...ordered.plan, steps }) as typeof ordered.plan,
          data.input.rules,
          data.around,
          new Date()
        )
      ));
    const sent = await (stays ? send : sendNow)('visit.start', body);
    if (stays && (sent.ok || !sent.more.kept)) await dropBegun(id);
    if (sent.ok || (stays && sent.more.kept)) ticked.forget(data.machine.id);
    if (sent.ok) await goto(`/visits/${sent.data}${location.hash}`, { replaceState: true });
    else if (stays && sent.more.kept) await goto(`/visits/${id}${location.hash}`, { replaceState: true });
    else error = Object.values(sent.errors)[0] ?? 'Not started.';
    busy = false;
  }
</script>

<svelte:head><title>Visit · {data.machine.plate} · Hour Trail</title></svelte:head>
<div class="flex flex-wrap items-center gap-3">
  <a href="/machines/{data.machine.id}" class="flex items-center gap-3 no-underline"
    ><span class="plate text-3xl">{data.machine.plate}</span><span class="figure text-2xl"
      >{data.machine.name}</span
    ></a
  >
  <h1>At the bench: what in one go</h1>
  {#if !data.machine.ready}<a class="link font-bold" href="/machines/{data.machine.id}#findings">not ready</a
    >{/if}
  <span class="ml-auto flex flex-wrap items-center gap-x-3 gap-y-1">
    <!-- Its place is there before it is known: nothing below moves away from under a thumb. -->
    {#if jobs.length > 0}<span class="figure text-xl"
        >{#if ordered}{minutesOfVisit(takes)}{:else}… min, … with hands on it{/if}</span
      ><PaperLinks path={card} words="Print the job card" />{/if}
    <Button color="primary" size="lg" onclick={begin} disabled={busy || jobs.length === 0}
      >Start the visit</Button
    >
  </span>
</div>
<!-- Its place is kept too. -->
{#if jobs.length > 0}<p class="quiet min-h-6 text-right text-sm">{grownInWords(takes)}</p>{/if}
<FormError message={error} />

{#snippet taken(name: string, is: boolean, turn: () => void)}
  <label class="flex min-h-11 items-center gap-3">
    <input type="checkbox" class="h-6 w-6" style="accent-color: var(--ink)" checked={is} onchange={turn} />
    <span class="font-bold">{name}</span>
  </label>
{/snippet}
<section class="mt-4" aria-label="Jobs">
  {#each data.findings as f (f.id)}
    <div class="job">
      {@render taken(`Put right: ${f.what}`, found.includes(f.id), () => (found = turned(found, f.id)))}
      <span class="flex items-center gap-2"><SeverityMark severity={f.severity} /></span>
      {#if f.waits}<span class="quiet text-sm">{waitsInWords(f.waits)}</span>{/if}
    </div>
  {/each}
  {#each shown as j (j.taskId)}
    <div class="job">
      {@render taken(
        `${j.name}${j.part ? `, ${j.part}` : ''}`,
        picked.includes(j.taskId),
        () => (picked = turned(picked, j.taskId))
      )}
      <span class="flex items-center gap-2"
        ><StateMark state={j.state} word /> <span class="quiet">{j.left}</span></span
      >
      {#if picked.includes(j.taskId)}
        <div class="text-sm">
          <label
            ><span class="sr-only">Steps for {j.name}</span>
            <select class="field" bind:value={templates[j.taskId]}>
              <option value={undefined}
                >{j.own ? `steps: ${j.template.title}` : 'no steps of its own: one tick'}</option
              >
              {#each data.templates.filter((t) => t.key !== j.own && (t.fits || t.key === templates[j.taskId])) as t (t.key)}<option
                  value={t.key}>{t.title}</option
                >{/each}
            </select></label
          >
          {#if templates[j.taskId]}<label class="my-2 flex items-center gap-2"
              ><input
                type="checkbox"
                class="h-5 w-5"
                style="accent-color: var(--ink)"
                bind:checked={kept[j.taskId]}
              /> for this task from now on</label
            >{/if}
        </div>
      {/if}
    </div>
  {:else}
    <p class="quiet">
      This machine has no task yet. <a class="link" href="/tasks/new?machine={data.machine.id}">Add one</a>.
    </p>
  {/each}
  {#if hidden > 0}<button type="button" class="link py-2" onclick={() => (all = true)}
      >{hidden} more that {hidden === 1 ? 'is' : 'are'} clear for now</button
    >{/if}
</section>

<div class="mt-3 flex flex-wrap items-center gap-x-6 gap-y-2">
  <Radios label="The engine last ran" options={['cold', 'warm'] as const} bind:value={engine}
    >{#snippet one(e)}{e === 'cold'
        ? `last ran ${cold} h ago or more: cold`
        : `ran within ${cold} h: warm`}{/snippet}</Radios
  >
  <AirField label="Air until the next change" bind:air station={data.around.air} today={data.around.today} />
</div>

{#if data.input.head === null && jobs.some((j) => j.template.steps.some((s) => s.kind === 'clearances'))}
  <p class="caution mt-3">
    The head of this engine is not laid out yet: whether it has shims or screws, and where its marks are. <a
      class="link"
      href="/machines/{data.machine.id}/valves">Lay it out first</a
    >, and the steps are this engine’s own.
  </p>
{/if}
{#if unnamed.length > 0}
  <section class="caution mt-4" aria-label="Not on the sheet">
    <p>
      <strong>Not on its sheet.</strong> Say what this machine has; figures that are missing are asked for at their
      step.
    </p>
    <p class="mt-1 flex flex-wrap items-center gap-2">
      {#each unnamed as u (u.name)}<span class="flex flex-wrap gap-1"
          ><button type="button" class="key" disabled={naming !== ''} onclick={() => name(u, true)}
            >{u.name}: it has one</button
          >{#if u.leftOut}<button
              type="button"
              class="key"
              aria-label="{u.name}: it has none"
              disabled={naming !== ''}
              onclick={() => name(u, false)}>none</button
            >{/if}</span
        >{/each}
      <a class="link" href="/machines/{data.machine.id}/sheet#fasteners">or more of it on the spec sheet</a>
    </p>
    {#if unnamed.some((u) => u.leftOut)}<p class="text-sm">
        Without a press there is no step for: {unnamed
          .filter((u) => u.leftOut)
          .map((u) => u.name.toLowerCase())
          .join(', ')}.
      </p>{/if}
  </section>
{/if}
{#if unsure.length > 0}
  <section class="mt-4" aria-label="On the sheet, and not sure">
    {#each unsure as f (f.id)}<Unsure
        fastener={f}
        circuits={oilsOf(data.machine.kind, data.input.sheet)}
      />{/each}
  </section>
{/if}
{#if ordering.failed}<p class="error mt-4" role="alert">{ordering.failed}</p>{/if}
{#if jobs.length === 0}
  <p class="mt-6">Pick at least one job above.</p>
{:else if ordered}
  <section class="mt-6" aria-busy={ordering.busy}>
    <h2>In this order</h2>
    <p class="quiet">
      {own
        ? `Your own order: ${Math.round(takes.elapsed - ordered.elapsed / 60)} min longer than the shortest.`
        : ordered.elapsed <= ordered.bound
          ? `Proven: no order of these steps is shorter. Cold before warm, waits overlapped${again.length === 0 ? ', each cover off once.' : `. Comes off more than once: ${again.join(', ')}.`}`
          : `Within ${(((ordered.elapsed - ordered.bound) / ordered.bound) * 100).toFixed(1)} % of the shortest there can be.`}
      {#if own}<button type="button" class="link" onclick={() => (own = null)}>Back to the shortest</button
        >{/if}
    </p>
    {#if !own}<Timeline {ordered} />{/if}
  </section>
  {#if gathered}
    <section class="mt-4" aria-label="Before anything is opened">
      <h2>Before anything is opened</h2>
      <div class="mt-2">
        <Gather {gathered} units={data.units} today={data.around.today} />
      </div>
    </section>
  {/if}
  <section class="mt-6">
    <h2>{surely} steps{surely < steps.length ? `, up to ${steps.length}` : ''}</h2>
    <p class="quiet text-sm">
      Drag one by its handle, or move it with its arrows, to overrule the order; what that breaks is said.
    </p>
    <OrderList {steps} broken={wrong} {begins} onorder={(keys) => (own = keys)} />
  </section>
{:else}
  <p class="quiet mt-6" role="status">Working out the order.</p>
{/if}

<style>
  .job {
    display: grid;
    grid-template-columns: minmax(16rem, 3fr) minmax(14rem, 3fr) minmax(12rem, 2fr);
    gap: 0.25rem 1.5rem;
    align-items: center;
    border-bottom: 1px solid var(--rule);
  }
  @media (max-width: 760px) {
    .job {
      grid-template-columns: minmax(0, 1fr);
      padding-block: 0.4rem;
    }
  }
</style>
