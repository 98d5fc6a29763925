<script lang="ts">
  import DateInput from '$lib/ui/inputs/DateInput.svelte';
  import Tick from '$lib/ui/inputs/Tick.svelte';
  import FileUp from '~icons/lucide/file-up';
  import { toast } from 'svelte-sonner';
  import { goto } from '$app/navigation';
  import { isCapture } from '$core/logs/capture';
  import { checkColumns } from '$core/logs/csv-import';
  import type { Column } from '$core/logs/csv-columns';
  import { asText, sniff, type Layout } from '$core/logs/csv-sniff';
  import { MAX_LOG_BYTES } from '$core/logs/csv-text';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { record } from '$lib/ui/outbox/record.svelte';
  import ColumnRow from './ColumnRow.svelte';
  import { recall, remember } from './mapping-memory';
  import { sendLog } from './send';

  interface Props {
    job: { id: string; number: number; complaint: string };
    vehicle: { id: string; fleetNo: string; name: string };
    hasSheet: boolean;
  }
  let { job, vehicle, hasSheet }: Props = $props();

  let file = $state.raw<File | null>(null);
  let layout = $state.raw<Layout | null>(null);
  /** A bus capture: it says itself what is what. */
  let bus = $state(false);
  let recalled = $state(false);
  let problems = $state<readonly Problem[]>([]);
  let skipBrokenRows = $state(false);
  let canSkip = $state(false);
  /** Something was asked about that may be right. */
  let asked = $state(false);
  let asItIs = $state(false);
  let sent = $state<number | null>(null);
  let over = $state(false);
  let ids = { eventId: '', runId: '' };
  let stopper: AbortController | undefined;

  const fullClock = (text: string) => (text.length === 5 ? `${text}:00` : text);
  const missing = $derived(layout ? checkColumns(layout) : []);
  const size = (bytes: number) =>
    bytes < 1_048_576
      ? `${Math.ceil(bytes / 1024)} KiB`
      : `${(bytes / 1_048_576).toFixed(bytes > 10_485_760 ? 0 : 1)} MiB`;
  const SEPARATORS = { ',': 'comma', ';': 'semicolon', '\t': 'tab', '|': 'bar' } as const;

  async function choose(chosen: File | undefined) {
    if (!chosen) return;
    problems = [];
    canSkip = skipBrokenRows = asked = asItIs = false;
    layout = null;
    bus = false;
    file = chosen;
    ids = { eventId: crypto.randomUUID(), runId: crypto.randomUUID() };
    if (chosen.size > MAX_LOG_BYTES) {
      problems = [
        {
          message: `the file is ${size(chosen.size)}; the limit is ${MAX_LOG_BYTES / 1048576} MiB. Cut it into parts`
        }
      ];
      return;
    }
    const bytes = new Uint8Array(await chosen.arrayBuffer());
    bus = isCapture(bytes);
    if (bus) return;
    const text = asText(bytes);
    const found = text.ok ? sniff(text.value) : text;
    if (!found.ok) {
      problems = found.problems;
      return;
    }
    const before = recall(found.value.columns);
    recalled = before !== undefined;
    layout = before ? { ...found.value, columns: before } : found.value;
  }

  /** Whether something in the file tells the day it was recorded. */
  const dated = $derived(
    layout?.columns.some(
      ({ use }) =>
        use.kind === 'started' ||
        (use.kind === 'time' && (use.format === 'date-time' || use.format.startsWith('epoch')))
    ) ?? true
  );
  const setRecorded = (part: 'date' | 'clock', value: string) => {
    if (layout) layout = { ...layout, recorded: { ...layout.recorded, [part]: value || undefined } };
  };

  function change(i: number, column: Column) {
    if (!layout) return;
    // A quantity has one column: giving it to another takes it from the first.
    const taken = column.use.kind === 'channel' ? column.use.channel : column.use.kind;
    const columns = layout.columns.map((c, k): Column => {
      if (k === i) return column;
      const same = taken !== 'ignore' && (c.use.kind === 'channel' ? c.use.channel : c.use.kind) === taken;
      return same
        ? { ...c, use: { kind: 'ignore' }, why: `${column.header} is used instead`, doubtful: false }
        : c;
    });
    layout = { ...layout, columns };
    remember(columns);
  }

  async function send() {
    if (!file || !(layout || bus)) return;
    sent = 0;
    problems = [];
    stopper = new AbortController();
    const answer = await sendLog(
      { file, jobId: job.id, layout, skipBrokenRows, asItIs, ...ids },
      (bytes) => (sent = bytes),
      stopper.signal
    );
    sent = null;
    if (!answer.ok) {
      problems = stopper.signal.aborted
        ? [{ message: 'Stopped. Nothing was saved; the columns are as you left them' }]
        : answer.problems;
      asked = answer.problems.some((p) => p.ask);
      canSkip = answer.problems.some(
        (p) => p.line !== undefined && layout !== null && p.line >= layout.dataLine
      );
      return;
    }
    const { eventId } = ids;
    await goto(`/jobs/${job.number}?run=${ids.runId}`);
    toast(`Imported ${file.name}`, { action: { label: 'Undo', onClick: () => void undo(eventId) } });
  }

  async function undo(of: string) {
    const answer = await record(`job:${job.id}`, { kind: 'undo', payload: { of } });
    if (answer.ok) await goto(`/jobs/${job.number}`, { invalidateAll: true });
    else toast.error(answer.problems[0].message);
  }

  function drop(event: DragEvent) {
    event.preventDefault();
    over = false;
    void choose(event.dataTransfer?.files[0]);
  }
