<script lang="ts">
  import Block from './Block.svelte';
  import type { BoardState } from './board-view.svelte';
  import Lane from './Lane.svelte';
  import type { Moving } from './moving.svelte';

  interface Props {
    board: BoardState;
    moving: Moving;
    now: number;
  }
  let { board, moving, now }: Props = $props();
  const { from, to } = $derived(board.hours!);
  const within = (s: { from: number; to: number }) => s.to > from && s.from < to;
  const wide = (s: { from: number; to: number }) =>
    `left: ${board.place(Math.max(s.from, from))}%; width: ${board.place(s.to) - board.place(Math.max(s.from, from))}%`;
</script>

<div data-people>
  {#each board.view.workload.people as person (person.name)}
    <Lane {board} {now} height={56} lane={person.name}>
      {#snippet head()}<span class="font-semibold">{person.name}</span>{/snippet}
      {#snippet below()}
        <span class="bg-well absolute inset-0"></span>
        {#each person.shifts.filter(within) as s (s.from)}<span
            class="bg-card absolute inset-y-0"
            style={wide(s)}
          ></span>{/each}
      {/snippet}
      {#each board.view.published.schedule.room.filter((r) => r.person === person.name && within(r)) as r (r.from)}
        <span
          class="border-line-strong absolute inset-y-2 rounded border border-dashed"
          style={wide(r)}
          title="Kept free for what may follow on {board.jobs.get(r.job)?.fleetNo}"
        ></span>
      {/each}
      {#each board.shown.filter(([a]) => a.person === person.name) as all (all[0].task)}
        <Block {board} {all} onkey={(e) => moving.key(all[0], e)} />
      {/each}
      {#if moving.carried?.person === person.name}<span
          class="border-act pointer-events-none absolute inset-y-0 z-20 w-1 border-l-4"
          style="left: {board.place(moving.carried.start)}%"
        ></span>{/if}
    </Lane>
  {/each}
</div>
