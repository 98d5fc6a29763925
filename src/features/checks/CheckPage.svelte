<script lang="ts">
  import { limitsOf } from '$core/vehicle/limits';
  import ArrowLeft from '~icons/lucide/arrow-left';
  import ShieldAlert from '~icons/lucide/shield-alert';
  import { untrack } from 'svelte';
  import { CAUTIONS, guardsInjury, type CautionId } from '$core/measure/cautions';
  import type { CheckContext, SensorKnown } from '$core/checks/check';
  import { heldByGate } from '$core/checks/gate';
  import { checkOf, type CheckId } from '$core/checks/registry';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import type { EventInput } from '$core/record/events';
  import { byHandReadings, judgeByHand, type ByHandReadings } from '$core/checks/by-hand';
  import { emptyOf, fieldsOf } from '$core/units/field';
  import type { JudgedCheck } from '$core/diagnosis/judged';
  import type { PhotoLine } from '$core/record/derive';
  import type { Problem } from '$core/base/result';
  import type { ThermalState } from '$core/physics/heat/state';
  import { ctrlEnter } from '$lib/ui/inputs/ctrl-enter';
  import { dropDraft, keepDraft, readDraft } from '$lib/ui/inputs/draft';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import type { Answer } from '$lib/ui/outbox/record.svelte';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { shown, inReaderUnits } from '$lib/ui/page-state/units';
  import { when } from '$lib/ui/page-state/when';
  import AskSheet from './AskSheet.svelte';
  import Held from './Held.svelte';
  import Pictures from './Pictures.svelte';
  import OutcomeCard from './OutcomeCard.svelte';
  import CheckForm from './CheckForm.svelte';

  interface Props {
    id: CheckId;
    jobId: string;
    /** Of the job, as its address has it. */
    number: number;
    vehicle: { readonly id: string; readonly name: string };
    sheet: SpecSheet | null;
    /** Hands-on minutes in this shop. */
    minutes: number;
    heat: ThermalState;
    /** Pictures of the job: those of this check are shown beside it. */
    photos: readonly PhotoLine[];
    /** What other checks read of the coolant sensor. */
    sensor: SensorKnown;
    /** All readings of this check that stand, oldest first. */
    earlier: readonly JudgedCheck[];
    contextAt: (at: string, except: string | null) => CheckContext;
    liveRunId: string | null;
    acknowledged: readonly CautionId[];
    /** Why this check must not run the engine now; null where nothing stands against it. */
    danger: string | null;
    now: string;
    zone: string;
    write: (body: EventInput, id?: string) => Promise<Answer>;
    onclose: () => void;
    onrecorded: (eventId: string, id: CheckId) => void;
  }
  let {
    id,
    jobId,
    number,
    vehicle,
    sheet,
    minutes,
    heat,
    photos,
    sensor,
    earlier,
    contextAt,
    liveRunId,
    acknowledged,
    danger,
    now,
    zone,
    write,
    onclose,
    onrecorded
  }: Props = $props();

  const check = $derived(checkOf(id));

  const draftKey = $derived(`${jobId}/${id}`);
  /** The form before anything is typed: what the check begins with, and the rest open. */
  const begun = (): Record<string, unknown> => ({
    ...emptyOf(check.fields),
    ...(check.begins({ heat, sheet, now, sensor }) as object)
  });
  let readings = $state(untrack(() => readDraft<Record<string, unknown>>(draftKey) ?? begun()));
  /** A correction of what the technician judged by hand is made by hand. */
  let byHand = $state(false);
  const fields = $derived(byHand ? fieldsOf(byHandReadings) : check.fields);
  let touched = $state(untrack(() => readDraft(draftKey) !== null));
  let correcting = $state<string | null>(null);
  /** What the server refused. */
  let problems = $state<readonly Problem[]>([]);
  /** It was tried to be written down: what is wrong with it is told, for as long as it is. */
  let tried = $state(false);
  let asked = $state<readonly string[]>([]);
  let busy = $state(false);

  const empty = untrack(() => JSON.stringify(begun()));
  $effect(() => {
    const text = JSON.stringify(readings);
    if (text !== empty) {
      touched = true;
      keepDraft(draftKey, JSON.parse(text));
    }
  });

  const parsed = $derived((byHand ? byHandReadings : check.readings).safeParse($state.snapshot(readings)));
  // A correction is judged by what was known when its reading was taken.
  const context = $derived(contextAt(earlier.find((e) => e.id === correcting)?.at ?? now, correcting));
  const refused = $derived(parsed.success && !byHand ? check.refuse(parsed.data, sheet) : []);
  const outcome = $derived.by(() => {
    if (!parsed.success || refused.length > 0) return null;
    return byHand ? judgeByHand(parsed.data as ByHandReadings) : check.judge(parsed.data, context);
  });
  const lacks = $derived(parsed.success ? (refused[0]?.message ?? null) : parsed.error.issues[0].message);
  const wrong = $derived<readonly Problem[]>(
    parsed.success
      ? refused
      : parsed.error.issues.map((i) => ({ field: i.path.map(String).join('.'), message: i.message }))
  );
  const told = $derived(
    [...(tried ? wrong : []), ...problems].map((p) => ({ ...p, message: inReaderUnits(p.message) }))
  );
  const byField = $derived(Object.fromEntries(told.filter((p) => p.field).map((p) => [p.field!, p.message])));
  /** A field as its form calls it; of a list the list. */
  const called = (path: string) =>
    fields.find((f) => f.path === path || path.startsWith(`${f.path}.`))?.label ?? path;

  const toUnderstand = $derived(
    check.cautions.filter((c) => guardsInjury(c) && !acknowledged.includes(c)) as CautionId[]
  );
  // Correcting what was typed needs no hand on the engine.
  const held = $derived(correcting === null && heldByGate(check.gate, heat) !== null);
  const stopped = $derived(correcting === null ? danger : null);
  const closed = $derived(toUnderstand.length > 0 || held || stopped !== null);
  const openCapText = $derived(shown(limitsOf(sheet).openCapC.value, 'temperature', 0));

  $effect(() => useShortcuts([{ key: 'Escape', label: 'Back to the plan', run: onclose }]));

  function correct(entry: JudgedCheck) {
    correcting = entry.id;
    byHand = entry.byHand;
    readings = structuredClone(entry.readings) as Record<string, unknown>;
    problems = [];
    tried = false;
  }

  async function save(confirmed: readonly string[] = []) {
    if (busy || closed) return;
    problems = [];
    tried = true;
    if (!parsed.success || refused.length > 0) return;
    const unlikely = byHand ? [] : check.unlikely(parsed.data, context);
    if (unlikely.length > 0 && confirmed.length === 0) {
      asked = unlikely;
      return;
    }
    busy = true;
    const eventId = crypto.randomUUID();
    const answer = await write(
      {
        kind: 'check.recorded',
        payload: { check: id, byHand, readings: parsed.data, confirmed: [...confirmed], replaces: correcting }
      },
      eventId
    );
    busy = false;
    asked = [];
    if (!answer.ok) {
      problems = answer.problems;
      return;
    }
    dropDraft(draftKey);
    onrecorded(eventId, id);
  }

  /** It was looked at and tells nothing: kept as unclear, and the next best check comes. */
  async function notSure() {
    busy = true;
    const eventId = crypto.randomUUID();
    const answer = await write(
      {
        kind: 'check.recorded',
        payload: { check: id, byHand: true, readings: { judged: 'unclear', found: 'Not sure' } }
      },
      eventId
    );
    busy = false;
    problems = answer.ok ? [] : answer.problems;
    if (answer.ok) onrecorded(eventId, id);
  }

  /** It leaves the plan, and the next best check comes; done after all, or undone, it is back. */
  async function notHere() {
    busy = true;
    const answer = await write({ kind: 'check.skipped', payload: { check: id } });
    busy = false;
    problems = answer.ok ? [] : answer.problems;
    if (answer.ok) onclose();
  }

  function discard() {
    dropDraft(draftKey);
    readings = begun();
    touched = false;
    correcting = null;
    byHand = false;
    problems = [];
    tried = false;
    asked = [];
  }

  async function note(payload: Extract<EventInput, { kind: 'engine.noted' }>['payload']): Promise<boolean> {
    const answer = await write({ kind: 'engine.noted', payload });
    problems = answer.ok ? [] : answer.problems;
    return answer.ok;
  }
