<script lang="ts">
  import Maximize from '~icons/lucide/maximize';
  import { untrack } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { limitsOf } from '$core/vehicle/limits';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import type { Learned } from '$core/physics/plant/priors';
  import type { EventInput } from '$core/record/events';
  import { markText, MARKS, type LiveRun, type MarkId } from '$core/record/live';
  import type { Problem } from '$core/base/result';
  import { opensIn, outsideBand } from '$core/runs/live';
  import type * as TraceModule from '$lib/ui/plots/Trace.svelte';
  import { heatVar } from '$lib/ui/plots/heat';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { answerOf, type Answer } from '$lib/ui/outbox/record.svelte';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { inReaderUnits, inUnit, shown, shownDifference, unitOf } from '$lib/ui/page-state/units';
  import { clock, sentence } from '$core/base/text';
  import { whoIsHere } from '$lib/ui/page-state/who';
  import { thresholdsOf } from '../job/thresholds';
  import Alarm from './Alarm.svelte';
  import BayNumber from './BayNumber.svelte';
  import { LiveRunView } from './live-run.svelte';
  import SoFar from './SoFar.svelte';
  import { degraded } from './words';

  interface Props {
    jobId: string;
    live: LiveRun;
    sheet: SpecSheet;
    knownGood: readonly Learned[];
    write: (body: EventInput, id?: string) => Promise<Answer>;
    onended: (runId: string | null) => void;
  }
  let { jobId, live, sheet, knownGood, write, onended }: Props = $props();

  const typed = $derived(live.source.kind === 'typed');
  const view = untrack(() => new LiveRunView(live.runId, sheet, knownGood));
  $effect(() => view.follow());
  $effect(() => {
    if (typed) view.setTyped(live.readings);
  });

  let chart = $state<typeof TraceModule.default>();
  $effect(() => {
    void import('$lib/ui/plots/Trace.svelte').then((t) => (chart = t.default));
  });

  let now = $state(Date.now());
  $effect(() => {
    const timer = setInterval(() => (now = Date.now()), 500);
    return () => clearInterval(timer);
  });
  /** Time of the run: by its source's clock, or by ours where readings are typed. */
  const t = $derived(typed ? Math.max(0, (now - Date.parse(live.startedAt)) / 1000) : (view.moment?.t ?? 0));

  const moment = $derived(view.moment);
  const trouble = $derived(
    degraded(view.state, typed, moment?.implausible ?? null, (now - view.heardAt) / 1000)
  );
  const outside = $derived(moment ? outsideBand(view.band, moment.t, moment.coolantC) : null);
  const opens = $derived(moment ? opensIn(view.band, moment.t) : null);
  const end = $derived(Math.max(t, view.band?.t.at(-1) ?? 0, 300));
  const full = $derived({ from: 0, to: end });
  let cursor = $state<number | null>(null);
  const marks = $derived(live.marks.map((m) => ({ t: m.t, label: markText(m) })));

  // An engine that runs is watched: the screen stays on, as far as the device lets it.
  $effect(() => {
    let lock: WakeLockSentinel | null = null;
    let left = false;
    const hold = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock
        ?.request('screen')
        .then((held) => (left ? void held.release() : void (lock = held)))
        .catch(() => undefined);
    };
    hold();
    // A device takes the lock back whenever its page is out of sight.
    document.addEventListener('visibilitychange', hold);
    return () => {
      left = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  });

  let problems = $state<readonly Problem[]>([]);
  let ending = $state(false);
  let sure = $state(false);
  let readingC = $state<number | null>(null);
  let silenced = $state(false);
  $effect(() => {
    if (moment && moment.level === 'calm') silenced = false;
  });

  async function entry(body: EventInput): Promise<boolean> {
    const answer = await write(body);
    problems = answer.ok ? [] : answer.problems;
    return answer.ok;
  }
  const mark = (id: MarkId, text = '') =>
    entry({ kind: 'run.marked', payload: { runId: live.runId, t, mark: id, text } });

  async function read(event: SubmitEvent) {
    event.preventDefault();
    if (readingC === null) return;
    if (await entry({ kind: 'run.read', payload: { runId: live.runId, t, coolantC: readingC } }))
      readingC = null;
  }

  async function finish() {
    if (!sure) {
      sure = true;
      return;
    }
    ending = true;
    const answer = await answerOf<Answer & { runId?: string | null }>(
      fetch(`/api/jobs/${jobId}/live/end`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ eventId: endId, at: new Date().toISOString(), who: whoIsHere() })
      })
    );
    ending = false;
    if (answer.ok) onended('runId' in answer ? (answer.runId ?? null) : null);
    else problems = answer.problems;
  }
  const endId = crypto.randomUUID();

  const KEYS = Object.entries(MARKS) as [MarkId, (typeof MARKS)[MarkId]][];
  $effect(() =>
    useShortcuts(
      KEYS.map(([id, { title, key }]) => ({ key, label: `Mark: ${title}`, run: () => void mark(id) }))
    )
  );
  const HOSE = ['Cold', 'Warm', 'Hot'] as const;

  /** The hose rush is done where the engine warms up anyway: a mark, and the check with it. A second tap corrects it. */
  let rushId: string | null = null;
  async function hoseRushed() {
    if (!moment) return;
    const readings = {
      felt: 'rush',
      coolantC: moment.coolantC,
      by: 'hand',
      coolantBy: live.source.kind === 'typed' && live.source.instrument.kind !== 'scan' ? 'probe' : 'scan'
    };
    const eventId = crypto.randomUUID();
    const payload = { check: 'hose-rush', readings, replaces: rushId } as const;
    const answer = await write({ kind: 'check.recorded', payload }, eventId);
    problems = answer.ok ? [] : answer.problems;
    if (!answer.ok) return;
    rushId = eventId;
    await mark('hose', `rushed at ${shown(moment.coolantC, 'temperature')}`);
  }
  const bay = $derived(page.url.searchParams.get('view') === 'bay');
  const large = (on: boolean) =>
    void goto(on ? '?view=bay' : page.url.pathname, { replaceState: true, noScroll: true, keepFocus: true });
  const alarming = $derived(moment?.level === 'stop' && !silenced);
  const big = $derived(moment ? inUnit(moment.coolantC, 'temperature').toFixed(0).replace('-', '−') : '–');
