<script lang="ts">
  import { momentAt } from '$core/schedule/board';
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
    board.view.workload.jobs
      .map((j) => ({
        ...j,
        isPromised: board.jobs.get(j.job)?.promised !== null,
        own: board.view.published.schedule.assigned.flatMap((a) => {
          const task = j.tasks.find((t) => t.id === a.task);
          return task ? [{ a, task }] : [];
        })
      }))
      .toSorted((a, b) => (a.promised ?? Infinity) - (b.promised ?? Infinity))
  );
</script>

{#each vehicles as v (v.job)}
  <Lane {board} {now} height={52} vehicle={v.fleetNo}>
    {#snippet head()}
      <a class="reading quiet-link self-start font-bold" href="/jobs/{v.job}">{v.fleetNo}</a>
      {#if v.promised !== null}<span class="text-xs {board.isLate(v.job) ? 'text-off' : 'text-ink-2'}"
          >{v.isPromised ? `by ${when(momentAt(v.promised), board.view.zone)}` : 'recheck due'}</span
        >{/if}
    {/snippet}
    <HeatRow engine={v.engine} own={v.own} {from} {to} {now} />
    {#each v.own.filter(({ a }) => a.end > from && a.start < to) as { a, task } (a.task)}
      <span
        class="border-line-strong absolute inset-y-0 border-x border-dotted"
        style="left: {board.place(a.start)}%; width: {board.place(a.end) - board.place(a.start)}%"
        title={task.title}
      ></span>
    {/each}
    {#if v.isPromised && v.promised !== null && v.promised > from && v.promised < to}<span
        class="bg-ink absolute inset-y-1 w-1"
        style="left: {board.place(v.promised)}%"
        title="Promised"
      ></span>{/if}
  </Lane>
{/each}
