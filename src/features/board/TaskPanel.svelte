<script lang="ts">
  import Pin from '~icons/lucide/pin';
  import PinOff from '~icons/lucide/pin-off';
  import { untrack } from 'svelte';
  import { toast } from 'svelte-sonner';
  import { dayIn, momentOf, timeIn } from '$core/base/zone';
  import type { Problem } from '$core/base/result';
  import { jobOf } from '$core/schedule/board';
  import { minuteOf, momentAt } from '$core/schedule/hours';
  import DateInput from '$lib/ui/inputs/DateInput.svelte';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { hour, when } from '$lib/ui/page-state/when';
  import { mayHere } from '$lib/ui/page-state/who';
  import type { BoardState } from './board-view.svelte';
  import { hrefOf, minutesSaid } from './words';

  interface Props {
    board: BoardState;
    /** Made anew for each. */
    task: string;
  }
  let { board, task: id }: Props = $props();

  const a = $derived(board.assignedOf(id));
  const together = $derived(board.shown.find((b) => b.some((x) => x.task === id)) ?? []);
  const task = $derived(board.tasks.get(id)!);
  const number = $derived(jobOf(id));
  const job = $derived(board.jobs.get(number)!);
  const told = $derived(board.told.get(number));
  const zone = $derived(board.view.zone);
  const at = (minute: number) => hour(momentAt(minute), zone, board.view.now);

  /** What the fields begin with: a moment as a day and a time on the wall. */
  const onTheWall = (iso: string | null) => ({
    day: iso ? dayIn(zone, new Date(iso)) : '',
    time: iso ? timeIn(zone, new Date(iso)) : ''
  });
  let person = $state(untrack(() => a?.person ?? board.view.workload.people[0]?.name ?? null));
  let begins = $state(untrack(() => (a ? onTheWall(momentAt(a.start)) : { day: board.day, time: '08:00' })));
  let minutes = $state(untrack(() => String(board.view.takes[id])));
  let promised = $state(untrack(() => onTheWall(job.promised)));
  let problems = $state.raw<readonly Problem[]>([]);

  const NEEDS = {
    cold: 'The engine must stand cold first',
    warm: 'The engine must be warm',
    cool: 'The engine must be cool enough to open',
    any: 'The engine may be as it is'
  };

  /** The moment of a day and a time, or what is wrong with them. */
  function momentIn(field: string, { day, time }: { day: string; time: string }): string | null {
    if (day && /^\d\d:\d\d$/.test(time)) return momentOf(zone, day, time).toISOString();
    problems = [{ field, message: 'a day and a time, as 16:00' }];
    return null;
  }
  async function keep(answer: Promise<{ ok: boolean; problems?: readonly Problem[] }>, done: string) {
    const got = await answer;
    problems = got.ok ? [] : (got.problems ?? []);
    if (got.ok) toast(done);
  }
  function pinThere(event: SubmitEvent) {
    event.preventDefault();
    const start = momentIn('Begins', begins);
    if (start) void keep(board.pin(id, { person, start: minuteOf(start) }), 'Pinned');
  }
  function lookThere() {
    const start = begins.day && begins.time ? momentOf(zone, begins.day, begins.time) : null;
    if (person && start) void board.look({ task: id, person, start: minuteOf(start) });
  }
  function stretch() {
    const n = Number(minutes);
    if (!(n >= 1)) problems = [{ field: 'Takes', message: 'minutes, 1 or more' }];
    else void keep(board.stretch(id, n), 'Planned anew');
  }
  function promise() {
    if (!promised.day && !promised.time) return void keep(board.promise(number, null), 'No longer promised');
    const moment = momentIn('Promised', promised);
    if (moment) void keep(board.promise(number, moment), 'Promised');
  }
</script>

