<script lang="ts">
  import DateInput from '$lib/ui/inputs/DateInput.svelte';
  import { FAULTS } from '$core/faults/registry';
  import type { DepotNumbers } from '$core/handover/numbers';
  import { repairOf } from '$core/vehicle/repairs';
  import type BarsChart from '$lib/ui/plots/Bars.svelte';

  interface Props {
    now: DepotNumbers;
    /** Of the same length just before. */
    before: DepotNumbers;
    period: { readonly from: string; readonly to: string };
    today: string;
    wrong: readonly (string | null)[];
  }
  let { now, before, period, today, wrong }: Props = $props();

  // Drawn in the page only: the library of the charts wants a window.
  let Bars = $state.raw<typeof BarsChart>();
  $effect(() => void import('$lib/ui/plots/Bars.svelte').then((b) => (Bars = b.default)));

  const back = (days: number) =>
    new Date(Date.parse(today) - (days - 1) * 86_400_000).toISOString().slice(0, 10);
  const PERIODS = [
    [30, '30 days'],
    [91, '3 months'],
    [365, 'A year']
  ] as const;
  const pct = (share: number | null) => (share === null ? '–' : `${Math.round(share * 100)} %`);
  const one = (x: number | null, unit: string) => (x === null ? '–' : `${x.toFixed(x < 10 ? 1 : 0)} ${unit}`);
  const wasted = $derived(now.needless.reduce((sum, r) => sum + r.n, 0));
  const wastedBefore = $derived(before.needless.reduce((sum, r) => sum + r.n, 0));
  const figures = $derived([
    {
      id: 'first-time',
      title: 'Fixed first time',
      now: pct(now.firstTime),
      before: pct(before.firstTime),
      of: `of ${now.repaired} repaired`
    },
    {
      id: 'proven',
      title: 'Closed as proven',
      now: String(now.proven),
      before: String(before.proven),
      of: `of ${now.jobs} jobs`
    },
    {
      id: 'comebacks',
      title: 'Comebacks',
      now: String(now.comebacks),
      before: String(before.comebacks),
      of: 'after closing'
    },
    {
      id: 'needless',
      title: 'Parts that cured nothing',
      now: String(wasted),
      before: String(wastedBefore),
      of: `of ${now.parts} fitted`
    },
    {
      id: 'hours',
      title: 'Labour',
      now: one(now.hours, 'h'),
      before: one(before.hours, 'h'),
      of: `${one(now.medianHours, 'h')} a job`
    },
    {
      id: 'days',
      title: 'Days in the shop',
      now: one(now.medianDays, 'd'),
      before: one(before.medianDays, 'd'),
      of: 'from opening to closing, median'
    },
    {
      id: 'promises',
      title: 'Promises kept',
      now: now.promised === 0 ? '–' : `${now.kept}`,
      before: before.promised === 0 ? '–' : `${before.kept} of ${before.promised}`,
      of: `of ${now.promised} promised`
    },
    {
      id: 'soaks',
      title: 'Soaks lost',
      now: `${now.lostSoaks}`,
      before: `${before.lostSoaks}`,
      of: 'cold checks on an engine not cold'
    }
  ]);
  const waits = $derived([
    { title: 'For a cold engine', now: now.waits?.engineH ?? null, before: before.waits?.engineH ?? null },
    { title: 'For a part', now: now.waits?.partH ?? null, before: before.waits?.partH ?? null },
    { title: 'For a place or hands', now: now.waits?.floorH ?? null, before: before.waits?.floorH ?? null }
  ]);
  const known = $derived(now.causes.flatMap(({ cause, n }) => (cause === null ? [] : [{ cause, n }])));
  const unknown = $derived(now.causes.find((c) => c.cause === null)?.n ?? 0);
  const most = $derived(Math.max(1, ...known.map((c) => c.n)));
  const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'short', timeZone: 'UTC' });
  const monthWord = (month: string) => MONTH.format(new Date(`${month}-15T12:00:00Z`));
</script>