</script>

<div class="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1">
  <button class="btn px-3" onclick={onclose}><ArrowLeft size={18} aria-hidden="true" />Plan</button>
  <h2 class="text-2xl">{check.title}</h2>
  <p class="text-ink-2 min-w-0 flex-1 basis-72">
    {check.decides}
    <span class="md:whitespace-nowrap">About {minutes} min · {check.tools.join(', ').toLowerCase()}</span>
  </p>
  <a class="btn no-print" href="/jobs/{number}/card/{id}">Print card</a>
</div>

<div class="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_370px] 2xl:grid-cols-[minmax(0,1fr)_460px]">
  <div class="space-y-4">
    {#if stopped !== null}
      <section class="border-off bg-off-wash rounded-card border-2 p-4" role="status" data-stopped>
        <p class="text-off text-lg font-bold">Not now</p>
        <p class="mt-1">{inReaderUnits(stopped)}. The plan says how to go on.</p>
      </section>
    {:else if toUnderstand.length > 0}
      <section class="border-off bg-off-wash rounded-card border-2 p-4" aria-label="Cautions">
        <ul class="space-y-2 text-lg">
          {#each toUnderstand as c (c)}
            <li class="flex gap-3">
              <ShieldAlert size={24} class="text-off mt-0.5 shrink-0" aria-hidden="true" />{CAUTIONS[c].text}
            </li>
          {/each}
        </ul>
        <p class="text-ink mt-2 text-sm">The maker’s service information and local rules come first.</p>
        <!-- svelte-ignore a11y_autofocus -->
        <button
          class="btn btn-main mt-3 min-h-14"
          autofocus
          onclick={() => write({ kind: 'caution.acknowledged', payload: { cautions: [...toUnderstand] } })}
          >Understood</button
        >
      </section>
    {:else if held}
      <Held gate={check.gate} {heat} {openCapText} {now} {zone} onnote={note} />
    {/if}
    <form
      class="card p-4 {closed ? 'opacity-45' : ''}"
      inert={closed}
      onsubmit={(e) => {
        e.preventDefault();
        void save();
      }}
      use:ctrlEnter
    >
      <div class="space-y-5">
        {#key correcting}
          <CheckForm
            {id}
            {fields}
            {byHand}
            firstRow={check.beginsRow({ heat, sheet, now, sensor })}
            bind:readings
            {sheet}
            {heat}
            cooling={context.cooling}
            curves={context.curves}
            {liveRunId}
            {now}
            {zone}
            problems={byField}
          />
        {/key}
        {#if asked.length > 0}
          <section class="border-line-strong bg-well rounded-card border-2 p-4" role="alert">
            <p class="font-bold">Is this right?</p>
            <ul class="mt-1 space-y-1">
              {#each asked as question (question)}<li>{inReaderUnits(question)}</li>{/each}
            </ul>
            <div class="mt-3 flex gap-3">
              <button type="button" class="btn btn-main" onclick={() => save(asked)}>Yes, keep it</button>
              <button type="button" class="btn" onclick={() => (asked = [])}>Check my entry</button>
            </div>
          </section>
        {/if}
        <Problems
          problems={told.map((p) => (p.field ? { ...p, field: called(p.field) } : p))}
          title="Not saved yet"
        />
        <div class="flex flex-wrap items-center gap-3">
          <button class="btn btn-main min-h-14 px-6" disabled={busy}
            >{correcting ? 'Save correction' : 'Save reading'}</button
          >
          {#if touched}<button type="button" class="btn" onclick={discard}>Clear</button>{/if}
          {#if correcting === null}
            <button type="button" class="btn" disabled={busy} onclick={notSure}>Not sure</button>
            <button type="button" class="btn" disabled={busy} onclick={notHere}>I cannot do that here</button>
          {/if}
          <span class="text-ink-2 text-sm"
            ><span class="keys-told">Ctrl Enter saves, Esc goes back.</span> What you typed stays here.</span
          >
        </div>
      </div>
    </form>
  </div>

  <div class="space-y-4">
    <OutcomeCard {outcome} {lacks} {touched} {now} {zone} />
    {#if outcome && outcome.asks.length > 0}<AskSheet {vehicle} {sheet} asks={outcome.asks} />{/if}
    <Pictures {jobId} title={check.title} {photos} {zone} onproblems={(found) => (problems = found)} />
    {#if check.cautions.length > toUnderstand.length}
      <section class="card p-4">
        <h3 class="font-bold">Cautions</h3>
        <ul class="mt-1 space-y-2 text-sm">
          {#each check.cautions.filter((c) => !toUnderstand.includes(c)) as c (c)}<li>
              {CAUTIONS[c].text}
            </li>{/each}
        </ul>
      </section>
    {/if}
    {#if earlier.length > 0}
      <section class="card p-4">
        <h3 class="font-bold">Earlier readings</h3>
        <ul class="mt-1">
          {#each earlier.toReversed() as e (e.id)}
            <li class="border-line border-t py-2 first:border-t-0">
              <p class="text-ink-2 text-sm">{when(e.at, zone)} · {e.who}</p>
              <p>{inReaderUnits(e.words)}</p>
              <button class="quiet-link min-h-11 text-sm" onclick={() => correct(e)}>Correct</button>
            </li>
          {/each}
        </ul>
      </section>
    {/if}
  </div>
</div>
