<script lang="ts">
  import { toast } from 'svelte-sonner';
  import { goto, invalidateAll } from '$app/navigation';
  import { page } from '$app/state';
  import type CheckPage from '$features/checks/CheckPage.svelte';
  import { checkOf, isCheckId, type CheckId } from '$core/checks/registry';
  import { sensorKnown } from '$core/diagnosis/findings';
  import { refusedBy } from '$core/diagnosis/refused';
  import { activeEvents } from '$core/record/active';
  import { when } from '$lib/ui/page-state/when';
  import { describeEvent } from '$core/record/describe-event';
  import { eventBodySchema, type EventInput } from '$core/record/events';
  import type { OwnFinding } from '$core/record/own-finding';
  import { minutesOf } from '$core/record/shop-checks';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { answerOf, record, waiting, type Answer } from '$lib/ui/outbox/record.svelte';
  import { later } from '$lib/ui/page-state/later.svelte';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { mayUndo } from '$lib/ui/page-state/who';
  import type { JobView } from '$lib/views';
  import Cockpit from './Cockpit.svelte';
  import HeatLine from './HeatLine.svelte';
  import { jobCase } from './job-case.svelte';
  import JobHeader from './JobHeader.svelte';
  import History from './History.svelte';
  import Note from './Note.svelte';
  import Photos from './Photos.svelte';
  import RunFacts from './RunFacts.svelte';
  import RunTabs from './RunTabs.svelte';
  import RunTrace from './RunTrace.svelte';
  import Choices from './Choices.svelte';
  import Suspects from './Suspects.svelte';
  import Verdict from './Verdict.svelte';

  interface Props extends JobView {
    zone: string;
    /** The sheet of a check, where the address asks for one: it is fetched for that, and ahead of it. */
    Sheet: typeof CheckPage | null;
  }
  let { job, vehicle, known, ahead, run, zone, Sheet }: Props = $props();
  later(() => import('$features/checks/CheckPage.svelte'));
  let problems = $state<readonly Problem[]>([]);
  let judging = $state(false);
  const waits = $derived(new Set(waiting().map((w) => w.id)));
  const page_ = jobCase(() => ({ job, known, ahead }));
  const { stream, events, now } = $derived(page_);
  const shown = $derived(page_.case);
  const { state: jobState, sheet, heat, runs, plan } = $derived(shown);
  const closed = $derived(jobState.state === 'closed');
  const entered = $derived(shown.entered);

  const asked = $derived(page.url.searchParams.get('check'));
  const open = $derived(isCheckId(asked) ? asked : null);
  const base = $derived(`/jobs/${job.number}`);

  /** An address of its own for each sheet. Nothing is loaded for it, so that it opens while the server is away. */
  function openCheck(id: CheckId | null) {
    problems = [];
    // A warm-up is not typed: it is recorded.
    if (id === 'warm-up-run' || id === 'road-run') return void goto(liveHref);
    const run = page.url.searchParams.get('run');
    const query = [run ? `run=${run}` : '', id ? `check=${id}` : ''].filter(Boolean).join('&');
    void goto(`${base}${query ? `?${query}` : ''}`);
  }

  const importHref = $derived(`${base}/import`);
  const liveHref = $derived(`${base}/live`);
  $effect(() =>
    useShortcuts([
      { key: 'i', label: 'Import a log', run: () => void goto(importHref) },
      { key: 'l', label: 'Record a warm-up live', run: () => void goto(liveHref) },
      ...(plan.next && !open
        ? [{ key: 'n', label: `Next check: ${plan.next.check.title}`, run: () => openCheck(plan.next!.id) }]
        : []),
      { key: 'u', label: 'Undo the last entry', run: undoLast },
      { key: 'r', label: 'Bring back what was undone last', run: redoLast }
    ])
  );

  /** Refused here already where the sheet rules it out, so that it need not wait for the server to be told. */
  async function write(body: EventInput, id: string = crypto.randomUUID()): Promise<Answer> {
    const read = eventBodySchema.safeParse(body);
    const refused = read.success ? refusedBy(sheet, read.data) : [];
    return refused.length > 0 ? { ok: false, problems: refused } : record(stream, body, id);
  }

  /** Writes, and says here what was wrong with it. */
  async function taken(body: EventInput): Promise<boolean> {
    const answer = await write(body);
    problems = answer.ok ? [] : answer.problems;
    return answer.ok;
  }
  const addFinding = (payload: OwnFinding) => taken({ kind: 'finding.added', payload });

  async function undo(of: string) {
    const target = events.find((e) => e.id === of);
    const what =
      target && target.kind !== 'undo' ? inReaderUnits(describeEvent(target, (iso) => when(iso, zone))) : '';
    const id = crypto.randomUUID();
    const answer = await write({ kind: 'undo', payload: { of } }, id);
    problems = answer.ok ? [] : answer.problems;
    if (!answer.ok) return;
    toast(what ? `Undone: ${what}` : 'Brought back', {
      action: { label: what ? 'Redo' : 'Undo', onClick: () => void undo(id) }
    });
  }

  function undoLast() {
    const last = activeEvents(events).findLast((e) => e.kind !== 'job.opened' && mayUndo(e.who));
    if (last) void undo(last.id);
  }

  function redoLast() {
    const undone = new Set(events.flatMap((e) => (e.kind === 'undo' ? [e.payload.of] : [])));
    const last = events.findLast((e) => e.kind === 'undo' && !undone.has(e.id));
    if (last) void undo(last.id);
  }

  function recorded(eventId: string, id: CheckId) {
    openCheck(null);
    const done = entered.findLast((j) => j.id === eventId);
    toast(`${checkOf(id).title}: ${done ? inReaderUnits(done.outcome.says) : 'saved'}`, {
      action: { label: 'Undo', onClick: () => void undo(eventId) }
    });
  }

  async function judgeAgain() {
    judging = true;
    const answer = await answerOf(fetch(`/api/runs/${run!.id}/judge`, { method: 'POST' }));
    judging = false;
    problems = answer.ok ? [] : answer.problems;
    if (answer.ok) await invalidateAll();
  }
