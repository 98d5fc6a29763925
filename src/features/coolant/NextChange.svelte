<script lang="ts">
  import Tick from '$lib/ui/inputs/Tick.svelte';
  import DateInput from '$lib/ui/inputs/DateInput.svelte';
  import { untrack } from 'svelte';
  import { changeDue, changeInterval, type ChangePlan } from '$core/physics/coolant/mixture';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { date } from '$lib/ui/page-state/when';
  import type { Served } from './types';

  interface Props {
    today: string;
    services: readonly Served[];
    /** What the sheet says of its changes. */
    plan: ChangePlan | null;
  }
  let { today, services, plan }: Props = $props();

  const renewed = untrack(() => services.findLast((s) => s.service.renewed) ?? null);
  let changedOn = $state(renewed?.at.slice(0, 10) ?? '');
  let first = $state(renewed === null);
  const interval = $derived(changeInterval(plan, first));
  let everyMonths = $state<number | null>(untrack(() => interval.months));
  let changedKm = $state<number | null>(renewed?.service.odometerKm ?? null);
  let nowKm = $state<number | null>(untrack(() => services.at(-1)?.service.odometerKm ?? null));
  let everyKm = $state<number | null>(untrack(() => interval.km));
  function setFirst(now: boolean) {
    first = now;
    [everyMonths, everyKm] = [interval.months, interval.km];
  }
  let kmAYear = $state<number | null>(null);

  const real = $derived(/^\d{4}-\d{2}-\d{2}$/.test(changedOn) && !Number.isNaN(Date.parse(changedOn)));
  const wrong = $derived(
    changedOn !== '' && real && changedOn > today
      ? 'That is still to come'
      : changedKm !== null && nowKm !== null && nowKm < changedKm
        ? 'It has gone less than when it was changed'
        : ''
  );
  const due = $derived(
    real && !wrong && everyMonths !== null && everyMonths > 0 && everyMonths <= 240
      ? changeDue({
          changedOn,
          today,
          everyMonths: Math.round(everyMonths),
          changedKm,
          nowKm,
          everyKm,
          kmAYear
        })
      : null
  );
  const inWords = (days: number) =>
    days < 0
      ? `${Math.abs(days) > 60 ? `${Math.round(-days / 30.4)} months` : `${-days} days`} overdue`
      : days > 60
        ? `in ${Math.round(days / 30.4)} months`
        : `in ${days} days`;
</script>

<section class="card space-y-3 p-4" aria-label="Next change">
  <h2>Next change</h2>
  <p
    class="min-h-8 text-xl font-semibold {due && due.days < 0 ? 'text-off' : ''}"
    data-due
    aria-live="polite"
  >
    {#if due}{date(due.on)}, {inWords(due.days)}{due.by === 'distance'
        ? ', by distance'
        : ''}{:else if wrong}<span class="text-off text-base">{wrong}</span>{:else}<span
        class="text-ink-2 text-base font-normal">When was it changed last?</span
      >{/if}
  </p>
  <Tick label="It is still the first filling" value={first} onvalue={(v) => setFirst(v === true)} />
  <div class="grid grid-cols-2 gap-3">
    <DateInput label="Filled or changed on" max={today} bind:value={changedOn} />
    <QuantityInput
      label="Every, in months"
      kind="number"
      bind:value={everyMonths}
      hint={interval.given
        ? `${first ? 'first change' : 'later changes'}, by the sheet`
        : 'by the maker’s plan'}
    />
    <QuantityInput label="Odometer then" kind="distance" bind:value={changedKm} />
    <QuantityInput label="Odometer now" kind="distance" bind:value={nowKm} />
    <QuantityInput label="Every" kind="distance" bind:value={everyKm} hint="blank: by date only" />
    <QuantityInput label="Drives a year" kind="distance" bind:value={kmAYear} />
  </div>
</section>