<div class="mb-4 flex flex-wrap items-end gap-4">
  <div class="mr-auto">
    <p class="text-ink-2"><a class="quiet-link" href="/">Day</a></p>
    <h1>{now.jobs} job{now.jobs === 1 ? '' : 's'} closed</h1>
  </div>
  <nav class="flex gap-2" aria-label="Period">
    {#each PERIODS as [days, title] (days)}
      {@const chosen = period.from === back(days) && period.to === today}
      <a
        class="btn {chosen ? 'btn-main' : ''}"
        aria-current={chosen ? 'page' : undefined}
        href="/numbers?from={back(days)}&to={today}">{title}</a
      >
    {/each}
  </nav>
  <form method="GET" class="flex flex-wrap items-end gap-2">
    <DateInput label="From" quiet name="from" value={period.from} />
    <DateInput label="To" quiet name="to" value={period.to} />
    <button class="btn">Show</button>
  </form>
</div>
{#if wrong.length > 0}<p class="card mb-3 px-4 py-2" role="alert">
    {wrong.join(' and ')} is no date; one looks like {today}. A year is shown instead.
  </p>{/if}

{#if now.jobs === 0}
  <p class="card text-ink-2 p-6">No job was closed from {period.from} to {period.to}.</p>
{:else}
  <dl class="mb-4 grid grid-cols-2 gap-3 md:grid-cols-3 xl:grid-cols-8">
    {#each figures as f (f.id)}
      <div class="card px-4 py-3" data-figure={f.id}>
        <dt class="text-ink-2 text-sm">{f.title}</dt>
        <dd class="reading mt-1 text-3xl font-bold">{f.now}</dd>
        <dd class="text-ink-2 text-sm">{f.of}</dd>
        {#if before.jobs > 0}<dd class="text-ink-2 text-sm">before: {f.before}</dd>{/if}
      </div>
    {/each}
  </dl>

  <div class="grid items-start gap-4 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
    <section class="card p-4" aria-label="Cause">
      <h2>Causes</h2>
      <ol class="mt-2">
        {#each known as { cause, n } (cause)}
          <li class="grid min-h-9 grid-cols-[minmax(0,15rem)_1fr_2.5rem] items-center gap-3">
            <span class="truncate">{FAULTS[cause].title}</span>
            <span class="bg-act block h-4 rounded-sm" style:width="{(100 * n) / most}%"></span>
            <span class="reading text-right">{n}</span>
          </li>
        {/each}
      </ol>
      {#if unknown > 0}<p class="text-ink-2 mt-2 text-sm">
          {unknown} more closed without a cause on record: services, and what was declined or referred on.
        </p>{/if}
    </section>
    <div class="space-y-4">
      {#if now.months.length > 1}
        <section class="card p-4" aria-label="Month by month">
          <h2>Jobs closed, month by month</h2>
          {#if Bars}<Bars
              labels={now.months.map((m) => monthWord(m.month))}
              values={now.months.map((m) => m.jobs)}
              counts="jobs"
              label={now.months.map((m) => `${monthWord(m.month)} ${m.jobs}`).join(', ')}
            />{/if}
        </section>
        <section class="card p-4" aria-label="Hours by month">
          <h2>Labour hours</h2>
          {#if Bars}<Bars
              labels={now.months.map((m) => monthWord(m.month))}
              values={now.months.map((m) => Math.round(m.hours * 10) / 10)}
              counts="hours"
              label={now.months.map((m) => `${monthWord(m.month)} ${m.hours.toFixed(1)} h`).join(', ')}
              height={150}
            />{/if}
        </section>
      {/if}
      {#if now.waits}
        <section class="card p-4" aria-label="Waiting">
          <h2>What vehicles waited for</h2>
          <dl class="mt-1">
            {#each waits as w (w.title)}<div class="flex items-baseline justify-between gap-3 py-1">
                <dt>{w.title}</dt>
                <dd class="text-right">
                  <span class="reading font-bold">{one(w.now, 'h')}</span>
                  {#if before.waits}<span class="text-ink-2 block text-sm">before: {one(w.before, 'h')}</span
                    >{/if}
                </dd>
              </div>{/each}
          </dl>
          <p class="text-ink-2 mt-1 text-sm">
            A job, on average of {now.waits.jobs}: engine and part by the clock, place and hands in open
            hours.
          </p>
        </section>
      {/if}
      <section class="card p-4" aria-label="Outcomes">
        <h2>Outcomes</h2>
        <ul class="mt-1">
          {#each now.outcomes as { outcome, n } (outcome)}<li class="flex justify-between gap-3 py-1">
              <span>{outcome.charAt(0).toUpperCase()}{outcome.slice(1)}</span><span class="reading">{n}</span>
            </li>{/each}
        </ul>
        {#if now.needless.length > 0}
          <h3 class="mt-3 font-semibold">Replaced, did not cure it</h3>
          <ul>
            {#each now.needless as { repair, n } (repair)}<li class="flex justify-between gap-3 py-1">
                <span>{repairOf(repair).title}</span><span class="reading">{n}</span>
              </li>{/each}
          </ul>
        {/if}
      </section>
    </div>
  </div>
  <p class="text-ink-2 mt-4 text-sm">
    Hours are those of the catalogue for the checks and repairs on record, not a time clock. A part counts as
    needless where the cause is known and the repair does not cure it.
  </p>
{/if}
