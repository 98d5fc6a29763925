<script lang="ts">
  import CalendarPlus from '~icons/lucide/calendar-plus';
  import { goto } from '$app/navigation';
  import { minuteOf, momentAt } from '$core/schedule/hours';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { useNow } from '$lib/ui/page-state/now.svelte';
  import { hour } from '$lib/ui/page-state/when';
  import { whoIsHere } from '$lib/ui/page-state/who';
  import { untrack } from 'svelte';
  import type { BoardView } from '$lib/views';
  import CalendarCard from './CalendarCard.svelte';
  import { hrefOf, tasksOf } from './words';

  interface Props {
    view: BoardView;
    /** Whose day; null where the address names nobody. */
    asked: string | null;
  }
  let { view, asked }: Props = $props();

  let calendar = $state(false);
  const people = $derived(view.workload.people.map((p) => p.name));
  /** The name on this device is the browser's to know, once the page is alive. */
  const here = $derived(typeof document === 'undefined' ? null : whoIsHere());
  const who = $derived([asked, here].find((name) => name !== null && people.includes(name)) ?? null);
  const wall = useNow(untrack(() => view.now));
  const now = $derived(minuteOf(wall.iso));
  const at = (minute: number) => hour(momentAt(minute), view.zone, wall.iso);
  const tasks = $derived(tasksOf(view));
  const own = $derived(
    view.published.schedule.assigned
      .filter((a) => a.person === who && a.end > now)
      .toSorted((a, b) => a.start - b.start)
      .slice(0, 12)
      .map((a) => ({ a, task: tasks.get(a.task), job: view.jobs.find((j) => j.number === a.job) }))
  );
  const isNow = (start: number) => start <= now;
  const WHY = {
    cold: 'The engine is cold: do it before anybody starts it',
    warm: 'The engine is warm then',
    cool: 'The engine is cool enough to open then',
    any: ''
  };
</script>

<div class="mb-4 flex flex-wrap items-end gap-3">
  <div class="mr-auto">
    <p class="text-ink-2"><a class="quiet-link" href="/board">Board</a></p>
    <h1>{who ?? 'My day'}</h1>
  </div>
  {#if people.length > 0}
    <div class="w-52">
      <Select
        label="Whose day"
        quiet
        choices={people.map((p) => ({ value: p, label: p }))}
        value={who}
        blank="Whose day"
        onvalue={(name) => name && void goto(`/board/day?who=${encodeURIComponent(name)}`)}
      />
    </div>
  {/if}
  {#if who}<button class="btn" aria-expanded={calendar} onclick={() => (calendar = !calendar)}
      ><CalendarPlus size={18} aria-hidden="true" />Calendar</button
    >{/if}
</div>
{#if who && calendar}{#key who}<CalendarCard {who} onclose={() => (calendar = false)} />{/key}{/if}

{#if own.length === 0}
  <p class="card text-ink-2 p-6">
    {people.length === 0
      ? 'Nobody is on the floor yet.'
      : who === null
        ? 'Say above whose day it is.'
        : `Nothing is planned for ${who}.`}
    <a class="quiet-link" href="/board">Board</a>
  </p>
{:else}
  <ol class="space-y-3">
    {#each own as { a, task, job }, i (a.task)}
      <li
        class="card p-4 {i === 0 ? 'border-act border-2' : ''}"
        data-mine={a.task}
        aria-label={i === 0 ? (isNow(a.start) ? 'Now' : 'Next') : undefined}
      >
        <p class="text-ink-2 flex items-baseline gap-3 text-sm">
          <span class="font-bold"
            >{isNow(a.start) ? 'Now' : i === 0 || isNow(own[i - 1].a.start) ? 'Next' : 'Then'}</span
          >
          <span class="reading">{at(a.start)} to {at(a.end)}</span>
          <span class="ml-auto">{a.place ?? 'On the road'}</span>
        </p>
        <p class="mt-1 {i === 0 ? 'text-2xl' : 'text-lg'} leading-tight font-bold">
          <span class="reading">{job?.fleetNo}</span>
          {task?.title}
        </p>
        <p class="text-ink-2 mt-1 text-sm">
          {job?.vehicleName}.{task && WHY[task.engine] ? ` ${WHY[task.engine]}.` : ''}{a.warmUpMin > 0
            ? ` ${a.warmUpMin} min of it warm the engine.`
            : ''}{task && task.tools.length > 0 ? ` ${task.tools.join(', ')}.` : ''}
        </p>
        {#if i === 0}<a class="btn btn-main mt-3 w-full" href={hrefOf(a.task)}>Open</a>{/if}
      </li>
    {/each}
  </ol>
{/if}
