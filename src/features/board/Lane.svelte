<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { BoardState } from './board-view.svelte';

  interface Props {
    board: BoardState;
    now: number;
    height: number;
    /** What it is called at its head. */
    head: Snippet;
    /** What lies below the lines of the hours, and what lies over them. */
    below?: Snippet;
    children?: Snippet;
    /** Whose row it is, for what is dragged over it. */
    lane?: string;
    vehicle?: string;
  }
  let { board, now, height, head, below, children, lane, vehicle }: Props = $props();
</script>

<!-- One row of the board: its name, and the hours of the day with a line at each and one at now. -->
<div class="border-line flex border-b" data-lane={lane} data-vehicle={vehicle}>
  <div class="flex w-32 shrink-0 flex-col justify-center px-3 text-sm leading-tight">{@render head()}</div>
  <div class="relative flex-1" style="height: {height}px">
    {@render below?.()}
    {#each board.ticks as t (t)}<span
        class="border-line absolute inset-y-0 border-l"
        style="left: {board.place(t)}%"
      ></span>{/each}
    {#if board.hours && now > board.hours.from && now < board.hours.to}<span
        class="bg-off absolute inset-y-0 z-10 w-0.5"
        style="left: {board.place(now)}%"
      ></span>{/if}
    {@render children?.()}
  </div>
</div>
