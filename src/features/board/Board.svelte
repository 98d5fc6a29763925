<script lang="ts">
  import ChevronLeft from '~icons/lucide/chevron-left';
  import ChevronRight from '~icons/lucide/chevron-right';
  import { invalidate } from '$app/navigation';
  import { page } from '$app/state';
  import { toast } from 'svelte-sonner';
  import { untrack } from 'svelte';
  import { minuteOf } from '$core/schedule/hours';
  import { useNow } from '$lib/ui/page-state/now.svelte';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { day, when } from '$lib/ui/page-state/when';
  import { mayHere } from '$lib/ui/page-state/who';
  import type { BoardView } from '$lib/views';
  import { BoardState } from './board-view.svelte';
  import Engines from './Engines.svelte';
  import { Moving } from './moving.svelte';
  import People from './People.svelte';
  import Places from './Places.svelte';
  import TaskPanel from './TaskPanel.svelte';
  import WhatToKnow from './WhatToKnow.svelte';
  import { clock, minutesSaid } from './words';

  let { view }: { view: BoardView } = $props();
  const board = new BoardState(
    untrack(() => view),
    () => page.url.searchParams
  );
  const moving = new Moving(board);
  $effect.pre(() => {
    if (!moving.inHand) board.view = view;
  });
  $effect(() => board.start());
  const wall = useNow(untrack(() => view.now));
  const now = $derived(minuteOf(wall.iso));

  const schedule = $derived(view.published.schedule);
  // What runs over its time is planned anew when its time is over, by whoever looks.
  const nextEnd = $derived(
    Math.min(...schedule.assigned.map((a) => a.end).filter((end) => end > minuteOf(view.now)))
  );
  $effect(() => {
    if (now > nextEnd) void invalidate('record:any');
  });

  const late = $derived(view.published.told.filter((t) => t.late).length);
  /** Promises, and rechecks that are due. */
  const due = $derived(view.workload.jobs.filter((j) => j.promised !== null).length);
  let rows = $state<HTMLElement>();
  $effect(() => {
    // What the page knows of its reader changes with every plan, and must not take a block out of the hand.
    if (rows && untrack(() => mayHere('technician'))) return moving.byHand(rows);
    return undefined;
  });
  $effect(() =>
    useShortcuts([
      { key: '[', label: 'The day before', run: () => board.step(-1) },
      { key: ']', label: 'The next day', run: () => board.step(1) }
    ])
  );
  async function searchLonger() {
    toast(await board.searchLonger());
    await invalidate('record:any');
  }
</script>

<div class="mb-3 flex flex-wrap items-end gap-3">
  <div class="mr-auto">
    <p class="text-ink-2">{day(`${board.day}T12:00:00Z`, 'UTC')}</p>
    <h1>{late === 0 ? 'Everything in time' : `${late} vehicle${late === 1 ? '' : 's'} will be late`}</h1>
  </div>
  <div class="flex gap-1">
    <button
      class="btn px-3"
      aria-label="The day before"
      disabled={board.day === board.days[0]}
      onclick={() => board.step(-1)}><ChevronLeft size={20} aria-hidden="true" /></button
    >
    <button
      class="btn px-3"
      aria-label="The next day"
      disabled={board.day === board.days.at(-1)}
      onclick={() => board.step(1)}><ChevronRight size={20} aria-hidden="true" /></button
    >
  </div>
  <a class="btn" href="/board/day">My day</a>
  <a class="btn" href="/board/evening">Evening</a>
  {#if mayHere('lead')}
    {#if board.searched === null}<button
        class="btn"
        onclick={searchLonger}
        disabled={schedule.assigned.length === 0}>Search longer</button
      >{:else}<span class="flex items-center gap-2" role="status"
        ><progress value={board.searched} aria-label="Search"></progress><button
          class="btn"
          onclick={board.stop}>Stop</button
        ></span
      >{/if}
  {/if}
</div>

{#if view.floor.people.length === 0}
  <div class="card mx-auto max-w-xl p-8 text-center">
    <h2>Nobody is on the floor</h2>
    <p class="text-ink-2 mt-2">
      Say who works here and when, and where work is done. Then the board plans itself.
    </p>
    <p class="mt-5"><a class="btn btn-main" href="/shop#floor">People and places</a></p>
  </div>
{:else if view.workload.jobs.length === 0}
  <p class="card text-ink-2 p-6">
    Nothing is to be done. <a class="quiet-link" href="/jobs/new">Open a job</a>
  </p>
{:else}
  <WhatToKnow {board} />
  <p
    class="mb-2 min-h-6 font-semibold {board.consequence?.bad ? 'text-off' : ''}"
    role="status"
    data-consequence
  >
    {#if board.consequence}
      {@const { of, says } = board.consequence}
      {board.fleetNo(of.task)} to {of.person}, {clock(of.start, view.zone)}. {says}{moving.carried
        ? '. Enter pins it there, Escape leaves it.'
        : ''}
    {/if}
  </p>

  <!-- A wide board scrolls sideways within itself, also by keyboard. -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div
    class="card overflow-x-auto"
    bind:this={rows}
    role="region"
    aria-label="Board"
    tabindex="0"
    data-made={view.madeAt}
  >
    {#if !board.hours}
      <p class="text-ink-2 p-6">Nobody works on this day.</p>
    {:else}
      <div class="min-w-[860px]">
        <div class="border-line flex border-b">
          <span class="w-32 shrink-0"></span>
          <div class="relative h-8 flex-1">
            {#each board.ticks as t (t)}<span
                class="text-ink-2 reading absolute top-1 pl-1 text-xs"
                style="left: {board.place(t)}%">{clock(t, view.zone)}</span
              >{/each}
          </div>
        </div>
        <People {board} {moving} {now} />
        <h2 class="text-ink-2 border-line border-b px-3 py-1 text-sm">Places</h2>
        <Places {board} {now} />
        <h2 class="text-ink-2 border-line border-b px-3 py-1 text-sm">Engines</h2>
        <Engines {board} {now} />
      </div>
    {/if}
  </div>

  {#if board.selected && board.tasks.has(board.selected)}
    {#key board.selected}<div class="sticky bottom-16 z-30 mt-3 shadow-lg md:bottom-2">
        <TaskPanel {board} task={board.selected} />
      </div>{/key}
  {/if}

  {#if schedule.left.length > 0}
    <section class="card mt-3 p-4" aria-label="Not planned">
      <h2>Not planned</h2>
      <ul class="mt-1">
        {#each schedule.left as l (l.task)}
          <li class="border-line flex flex-wrap items-center gap-x-3 border-t py-1 first:border-t-0">
            <button class="quiet-link reading min-h-11 font-bold" onclick={() => board.show({ task: l.task })}
              >{board.fleetNo(l.task)}</button
            ><span>{board.tasks.get(l.task)?.title}</span><span class="text-ink-2">{l.because}</span>
          </li>
        {/each}
      </ul>
    </section>
  {/if}
  <p class="text-ink-2 mt-3 text-sm">
    Planned {when(view.madeAt, view.zone)}. Until all is done vehicles wait {minutesSaid(view.waits.engine)} for
    an engine,
    {minutesSaid(view.waits.floor)} for hands or a place, {minutesSaid(view.waits.part)} for parts.
    {#if view.bounds.broken > 0}No plan is in time with more than {due - view.bounds.broken} of {due}.{/if}
    The edge of a task says what the engine must be: cold, cool enough to open, or warm. Dashed time is kept free
    for what may follow. Drag a task, or move it by the arrow keys, to pin it.
  </p>
{/if}
