<script lang="ts">
  import Printer from '~icons/lucide/printer';
  import { dayAfter, dayIn, momentOf } from '$core/base/zone';
  import { PLANNED_DAYS } from '$core/schedule/board';
  import { minuteOf, momentAt } from '$core/schedule/hours';
  import { eveningOf } from '$core/schedule/told';
  import { day, when } from '$lib/ui/page-state/when';
  import type { BoardView } from '$lib/views';
  import { clock, minutesSaid, tasksOf } from './words';

  let { view }: { view: BoardView } = $props();

  const zone = $derived(view.zone);
  const today = $derived(dayIn(zone, new Date(view.now)));
  /** The next day on which anybody works. */
  const next = $derived(
    Array.from({ length: PLANNED_DAYS - 1 }, (_, n) => dayAfter(today, n + 1)).find((d) => {
      const from = minuteOf(momentOf(zone, d, '00:00'));
      return view.workload.people.some((p) => p.shifts.some((s) => s.from >= from && s.from < from + 1440));
    }) ?? null
  );
  const from = $derived(next === null ? 0 : minuteOf(momentOf(zone, next, '00:00')));
  const words = $derived(
    next === null ? [] : eveningOf(view.workload, view.published.schedule, from, from + 1440)
  );
  const tasks = $derived(tasksOf(view));
  const fleet = (job: number) => view.jobs.find((j) => j.number === job)?.fleetNo ?? '';
  const begins = $derived(
    view.workload.people.flatMap((p) => {
      const own = view.published.schedule.assigned
        .filter((a) => a.person === p.name && a.start >= from && a.start < from + 1440)
        .toSorted((a, b) => a.start - b.start);
      return own.length > 0 ? [{ name: p.name, own }] : [];
    })
  );
  const parts = $derived(
    view.workload.jobs.flatMap((j) =>
      j.tasks
        .filter((t) => t.from !== null && t.from > view.workload.now && t.kind === 'repair')
        .map((t) => ({ j, t }))
    )
  );
  const late = $derived(view.published.told.filter((t) => t.late));
  const at = (minute: number) => clock(minute, zone);
</script>

<article class="mx-auto max-w-3xl print:text-black">
  <div class="no-print mb-3 flex flex-wrap gap-2">
    <button class="btn btn-main" onclick={() => window.print()}
      ><Printer size={18} aria-hidden="true" />Print</button
    >
    <a class="btn" href="/board">Board</a>
  </div>
  <header class="border-b-2 border-current pb-2">
    <h1>Handover</h1>
    <p>{when(view.now, zone)}{next ? `, for ${day(`${next}T12:00:00Z`, 'UTC')}` : ''}</p>
  </header>
  {#if next === null}
    <p class="mt-4">Nobody works within the days that are planned.</p>
  {:else}
    <section class="mt-4">
      <h2>Engines tonight</h2>
      {#if words.length === 0}<p>No engine must be cold in the morning.</p>{/if}
      <ul class="mt-1">
        {#each words as w (w.job)}
          <li class="border-t border-current py-2" data-evening={w.say}>
            <span class="reading font-bold">{w.fleetNo}</span>
            {#if w.say === 'leave'}
              <strong>Do not start it.</strong>
              {w.title} at {at(w.at)} counts only on a cold engine{w.by > view.workload.now
                ? `; it is cold from ${when(momentAt(w.by), zone)} on`
                : ''}.
            {:else}
              <strong>Stop it by {when(momentAt(w.by), zone)}.</strong> Then it is cold for {w.title} at {at(
                w.at
              )}.
            {/if}
          </li>
        {/each}
      </ul>
    </section>
    <section class="mt-4 break-inside-avoid">
      <h2>In the morning</h2>
      <ul class="mt-1">
        {#each begins as { name, own } (name)}
          <li class="border-t border-current py-2">
            <strong>{name}:</strong>
            {#each own.slice(0, 4) as a, i (a.task)}{i > 0 ? '; ' : ' '}<span class="reading"
                >{at(a.start)}</span
              >
              {fleet(a.job)}
              {tasks.get(a.task)?.title}, {a.place ?? 'road'}{/each}{own.length > 4
              ? `; and ${own.length - 4} more`
              : ''}
          </li>
        {/each}
      </ul>
    </section>
    {#if parts.length > 0}
      <section class="mt-4 break-inside-avoid">
        <h2>Parts</h2>
        <ul class="mt-1">
          {#each parts as { j, t } (t.id)}
            <li class="border-t border-current py-2">
              <span class="reading font-bold">{j.fleetNo}</span>
              {t.title}: from {day(momentAt(t.from!), zone)}
            </li>
          {/each}
        </ul>
      </section>
    {/if}
    {#if late.length > 0}
      <section class="mt-4 break-inside-avoid">
        <h2>Late</h2>
        <ul class="mt-1">
          {#each late as t (t.job)}
            <li class="border-t border-current py-2">
              <span class="reading font-bold">{fleet(t.job)}</span>
              {t.lateMin > 0 ? minutesSaid(t.lateMin) : 'No hour was found'}: {t.because}
            </li>
          {/each}
        </ul>
      </section>
    {/if}
  {/if}
</article>
