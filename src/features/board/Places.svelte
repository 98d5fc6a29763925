<script lang="ts">
  import Block from './Block.svelte';
  import type { BoardState } from './board-view.svelte';
  import Lane from './Lane.svelte';

  interface Props {
    board: BoardState;
    now: number;
  }
  let { board, now }: Props = $props();
  const ROW_PX = 30;

  /** What is at a place, with the row of each where several vehicles stand there at once. */
  function rowsAt(place: string) {
    const ends: number[] = [];
    return board.shown
      .filter(([a]) => a.place === place)
      .map((all) => {
        const free = ends.findIndex((end) => end <= all[0].start);
        const row = free < 0 ? ends.length : free;
        ends[row] = all.at(-1)!.end;
        return { all, row };
      });
  }
</script>

{#each board.view.workload.sites as site (site.name)}
  {@const at = rowsAt(site.name)}
  {@const rows = 1 + Math.max(0, ...at.map((r) => r.row))}
  <Lane {board} {now} height={ROW_PX * rows}>
    {#snippet head()}{site.name}{/snippet}
    {#each at as { all, row } (all[0].task)}<Block {board} {all} {row} {rows} short />{/each}
  </Lane>
{/each}
