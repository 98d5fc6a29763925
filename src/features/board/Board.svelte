<script lang="ts">
  import ChevronLeft from '@lucide/svelte/icons/chevron-left';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import interact from 'interactjs';
  import { invalidate } from '$app/navigation';
  import { toast } from 'svelte-sonner';
  import { untrack } from 'svelte';
  import { momentAt } from '$core/schedule/board';
  import type { Assigned } from '$core/schedule/workload';
  import { useNow } from '$lib/ui/page-state/now.svelte';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import { day, when } from '$lib/ui/page-state/when';
  import { mayHere } from '$lib/ui/page-state/who';
  import type { BoardView } from '$lib/views';
  import Block from './Block.svelte';
  import { BoardState, minutesSaid, STEP_MIN, type Move } from './board-view.svelte';
  import HeatRow from './HeatRow.svelte';
  import TaskPanel from './TaskPanel.svelte';

  let { view }: { view: BoardView } = $props();
  const board = new BoardState(untrack(() => view));
  /** A block is in the hand: a plan that comes meanwhile waits until it is put down. */
  let inHand = $state(false);
  $effect.pre(() => {
    if (!inHand) board.view = view;
  });
  $effect(() => board.start());
  const clock = useNow(untrack(() => view.now));
  const now = $derived(Math.floor(Date.parse(clock.iso) / 60_000));
  // What runs over its time is seen when its time is over.
  $effect(() => {
    void now;
    untrack(() => void invalidate('record:any'));
  });

  const { plan, changes } = $derived(view.published);
  const zone = $derived(view.zone);
  const at = (minute: number) =>
    new Intl.DateTimeFormat('en-GB', { timeZone: zone, hour: '2-digit', minute: '2-digit' }).format(
      minute * 60_000
    );
  const ticks = $derived(
    board.hours
      ? Array.from({ length: (board.hours.to - board.hours.from) / 60 }, (_, i) => board.hours!.from + 60 * i)
      : []
  );
  const isLate = (job: number) => {
    const t = board.told.get(job);
    return t !== undefined && t.promised !== null && (t.done === null || t.lateMin > 0);
  };
  const late = $derived(view.published.told.filter((t) => isLate(t.job)));
  const vehicles = $derived(
    view.workload.jobs
      .map((j) => ({
        ...j,
        own: plan.assigned.flatMap((a) => {
          const task = j.tasks.find((t) => t.id === a.task);
          return task ? [{ a, task }] : [];
        })
      }))
      .toSorted((a, b) => (a.promised ?? Infinity) - (b.promised ?? Infinity))
  );
  const blockOf = (all: readonly Assigned[]) => {
    const [a] = all;
    const left = Math.max(0, board.place(a.start));
    const isSelected = all.some(({ task }) => board.selected === task);
    return {
      all,
      task: board.taskOf(a),
      fleetNo: board.jobs.get(a.job)?.fleetNo ?? '',
      left,
      width: Math.min(100, board.place(all.at(-1)!.end)) - left,
      late: isLate(a.job),
      pinned: all.some(({ task }) => board.pins.has(task)),
      selected: isSelected,
      at: at(a.start),
      onselect: () => (board.selected = isSelected ? null : a.task)
    };
  };

  /** What is at a place, with the row of each where several vehicles stand there at once. */
  function rowsAt(place: string): { readonly all: readonly Assigned[]; readonly row: number }[] {
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

  /** Where the block goes that is being moved by keys; null while none is. */
  let carried = $state.raw<Move | null>(null);
  function key(a: Assigned, e: KeyboardEvent) {
    const people = view.workload.people.map((p) => p.name);
    const from = carried?.task === a.task ? carried : { task: a.task, person: a.person, start: a.start };
    const person = people.indexOf(from.person);
    const go: Record<string, () => Move> = {
      ArrowLeft: () => ({ ...from, start: from.start - STEP_MIN }),
      ArrowRight: () => ({ ...from, start: from.start + STEP_MIN }),
      ArrowUp: () => ({ ...from, person: people[Math.max(0, person - 1)] }),
      ArrowDown: () => ({ ...from, person: people[Math.min(people.length - 1, person + 1)] })
    };
    if (go[e.key]) {
      e.preventDefault();
      carried = go[e.key]();
      void board.look(carried);
    } else if (e.key === 'Enter' && carried?.task === a.task) {
      e.preventDefault();
      if (isPossible()) void drop(carried);
    } else if (e.key === 'Escape' && carried) {
      carried = null;
      board.consequence = null;
    }
  }
  const isPossible = () => !board.consequence?.says.startsWith('Not possible');
  async function drop(move: Move) {
    carried = null;
    const answer = await board.pin(move.task, move);
    if (!answer.ok) return void toast(answer.problems[0].message);
    toast('Pinned there', { action: { label: 'Undo', onClick: () => void board.unpin(move.task) } });
  }

  let rows = $state<HTMLElement>();
  $effect(() => {
    // What the page knows of its reader changes with every plan, and must not take a block out of the hand.
    if (!rows || !untrack(() => mayHere('technician'))) return;
    const host = rows;
    let move: Move | null = null;
    const moved = interact('[data-people] [data-block]', { context: host }).draggable({
      listeners: {
        start() {
          inHand = true;
        },
        move(event) {
          const block = event.target as HTMLElement;
          const x = Number(block.dataset.x ?? 0) + event.dx;
          const y = Number(block.dataset.y ?? 0) + event.dy;
          Object.assign(block.dataset, { x, y });
          block.style.transform = `translate(${x}px, ${y}px)`;
          block.style.pointerEvents = 'none';
          const lane = document.elementFromPoint(event.clientX, event.clientY)?.closest('[data-lane]');
          const wide = block.parentElement!.clientWidth;
          const { from, to } = board.hours!;
          const shift = Math.round(((x / wide) * (to - from)) / STEP_MIN) * STEP_MIN;
          const to_: Move = {
            task: block.dataset.block!,
            person: (lane as HTMLElement | null)?.dataset.lane ?? block.dataset.person!,
            start: Math.round((Number(block.dataset.start) + shift) / 5) * 5
          };
          if (move && move.person === to_.person && move.start === to_.start) return;
          move = to_;
          void board.look(to_);
        },
        end(event) {
          const block = event.target as HTMLElement;
          block.style.transform = '';
          block.style.pointerEvents = '';
          delete block.dataset.x;
          delete block.dataset.y;
          // The click that ends a drag opens nothing.
          block.addEventListener('click', (e) => e.stopImmediatePropagation(), { capture: true, once: true });
          if (move && isPossible()) void drop(move);
          else board.consequence = null;
          move = null;
          inHand = false;
        }
      }
    });
    return () => moved.unset();
  });
  $effect(() =>
    useShortcuts([
      { key: '[', label: 'The day before', run: () => (board.dayShown = Math.max(0, board.dayShown - 1)) },
      { key: ']', label: 'The next day', run: () => (board.dayShown = Math.min(6, board.dayShown + 1)) }
    ])
  );
  async function searchLonger() {
    toast(await board.searchLonger());
    await invalidate('record:any');
  }
</script>

<div class="mb-3 flex flex-wrap items-end gap-3">
  <div class="mr-auto">
    <p class="text-ink-2">{day(momentAt(board.hours?.from ?? now), zone)}</p>
    <h1>
      {late.length === 0
        ? 'Everything in time'
        : `${late.length} vehicle${late.length === 1 ? '' : 's'} will be late`}
    </h1>
  </div>
  <div class="flex">
    <button
      class="btn px-3"
      aria-label="The day before"
      disabled={board.dayShown === 0}
      onclick={() => board.dayShown--}><ChevronLeft size={20} aria-hidden="true" /></button
    >
    <button
      class="btn px-3"
      aria-label="The next day"
      disabled={board.dayShown === 6}
      onclick={() => board.dayShown++}><ChevronRight size={20} aria-hidden="true" /></button
    >
  </div>
  <a class="btn" href="/board/day">My day</a>
  <a class="btn" href="/board/evening">Evening</a>
  {#if mayHere('lead')}
    {#if board.searched === null}<button
        class="btn"
        onclick={searchLonger}
        disabled={plan.assigned.length === 0}>Search longer</button
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
  {#if late.length + plan.loose.length > 0 || changes.length > 0}
    <ul class="card mb-3 grid gap-x-6 px-4 py-2 md:grid-cols-2" aria-label="What to know">
      {#each late as t (t.job)}
        {@const change = changes.find((c) => c.job === t.job)}
        <li class="py-1" data-late={t.job}>
          <a class="reading font-bold" href="/jobs/{t.job}">{board.jobs.get(t.job)?.fleetNo}</a>
          <span class="text-off font-semibold"
            >{t.lateMin > 0 ? `${minutesSaid(t.lateMin)} late` : 'late'}</span
          >{change ? ' since the last change' : ''}: {t.because}
        </li>
      {/each}
      {#each plan.loose as l (l.task)}
        <li class="py-1" data-loose={l.task}>
          <span class="reading font-bold">{board.jobs.get(Number(l.task.split(':')[0]))?.fleetNo}</span>
          could not stay pinned: {l.because}
        </li>
      {/each}
    </ul>
  {/if}

  <p
    class="mb-2 min-h-6 font-semibold {board.consequence?.bad ? 'text-off' : ''}"
    role="status"
    data-consequence
  >
    {#if board.consequence}{board.jobs.get(Number(board.consequence.of.task.split(':')[0]))?.fleetNo} to {board
        .consequence.of.person}, {at(board.consequence.of.start)}. {board.consequence.says}{carried
        ? '. Enter pins it there, Escape leaves it.'
        : ''}{/if}
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
        <div class="border-line bg-card sticky top-0 z-20 flex border-b">
          <span class="w-32 shrink-0"></span>
          <div class="relative h-8 flex-1">
            {#each ticks as t (t)}<span
                class="text-ink-2 reading absolute top-1 pl-1 text-xs"
                style="left: {board.place(t)}%">{at(t)}</span
              >{/each}
          </div>
        </div>
        {#snippet scale()}
          {#each ticks as t (t)}<span
              class="border-line absolute inset-y-0 border-l"
              style="left: {board.place(t)}%"
            ></span>{/each}
          {#if board.hours && now > board.hours.from && now < board.hours.to}<span
              class="bg-off absolute inset-y-0 z-10 w-0.5"
              style="left: {board.place(now)}%"
            ></span>{/if}
        {/snippet}
        <div data-people>
          {#each view.workload.people as person (person.name)}
            <div class="border-line flex border-b" data-lane={person.name}>
              <p class="flex w-32 shrink-0 items-center px-3 text-sm font-semibold">{person.name}</p>
              <div class="bg-well relative h-14 flex-1">
                {#each person.shifts as s (s.from)}
                  {#if s.to > board.hours.from && s.from < board.hours.to}<span
                      class="bg-card absolute inset-y-0"
                      style="left: {board.place(Math.max(s.from, board.hours.from))}%; width: {board.place(
                        s.to
                      ) - board.place(Math.max(s.from, board.hours.from))}%"
                    ></span>{/if}
                {/each}
                {@render scale()}
                {#each plan.room.filter((r) => r.person === person.name && r.from < board.hours!.to && r.to > board.hours!.from) as r (r.from)}
                  <span
                    class="room border-line-strong absolute inset-y-2 rounded border border-dashed"
                    style="left: {board.place(r.from)}%; width: {board.place(r.to) - board.place(r.from)}%"
                    title="Kept free for what may follow on {board.jobs.get(r.job)?.fleetNo}"
                  ></span>
                {/each}
                {#each board.shown.filter(([a]) => a.person === person.name) as all (all[0].task)}
                  <Block {...blockOf(all)} onkey={(e) => key(all[0], e)} />
                {/each}
                {#if carried?.person === person.name}<span
                    class="border-act pointer-events-none absolute inset-y-0 z-20 w-1 border-l-4"
                    style="left: {board.place(carried.start)}%"
                  ></span>{/if}
              </div>
            </div>
          {/each}
        </div>
        <h2 class="text-ink-2 border-line border-b px-3 py-1 text-sm">Places</h2>
        {#each view.workload.sites as site (site.name)}
          {@const at = rowsAt(site.name)}
          {@const rows = 1 + Math.max(0, ...at.map((r) => r.row))}
          <div class="border-line flex border-b">
            <p class="flex w-32 shrink-0 items-center px-3 text-sm">{site.name}</p>
            <div class="relative flex-1" style="height: {30 * rows}px">
              {@render scale()}
              {#each at as { all, row } (all[0].task)}
                <Block {...blockOf(all)} {row} {rows} short />
              {/each}
            </div>
          </div>
        {/each}
        <h2 class="text-ink-2 border-line border-b px-3 py-1 text-sm">Engines</h2>
        {#each vehicles as v (v.job)}
          <div class="border-line flex border-b" data-vehicle={v.fleetNo}>
            <p class="w-32 shrink-0 px-3 py-1 text-sm leading-tight">
              <a class="reading quiet-link font-bold" href="/jobs/{v.job}">{v.fleetNo}</a>
              {#if v.promised !== null}<span class="block text-xs {isLate(v.job) ? 'text-off' : 'text-ink-2'}"
                  >by {when(momentAt(v.promised), zone)}</span
                >{/if}
            </p>
            <div class="relative h-12 flex-1">
              {@render scale()}
              <HeatRow engine={v.engine} own={v.own} from={board.hours.from} to={board.hours.to} {now} />
              {#each v.own.filter(({ a }) => a.end > board.hours!.from && a.start < board.hours!.to) as { a, task } (a.task)}
                <span
                  class="border-line-strong absolute inset-y-0 border-x border-dotted"
                  style="left: {board.place(a.start)}%; width: {board.place(a.end) - board.place(a.start)}%"
                  title={task.title}
                ></span>
              {/each}
              {#if v.promised !== null && v.promised > board.hours.from && v.promised < board.hours.to}<span
                  class="bg-ink absolute inset-y-1 w-1"
                  style="left: {board.place(v.promised)}%"
                  title="Promised"
                ></span>{/if}
            </div>
          </div>
        {/each}
      </div>
    {/if}
  </div>

  {#if board.selected && board.tasks.has(board.selected)}
    {#key board.selected}<div class="sticky bottom-16 z-30 mt-3 shadow-lg md:bottom-2">
        <TaskPanel {board} task={board.selected} />
      </div>{/key}
  {/if}

  {#if plan.left.length > 0}
    <section class="card mt-3 p-4" aria-label="Not planned">
      <h2>Not planned</h2>
      <ul class="mt-1">
        {#each plan.left as l (l.task)}
          <li class="border-line flex flex-wrap gap-x-3 border-t py-1.5 first:border-t-0">
            <button class="quiet-link reading font-bold" onclick={() => (board.selected = l.task)}
              >{board.jobs.get(l.job)?.fleetNo}</button
            ><span>{board.tasks.get(l.task)?.title}</span><span class="text-ink-2">{l.because}</span>
          </li>
        {/each}
      </ul>
    </section>
  {/if}
  <p class="text-ink-2 mt-3 text-sm">
    Published {when(view.madeAt, zone)}. Until all is done vehicles wait {minutesSaid(view.waits.engine)} for an engine,
    {minutesSaid(view.waits.floor)} for hands or a place, {minutesSaid(view.waits.part)} for parts. {#if view.bounds.broken > 0}No
      plan keeps more than
      {view.workload.jobs.filter((j) => j.promised !== null).length - view.bounds.broken} of the promises.{/if}
    The edge of a task says what the engine must be: cold, cool enough to open, or warm. Dashed time is kept free
    for what may follow. Drag a task, or move it by the arrow keys, to pin it.
  </p>
{/if}
