<script lang="ts">
  import { limitsOf } from '$core/vehicle/limits';
  import { isBase, shown } from '$lib/ui/page-state/units';
  import Download from '@lucide/svelte/icons/download';
  import Pencil from '@lucide/svelte/icons/pencil';
  import { goto } from '$app/navigation';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import SensorCurve from './SensorCurve.svelte';
  import { fanWords } from '$core/vehicle/fan-words';
  import type { Vehicle } from './types';

  interface Props {
    vehicle: Vehicle;
  }
  let { vehicle }: Props = $props();
  const sheet = $derived(vehicle.sheet);
  /** As given, in the units this person reads. */
  const degrees = (celsius: number | null | undefined) =>
    celsius == null
      ? 'not given'
      : shown(celsius, 'temperature', Number.isInteger(celsius) && isBase('temperature') ? 0 : 1);
  const given = (value: unknown, unit = '') =>
    value === null || value === undefined ? 'not given' : `${value}${unit ? ` ${unit}` : ''}`;

  const groups = $derived(
    sheet
      ? [
          {
            title: 'Engine',
            rows: [
              ['Fuel', given(sheet.engine?.fuel)],
              ['Displacement', given(sheet.engine?.displacementL, 'L')],
              ['Coolant', given(sheet.engine?.coolantL, 'L')],
              ['Cap', sheet.cap?.kPa == null ? 'not given' : shown(sheet.cap.kPa, 'pressure')]
            ]
          },
          {
            title: 'Thermostat',
            rows: [
              ['Starts to open', degrees(sheet.thermostat.startOpenC)],
              ['Fully open', degrees(sheet.thermostat.fullOpenC)],
              ['Shut again by', degrees(sheet.thermostat.closedByC)],
              ['Lift at least', given(sheet.thermostat.minLiftMm, 'mm')],
              ['Sits at the', given(sheet.thermostat.side)],
              ['Heater', sheet.thermostat.heaterOhm ? `${sheet.thermostat.heaterOhm} Ω` : 'none given']
            ]
          },
          {
            title: 'Fan',
            rows: [
              ['Drive', fanWords(sheet).replace(/, \d.*$/, '')],
              ...(sheet.fan?.stages ?? []).map((s) => [
                `On, ${s.name}`,
                `${degrees(s.onC)}, off ${degrees(s.offC)}`
              ]),
              ['With A/C', given(sheet.fan?.onWithAc == null ? null : sheet.fan.onWithAc ? 'on' : 'no')],
              ['After-run at most', given(sheet.fan?.afterRunMaxMin, 'min')]
            ]
          },
          {
            title: 'Limits',
            rows: [
              ['Regulates', `${degrees(sheet.regulating?.lowC)} to ${degrees(sheet.regulating?.highC)}`],
              ['Hot above', degrees(sheet.limits?.hotC)],
              ['Stop the engine at', degrees(sheet.limits?.stopC)],
              ['Open the cap below', degrees(sheet.limits?.openCapC)]
            ]
          }
        ]
      : []
  );
  const edit = $derived(`/vehicles/${vehicle.id}/sheet`);
  $effect(() => useShortcuts([{ key: 'e', label: 'Edit the spec sheet', run: () => void goto(edit) }]));
</script>

<header class="mb-4 flex flex-wrap items-end gap-3">
  <div class="mr-auto">
    <p class="text-ink-2"><a class="quiet-link" href="/vehicles">Vehicles</a> · {vehicle.note}</p>
    <h1 class="mt-1"><span class="reading">{vehicle.fleetNo}</span> {vehicle.name}</h1>
  </div>
  {#if sheet}<a class="btn" href="/vehicles/{vehicle.id}/what-if">What if</a>{/if}
  {#if sheet}<a class="btn" href="/api/vehicles/{vehicle.id}/sheet.json" download
      ><Download size={18} aria-hidden="true" />Sheet as a file</a
    >{/if}
  <a class="btn" href={edit}
    ><Pencil size={18} aria-hidden="true" />{sheet ? 'Edit the sheet' : 'Write the sheet'}</a
  >
  <a class="btn" href="/vehicles/{vehicle.id}/compare">Compare runs</a>
  <a class="btn btn-main" href="/jobs/new?vehicle={vehicle.id}">Open a job</a>
</header>

{#if sheet}
  <div class="grid gap-4 md:grid-cols-2 xl:grid-cols-4">
    {#each groups as g (g.title)}
      <section class="card p-4">
        <h2>{g.title}</h2>
        <dl class="mt-2">
          {#each g.rows as [name, value] (name)}<div
              class="border-line flex justify-between gap-4 border-t py-1.5"
            >
              <dt class="text-ink-2">{name}</dt>
              <dd
                class="text-right {/\d/.test(value) ? 'reading' : value === 'not given' ? 'text-ink-2' : ''}"
              >
                {value}
              </dd>
            </div>{/each}
        </dl>
      </section>
    {/each}
  </div>
  <section class="card mt-4 p-4">
    <h2>Coolant sensor</h2>
    <p class="text-ink-2 mb-3 text-sm">
      {given(sheet.ect?.location?.replaceAll('-', ' '))}{sheet.ect?.tolerancePct
        ? `, ± ${sheet.ect.tolerancePct} %`
        : ''}{sheet.ect?.pullUpOhm
        ? `, ${sheet.ect.pullUpOhm} Ω to ${limitsOf(sheet).referenceV.value} V`
        : ''}. Open reads {degrees(sheet.ect?.openReadsC)}, short reads {degrees(sheet.ect?.shortReadsC)}.
    </p>
    {#if sheet.ect?.curve}<SensorCurve
        curve={sheet.ect.curve}
        pullUpOhm={sheet.ect.pullUpOhm}
        referenceV={sheet.ect.referenceV}
        tolerancePct={sheet.ect.tolerancePct}
      />
    {:else}<p>The sheet gives no curve for the sensor.</p>{/if}
  </section>
{:else}
  <p class="card p-6">No spec sheet yet. Without one a run can be drawn but not judged.</p>
{/if}
