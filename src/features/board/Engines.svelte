<script lang="ts">
  import { momentAt } from '$core/schedule/hours';
  import { byVehicle } from '$core/schedule/told';
  import type { JobToDo } from '$core/schedule/workload';
  import { when } from '$lib/ui/page-state/when';
  import type { BoardState } from './board-view.svelte';
  import HeatRow from './HeatRow.svelte';
  import Lane from './Lane.svelte';

  interface Props {
    board: BoardState;
    now: number;
  }
  let { board, now }: Props = $props();
  const { from, to } = $derived(board.hours!);

  /** Each vehicle with what is planned of it, the first promised first. */
  const vehicles = $derived(
    byVehicle(board.view.workload, board.view.published.schedule)
      .map((v) => ({ ...v, due: v.jobs.toSorted((a, b) => soonest(a) - soonest(b))[0] }))
      .toSorted((a, b) => soonest(a.due) - soonest(b.due))
  );
  const soonest = (j: JobToDo) => j.promised ?? Infinity;
  const isPromised = (j: JobToDo) => board.jobs.get(j.job)?.promised !== null;
</script>

{#each vehicles as v (v.vehicle)}
  {@const { job, fleetNo, promised } = v.due}
  <Lane {board} {now} height={52} vehicle={fleetNo}>
    {#snippet head()}
      <a class="reading quiet-link self-start font-bold" href="/jobs/{job}">{fleetNo}</a>
      {#if promised !== null}<span class="text-xs {board.isLate(job) ? 'text-off' : 'text-ink-2'}"
          >{isPromised(v.due) ? `by ${when(momentAt(promised), board.view.zone)}` : 'recheck due'}</span
        >{/if}
    {/snippet}
    <HeatRow
      engine={v.engine}
      past={v.jobs.flatMap((j) => board.jobs.get(j.job)?.past ?? []).toSorted((a, b) => a.at - b.at)}
      own={v.own}
      {from}
      {to}
      {now}
    />
    {#each v.own.filter(({ a }) => a.end > from && a.start < to) as { a, task } (a.task)}
      <span
        class="border-line-strong absolute inset-y-0 border-x border-dotted"
        style="left: {board.place(a.start)}%; width: {board.place(a.end) - board.place(a.start)}%"
        title={task.title}
      ></span>
    {/each}
    {#if isPromised(v.due) && promised !== null && promised > from && promised < to}<span
        class="bg-ink absolute inset-y-1 w-1"
        style="left: {board.place(promised)}%"
        title="Promised"
      ></span>{/if}
  </Lane>
{/each}
