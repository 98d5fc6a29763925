<script lang="ts">
  import Pin from '@lucide/svelte/icons/pin';
  import PinOff from '@lucide/svelte/icons/pin-off';
  import { untrack } from 'svelte';
  import { toast } from 'svelte-sonner';
  import { minuteOf } from '$core/schedule/board';
  import { momentOf } from '$core/base/zone';
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { hour, when } from '$lib/ui/page-state/when';
  import { mayHere } from '$lib/ui/page-state/who';
  import { momentAt } from '$core/schedule/board';
  import { minutesSaid, type BoardState } from './board-view.svelte';

  interface Props {
    board: BoardState;
    task: string;
  }
  let { board, task: id }: Props = $props();

  const a = $derived(board.assignedOf(id));
  const together = $derived(board.shown.find((b) => b.some((x) => x.task === id)) ?? []);
  const task = $derived(board.tasks.get(id)!);
  const number = $derived(Number(id.slice(0, id.indexOf(':'))));
  const job = $derived(board.jobs.get(number)!);
  const told = $derived(board.told.get(number));
  const pinned = $derived(board.pins.has(id));
  const zone = $derived(board.view.zone);
  const at = (minute: number) => hour(momentAt(minute), zone, board.view.now);
  const wall = (minute: number) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(
      minute * 60_000
    );

  let person = $state(
    untrack(() => board.assignedOf(id)?.person ?? board.view.workload.people[0]?.name ?? null)
  );
  let time = $state(untrack(() => (board.assignedOf(id) ? wall(board.assignedOf(id)!.start) : '08:00')));
  let minutes = $state(untrack(() => String(board.tasks.get(id)!.minutes)));
  let promised = $state(
    untrack(() => {
      const p = board.jobs.get(number)!.promised;
      return p ? wall(minuteOf(p)) : '';
    })
  );
  let problems = $state.raw<readonly Problem[]>([]);

  const check = $derived(id.slice(id.indexOf(':') + 1).split('/'));
  const href = $derived(
    check[0] === 'check' || (check[0] === 'proof' && check[1] !== 'run')
      ? `/jobs/${number}?check=${check[1]}`
      : check[0] === 'repair'
        ? `/jobs/${number}/finish`
        : `/jobs/${number}`
  );
  const NEEDS = {
    cold: 'The engine must stand cold first',
    warm: 'The engine must be warm',
    cool: 'The engine must be cool enough to open',
    any: 'The engine may be as it is'
  };

  async function said(answer: Promise<{ ok: boolean; problems?: readonly Problem[] }>, done: string) {
    const got = await answer;
    problems = got.ok ? [] : (got.problems ?? []);
    if (got.ok) toast(done);
  }
  const startWanted = () => minuteOf(momentOf(zone, board.day, time));
  function keepPromise() {
    const moment = promised === '' ? null : momentOf(zone, board.day, promised).toISOString();
    void said(board.promise(number, moment), moment ? 'Promised' : 'No longer promised');
  }
  function stretch() {
    const n = Number(minutes);
    if (!(n >= 1)) problems = [{ message: 'Minutes are a number of 1 or more' }];
    else void said(board.stretch(id, n), 'Published anew');
  }
</script>

<section class="card p-4" aria-label="Task">
  <div class="flex flex-wrap items-start gap-3">
    <div class="mr-auto">
      <h2><span class="reading">{job.fleetNo}</span> {task.title}</h2>
      <p class="text-ink-2 text-sm">{job.vehicleName}. {job.complaint}</p>
    </div>
    <a class="btn" {href}>Open</a>
    <button class="btn" onclick={() => (board.selected = null)}>Close</button>
  </div>
  {#if together.length > 1}
    <p class="mt-2 flex flex-wrap gap-2" aria-label="In one go">
      {#each together as other (other.task)}<button
          class="btn {other.task === id ? 'border-act border-2' : ''}"
          aria-pressed={other.task === id}
          onclick={() => (board.selected = other.task)}>{board.tasks.get(other.task)?.title}</button
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
  {#if told && (told.lateMin > 0 || (told.promised !== null && told.done === null))}
    <p class="text-off mt-1 font-semibold">
      {told.lateMin > 0 ? `${minutesSaid(told.lateMin)} late` : 'Late'}: {told.because}
    </p>
  {/if}
  {#if mayHere('technician')}
    <div class="mt-3 grid gap-x-6 gap-y-3 md:grid-cols-2">
      <form
        class="flex flex-wrap items-end gap-2"
        onsubmit={(e) => {
          e.preventDefault();
          void said(board.pin(id, { person, start: startWanted() }), 'Pinned');
        }}
      >
        <div class="w-44">
          <p class="mb-1 text-sm font-semibold">Who</p>
          <Select
            label="Who"
            quiet
            choices={board.view.workload.people.map((p) => ({ value: p.name, label: p.name }))}
            bind:value={person}
          />
        </div>
        <label class="w-28"
          ><span class="mb-1 block text-sm font-semibold">Begins</span><input
            class="field reading"
            type="time"
            step="300"
            bind:value={time}
            onchange={() => person && void board.look({ task: id, person, start: startWanted() })}
          /></label
        >
        <button class="btn" type="submit"><Pin size={18} aria-hidden="true" />Pin there</button>
        {#if pinned}<button
            class="btn"
            type="button"
            onclick={() => void said(board.unpin(id), 'No longer pinned')}
            ><PinOff size={18} aria-hidden="true" />Unpin</button
          >{/if}
      </form>
      <div class="flex flex-wrap items-end gap-2">
        <label class="w-28"
          ><span class="mb-1 block text-sm font-semibold">Takes, min</span><input
            class="field reading"
            inputmode="numeric"
            bind:value={minutes}
          /></label
        >
        <button class="btn" type="button" onclick={stretch}>Schedule anew</button>
        {#if mayHere('lead')}
          <label class="w-28"
            ><span class="mb-1 block text-sm font-semibold">Promised</span><input
              class="field reading"
              type="time"
              bind:value={promised}
            /></label
          >
          <button class="btn" type="button" onclick={keepPromise}>Promise</button>
        {/if}
      </div>
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