</script>

{#if moment && alarming}
  <Alarm
    {moment}
    {sheet}
    onsilence={() => (silenced = true)}
    onoff={async () => {
      silenced = true;
      await entry({
        kind: 'engine.noted',
        payload: { kind: 'ran-until', at: new Date().toISOString(), coolantC: null, ambientC: null }
      });
    }}
  />
{/if}

{#if bay && !alarming}
  <BayNumber {moment} {trouble} onmark={(id) => void mark(id)} onclose={() => large(false)} />
{/if}

<div
  class="mt-1 grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_300px]"
  data-live={view.state}
  inert={alarming || bay}
>
  <section class="card p-3" aria-label="The engine now">
    <div class="flex flex-wrap items-end gap-x-8 gap-y-1 px-1">
      <p class="reading leading-none" data-coolant={moment?.coolantC}>
        <span
          class="inline-block border-b-[10px] pb-1 text-[6.5rem] font-bold tracking-tight max-sm:text-[9rem]"
          style="border-color: {moment ? heatVar(moment.coolantC) : 'var(--line)'}">{big}</span
        ><span class="text-ink-2 ml-2 text-3xl">{unitOf('temperature').symbol}</span>
      </p>
      <dl class="grid grid-cols-[auto_auto] gap-x-5 gap-y-0.5 pb-3 text-lg">
        <dt class="text-ink-2">{moment?.phase === 'regulating' ? 'Regulating' : 'Warming'}</dt>
        <dd class="reading font-semibold">
          {moment?.rateCPerMin == null
            ? '–'
            : `${moment.rateCPerMin > 0 ? '+' : ''}${shownDifference(moment.rateCPerMin)} a min`}
        </dd>
        <dt class="text-ink-2">Compared with expected</dt>
        <dd class="reading font-semibold">
          {outside === null
            ? '–'
            : outside === 0
              ? 'within'
              : `${shownDifference(Math.abs(outside))} ${outside > 0 ? 'above' : 'below'}`}
        </dd>
        <dt class="text-ink-2">Thermostat opens</dt>
        <dd class="reading font-semibold">
          {opens
            ? `in ${clock(opens.fromS)} to ${clock(opens.toS)}`
            : moment?.phase === 'regulating'
              ? 'should be open'
              : '–'}
        </dd>
      </dl>
      <p class="reading ml-auto pb-3 text-right text-2xl">
        {clock(t)}<span class="text-ink-2 block text-sm" data-samples={view.samples}
          >{view.samples} samples</span
        >
      </p>
      <button class="btn mb-3 px-3" onclick={() => large(true)} aria-label="Number over the whole screen"
        ><Maximize size={20} aria-hidden="true" /></button
      >
    </div>
    {#if trouble}
      <p
        class="bg-off-wash text-off border-off rounded-lg border px-3 py-2 font-semibold"
        role="status"
        data-trouble
      >
        {trouble}
      </p>
    {:else if moment?.level === 'hot'}
      <p class="bg-off-wash text-off border-off rounded-lg border px-3 py-2 font-semibold" role="status">
        Above the hot limit of {shown(limitsOf(sheet).hotC.value, 'temperature', 0)}. Load off; be ready to
        switch off.
      </p>
    {/if}
    <p class="text-ink-2 mt-2 text-sm" data-band-drawn={view.bandDrawn}>
      {#if view.band}
        Shaded: nine healthy engines in ten on this drive{view.band.knownGood
          ? `, as its ${view.band.knownGood} known-good run${view.band.knownGood === 1 ? '' : 's'} narrow it`
          : ''}.
      {:else if view.bandDrawn === null}
        The band follows once a few readings are in.
      {:else}
        Drawing the band this engine should follow, {Math.round(view.bandDrawn * 100)} %…
      {/if}
    </p>
    <div class="mt-1 h-[max(16rem,min(37rem,100dvh-20rem))]">
      {#if chart}
        {@const Trace = chart}
        <Trace
          t={view.drawn.t}
          ect={view.drawn.channels.ect_c ?? []}
          band={view.band}
          thresholds={thresholdsOf(sheet)}
          {marks}
          range={full}
          {full}
          bind:cursor
          onrange={() => {}}
          label="Coolant temperature as it is recorded, over the band it should follow"
        />
      {/if}
    </div>
  </section>

  <div class="space-y-4">
    <section class="card space-y-2 p-4">
      <button class="btn min-h-14 w-full {sure ? 'btn-main' : ''}" disabled={ending} onclick={finish}
        >{ending ? 'Judging the run…' : sure ? 'Stop and get the result' : 'Stop recording'}</button
      >
      {#if sure && !ending}<button class="btn min-h-11 w-full" onclick={() => (sure = false)}>Go on</button
        >{/if}
      {#if moment?.boilingMarginC != null}<p class="text-ink-2 text-sm">
          {shownDifference(moment.boilingMarginC, 0)} below boiling, half and half under its cap.
        </p>{/if}
    </section>
    {#if typed}
      <form class="card p-4" onsubmit={read}>
        <QuantityInput label="Coolant now" kind="temperature" bind:value={readingC} />
        <button class="btn btn-main min-h-14 w-full" disabled={readingC === null}>Save reading</button>
      </form>
    {/if}
    <section class="card p-4" aria-label="Marks">
      <h2>Mark what happens</h2>
      <div class="mt-2 grid grid-cols-2 gap-2">
        {#each KEYS as [id, { title, key }] (id)}
          <button class="btn min-h-14" onclick={() => mark(id)}
            >{title}
            <kbd class="reading text-ink-2 text-sm">{key === ' ' ? 'Space' : key.toUpperCase()}</kbd></button
          >
        {/each}
      </div>
      <p class="mt-3 text-sm font-semibold">
        {sheet.thermostat?.side === 'inlet' ? 'Lower' : 'Upper'} hose, by hand
      </p>
      <div class="mt-1 grid grid-cols-3 gap-2">
        {#each HOSE as feel (feel)}<button
            class="btn min-h-14 px-2"
            onclick={() => mark('plain', `hose ${feel.toLowerCase()}`)}>{feel}</button
          >{/each}
        <button class="btn col-span-3 min-h-14" disabled={!moment} onclick={hoseRushed}
          >Hot, in a rush: coolant now</button
        >
      </div>
      <div class="mt-2">
        <BenchRead
          instrument="probe"
          place={sheet.thermostat?.side === 'inlet' ? 'lower-hose' : 'upper-hose'}
          label="Probe on the simulated hose"
          onread={(c) => mark('plain', `hose ${shown(c, 'temperature')} by probe`)}
        />
      </div>
      <p class="text-ink-2 mt-3 text-sm" aria-live="polite" data-marks={live.marks.length}>
        {live.marks.length === 0
          ? 'Nothing marked yet'
          : `Last: ${markText(live.marks[live.marks.length - 1])} at ${clock(live.marks[live.marks.length - 1].t)}`}
      </p>
    </section>
    {#if view.unitSays.length > 0}
      <section class="card p-4" aria-label="The control unit says" data-unit-says>
        <h2>The control unit says</h2>
        {#each view.unitSays as said (said)}<p class="mt-1 text-sm">{sentence(inReaderUnits(said))}</p>{/each}
      </section>
    {/if}
    {#if !typed}<SoFar log={() => view.log()} {sheet} samples={view.samples} />{/if}
    <Problems {problems} title="That did not work" />
  </div>
</div>