<section class="card max-h-[70dvh] overflow-y-auto p-4" aria-label="Task">
  <div class="flex flex-wrap items-start gap-3">
    <div class="mr-auto">
      <h2><span class="reading">{job.fleetNo}</span> {task.title}</h2>
      <p class="text-ink-2 text-sm">{job.vehicleName}. {job.complaint}</p>
    </div>
    <a class="btn" href={hrefOf(id)}>Open</a>
    <button class="btn" onclick={() => board.show({ task: null })}>Close</button>
  </div>
  {#if together.length > 1}
    <p class="mt-2 flex flex-wrap gap-2" aria-label="In one go">
      {#each together as other (other.task)}<button
          class="btn {other.task === id ? 'border-act border-2' : ''}"
          aria-pressed={other.task === id}
          onclick={() => board.show({ task: other.task })}>{board.tasks.get(other.task)?.title}</button
        >{/each}
    </p>
  {/if}
  <p class="mt-2">
    {#if a}
      {at(a.start)} to {at(a.end)}, {a.person}, {a.place ?? 'on the road'}{a.warmUpMin > 0
        ? `; ${a.warmUpMin} min of it warm the engine`
        : ''}.
    {:else}
      {board.view.published.schedule.left.find((l) => l.task === id)?.because ?? 'Not planned'}.
    {/if}
    {NEEDS[task.engine]}{task.from !== null && task.from > board.view.workload.now
      ? `; not before ${when(momentAt(task.from), zone)}`
      : ''}.{#if task.chance < 1}
      Needed in {Math.round(100 * task.chance)} of 100 such jobs.{/if}
  </p>
  {#if told?.late}
    <p class="text-off mt-1 font-semibold">
      {told.lateMin > 0 ? `${minutesSaid(told.lateMin)} late` : 'Late'}: {told.because}
    </p>
  {/if}
  {#if mayHere('technician')}
    <form class="mt-3 flex flex-wrap items-end gap-2" onsubmit={pinThere}>
      <div class="w-44">
        <p class="mb-1 text-sm font-semibold">Who</p>
        <Select
          label="Who"
          quiet
          choices={board.view.workload.people.map((p) => ({ value: p.name, label: p.name }))}
          bind:value={person}
          onvalue={lookThere}
        />
      </div>
      <div class="w-44"><DateInput label="Begins" bind:value={begins.day} onvalue={lookThere} /></div>
      <label class="w-28"
        ><span class="mb-1 block text-sm font-semibold">At</span><input
          class="field reading"
          type="time"
          step="300"
          bind:value={begins.time}
          onchange={lookThere}
        /></label
      >
      <button class="btn" type="submit"><Pin size={18} aria-hidden="true" />Pin there</button>
      {#if board.pins.has(id)}<button
          class="btn"
          type="button"
          onclick={() => void keep(board.unpin(id), 'No longer pinned')}
          ><PinOff size={18} aria-hidden="true" />Unpin</button
        >{/if}
    </form>
    <div class="mt-3 flex flex-wrap items-end gap-2">
      <label class="w-28"
        ><span class="mb-1 block text-sm font-semibold">Takes, min</span><input
          class="field reading"
          inputmode="numeric"
          bind:value={minutes}
        /></label
      >
      <button class="btn" type="button" onclick={stretch}>Plan anew</button>
      {#if mayHere('lead') && task.kind !== 'recheck'}
        <div class="w-44 md:ml-6"><DateInput label="Promised" bind:value={promised.day} /></div>
        <label class="w-28"
          ><span class="mb-1 block text-sm font-semibold">By</span><input
            class="field reading"
            type="time"
            bind:value={promised.time}
          /></label
        >
        <button class="btn" type="button" onclick={promise}>Promise</button>
      {/if}
    </div>
  {/if}
  {#if board.consequence?.of.task === id}<p
      class="mt-2 font-semibold {board.consequence.bad ? 'text-off' : ''}"
      role="status"
    >
      {board.consequence.says}
    </p>{/if}
  <Problems {problems} title="Not kept" />
</section>
