<script lang="ts">
  import TriangleAlert from '~icons/lucide/triangle-alert';
  import Pin from '~icons/lucide/pin';
  import type { Assigned } from '$core/schedule/workload';
  import type { BoardState } from './board-view.svelte';
  import { clock } from './words';

  interface Props {
    board: BoardState;
    /** Tasks that follow one another, one at least. */
    all: readonly Assigned[];
    /** Only the vehicle’s number. */
    short?: boolean;
    /** Where several lie over one another: which of how many rows. */
    row?: number;
    rows?: number;
    onkey?: (e: KeyboardEvent) => void;
  }
  let { board, all, short = false, row = 0, rows = 1, onkey }: Props = $props();

  /** The edge says what the engine must be, by the heat scale; what may be done at any time has none. */
  const EDGE = {
    cold: 'var(--heat-1)',
    warm: 'var(--heat-4)',
    cool: 'var(--heat-2)',
    any: 'var(--line-strong)'
  };
  const NEEDS = { cold: 'engine cold', warm: 'engine warm', cool: 'engine cool', any: '' };
  const a = $derived(all[0]);
  const task = $derived(board.tasks.get(a.task));
  const need = $derived(task?.engine ?? 'any');
  const title = $derived(`${task?.title ?? ''}${all.length > 1 ? ` and ${all.length - 1} more` : ''}`);
  const fleetNo = $derived(board.fleetNo(a.task));
  const late = $derived(board.isLate(a.job));
  const pinned = $derived(all.some((x) => board.pins.has(x.task)));
  const selected = $derived(all.some((x) => x.task === board.selected));
  const at = $derived(clock(a.start, board.view.zone));
  const left = $derived(Math.max(0, board.place(a.start)));
  const width = $derived(Math.min(100, board.place(all.at(-1)!.end)) - left);
</script>

<button
  type="button"
  class="bg-card absolute block touch-none overflow-hidden rounded border text-left text-xs leading-tight select-none {late
    ? 'border-off'
    : 'border-line-strong'} {selected ? 'ring-act z-10 ring-2' : ''}"
  style="left: {left}%; width: {width}%; top: calc({(100 * row) / rows}% + 3px); height: calc({100 /
    rows}% - 6px); border-left: 5px solid {EDGE[need]}"
  data-block={a.task}
  data-person={a.person}
  data-start={a.start}
  title="{fleetNo} {title}, {at}"
  aria-pressed={selected}
  aria-label="{fleetNo} {title}, {at}, {a.person}{NEEDS[need] ? `, ${NEEDS[need]}` : ''}{late
    ? ', late'
    : ''}{pinned ? ', pinned' : ''}"
  onclick={() => board.show({ task: selected ? null : a.task })}
  onkeydown={onkey}
>
  <span class="flex items-center gap-1 px-1 pt-0.5">
    <span class="reading font-bold whitespace-nowrap">{fleetNo}</span>
    {#if pinned}<Pin size={12} aria-hidden="true" />{/if}
    {#if late && !short}<TriangleAlert class="text-off ml-auto shrink-0" size={14} aria-hidden="true" />{/if}
  </span>
  {#if !short}<span class="text-ink-2 block truncate px-1">{title}</span>{/if}
</button>