</script>

<JobHeader {job} {vehicle} state={jobState} {open} runId={run?.id ?? null} {zone} />

<Problems {problems} entry title="That did not work" />

{#if open && Sheet}
  {#key open}
    <Sheet
      id={open}
      jobId={job.id}
      number={job.number}
      {vehicle}
      {sheet}
      minutes={minutesOf(open, known.shop.checks)}
      {heat}
      photos={jobState.photos}
      sensor={sensorKnown(entered, sheet)}
      earlier={entered.filter((j) => j.check === open)}
      contextAt={(at, except) => shown.contextOf(open, at, except)}
      liveRunId={jobState.live?.source.kind === 'adapter' ? jobState.live.runId : null}
      acknowledged={jobState.acknowledged}
      danger={plan.line.concat(plan.any).find((p) => p.id === open && p.danger)?.heldBack ?? null}
      {now}
      {zone}
      {write}
      onclose={() => openCheck(null)}
      onrecorded={recorded}
    />
  {/key}
{:else}
  {#if !closed}
    <Cockpit
      case={shown}
      {now}
      {zone}
      evidenceHref="#suspects"
      repairHref="{base}/finish"
      write={taken}
      onopen={openCheck}
    />
  {/if}

  <RunTabs
    {runs}
    current={run?.id ?? null}
    compareHref={runs.length > 1
      ? `/vehicles/${vehicle.id}/compare?a=${runs[0].id}&b=${runs[runs.length - 1].id}`
      : null}
    {base}
    {zone}
  />

  {#if run}
    {#if run.outdated}
      <div class="card mb-3 flex flex-wrap items-center gap-3 px-4 py-2">
        <p class="mr-auto">
          {run.outdated === 'sheet'
            ? 'The spec sheet has changed since this run was judged. The levels and verdict below are by the sheet of that time.'
            : 'The model has changed since this run was judged.'}
        </p>
        <button class="btn" onclick={judgeAgain} disabled={judging}
          >{judging ? 'Judging…' : 'Judge again'}</button
        >
      </div>
    {/if}
    {#key run.id}<RunTrace {run} sheet={run.sheet} />{/key}
  {:else if !sheet}
    <div class="card p-8 text-center">
      <h2>No spec sheet</h2>
      <p class="text-ink-2 mx-auto mt-2 max-w-lg">
        This vehicle has no spec sheet, so there is nothing to judge a run against.
      </p>
      <a class="btn btn-main mt-5" href="/vehicles/{vehicle.id}/sheet">Write its spec sheet</a>
    </div>
  {:else}
    <div class="card flex flex-wrap items-center gap-x-6 gap-y-2 px-4 py-3">
      <h2>No run yet</h2>
      <p class="text-ink-2 flex-1 basis-80">
        After the cold checks: log a cold start until the fan has switched, and import it, a CSV file from any
        logger.
      </p>
    </div>
  {/if}

  <div class="mt-3">
    {#if !closed || shown.checks.length > 0}
      <HeatLine {plan} state={heat} {now} {zone} {closed} onopen={openCheck} />
    {/if}
  </div>
  {#if shown.suspected}
    <div class="space-y-3" id="suspects">
      <Suspects case={shown} {closed} onadd={addFinding} onundo={(id) => void undo(id)} />
      {#if shown.weighed}<Choices offers={shown.offers} costs={shown.costs} />{/if}
    </div>
  {/if}
  {#if run}
    <div
      id="run"
      class="mt-3 grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_370px] 2xl:grid-cols-[minmax(0,1fr)_460px]"
    >
      <RunFacts {run} />
      <Verdict analysis={run.analysis} />
    </div>
  {/if}

  <div class="mt-4 space-y-4">
    <Note {write} />
    <Photos jobId={job.id} photos={jobState.photos} {zone} />
    <History {events} waiting={waits} {zone} onundo={undo} table="{base}/record" />
  </div>
{/if}

<p class="text-ink-2 mt-6 text-sm">
  Pyrethos gives a second opinion. The maker’s service information, local rules and licensed practice come
  first. Never open a cooling system that is hot.
</p>