</script>

<p class="text-ink-2">
  <a class="quiet-link" href="/jobs/{job.number}">{vehicle.fleetNo} job {job.number}</a>
  {job.complaint}
</p>
<h1 class="mt-1 mb-4">Import a log</h1>

{#if !hasSheet}
  <p class="card mb-3 p-4">
    {vehicle.fleetNo} has no spec sheet: the run is judged as that of a typical engine, and anew when there is one.
    <a class="quiet-link" href="/vehicles/{vehicle.id}/sheet">Write what you know</a>.
  </p>
{/if}

<label
  class="card flex min-h-24 cursor-pointer flex-wrap items-center gap-4 border-2 border-dashed p-4 focus-within:outline-3 {over
    ? 'border-act bg-well'
    : 'border-line-strong'}"
  ondragover={(e) => (e.preventDefault(), (over = true))}
  ondragleave={() => (over = false)}
  ondrop={drop}
>
  <FileUp size={30} aria-hidden="true" />
  <span class="mr-auto">
    {#if file}<strong>{file.name}</strong><span class="text-ink-2 ml-3">{size(file.size)}</span><br /><span
        class="text-ink-2 text-sm">Drop another here to change it</span
      >
    {:else}<strong>Drop a CSV file or a bus capture here, or choose one</strong><br /><span
        class="text-ink-2 text-sm"
        >Any logger’s headers, separators and units; up to {MAX_LOG_BYTES / 1048576} MiB</span
      >{/if}
  </span>
  <span class="btn {file ? '' : 'btn-main'}">Choose a file</span>
  <input
    class="sr-only"
    type="file"
    accept=".csv,.txt,.tsv,.log,text/csv,text/plain"
    onchange={(e) => choose(e.currentTarget.files?.[0])}
  />
</label>

<div class="mt-4">
  <Problems
    {problems}
    title={layout || bus ? 'Not imported; nothing was saved' : 'This file cannot be read as a log'}
  >
    {#if canSkip}
      <div class="mt-3 font-semibold">
        <Tick label="Leave these rows out and import the rest" bind:value={skipBrokenRows} />
      </div>
    {/if}
    {#if asked}
      <div class="mt-3 font-semibold">
        <Tick label="It is right: import it as it is" bind:value={asItIs} />
      </div>
    {/if}
  </Problems>
</div>

{#if !file}
  <div class="text-ink-2 mt-6 grid gap-x-8 gap-y-4 md:grid-cols-3">
    <section>
      <h2 class="text-ink">What it needs</h2>
      <p class="mt-1">
        A time and a coolant temperature, in a table or one value a line. Any separator, unit, language and
        date is understood, and shown before anything is judged.
      </p>
    </section>
    <section>
      <h2 class="text-ink">What helps</h2>
      <p class="mt-1">
        Engine speed, road speed, load, intake air and the fan’s command split faults that one temperature
        cannot. A probe on the upper hose tells a thermostat from a sensor.
      </p>
    </section>
    <section>
      <h2 class="text-ink">Which drive</h2>
      <p class="mt-1">
        From cold until the fan has run, with some minutes on the road and some at idle. The result says what
        this run could not show, and which drive would.
      </p>
    </section>
  </div>
{/if}

{#if layout}
  <section class="card mt-4 overflow-x-auto p-4" aria-label="Columns">
    <div class="flex flex-wrap items-baseline gap-x-4">
      <h2>How the columns were understood</h2>
      <p class="text-ink-2 text-sm">
        Separator {SEPARATORS[layout.delimiter]}, decimal {layout.decimal === ',' ? 'comma' : 'point'}, first
        sample on line {layout.dataLine}{recalled ? '. As you set it the last time for these headers' : ''}
      </p>
    </div>
    <table class="mt-2 w-full min-w-[860px]">
      <thead class="text-ink-2 text-left text-sm"
        ><tr
          ><th class="py-1 font-normal">Column</th><th class="py-1 font-normal">First values</th><th
            class="py-1 font-normal">Used as</th
          ><th class="py-1 font-normal">In</th><th class="py-1 font-normal">Because</th></tr
        ></thead
      >
      <tbody>
        {#each layout.columns as column, i (i)}
          <ColumnRow
            {column}
            samples={layout.preview.map((row) => row[i] ?? '')}
            onchange={(c) => change(i, c)}
          />
        {/each}
      </tbody>
    </table>
    {#if !dated}
      <div class="border-line mt-3 flex flex-wrap items-end gap-4 border-t pt-3">
        <div class="w-44">
          <DateInput
            label="Recorded on"
            value={layout.recorded?.date ?? ''}
            max={new Date().toISOString().slice(0, 10)}
            onvalue={(day) => setRecorded('date', day)}
          />
        </div>
        <label class="block w-36"
          ><span class="mb-1 block text-sm font-semibold">Began at</span><input
            type="time"
            step="1"
            class="field reading"
            value={layout.recorded?.clock ?? ''}
            onchange={(e) => setRecorded('clock', fullClock(e.currentTarget.value))}
          /></label
        >
        <p class="text-ink-2 max-w-lg pb-2 text-sm">
          {layout.recorded?.date ? 'From the file. ' : 'The file does not say when it was recorded. '}Left
          open, the engine counts as just stopped, and cold checks as not soaked.
        </p>
      </div>
    {/if}
  </section>
{/if}
{#if bus}
  <p class="card mt-4 p-4">
    <strong>A bus capture.</strong> Coolant, revs, speed, load, fan and air temperatures are read from the answers
    to service 01 or from the broadcast groups of heavy vehicles, codes from 03 and 07; other traffic is skipped.
  </p>
{/if}
{#if layout || bus}
  <div
    class="border-line bg-paper sticky bottom-0 -mx-3 mt-4 flex flex-wrap items-center gap-4 border-t px-3 py-3 max-md:bottom-14"
  >
    <p class="mr-auto {missing.length > 0 ? 'text-off font-semibold' : 'text-ink-2'}">
      {#if missing.length > 0}{missing[0].message.charAt(0).toUpperCase() + missing[0].message.slice(1)}
      {:else if sent !== null}{sent < (file?.size ?? 0)
          ? `${size(sent)} of ${size(file?.size ?? 0)} sent`
          : 'Sent; reading and judging the run'}
      {:else}The file stays as it is; what is read from it is judged against the spec sheet of {vehicle.name}.{/if}
    </p>
    {#if sent !== null}<button class="btn" onclick={() => stopper?.abort()}>Stop</button>{/if}
    <button class="btn btn-main min-w-44" onclick={send} disabled={missing.length > 0 || sent !== null}
      >{sent === null ? 'Import and judge' : 'Importing…'}</button
    >
  </div>
{/if}
