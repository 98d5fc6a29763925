<script lang="ts">
  import { valueAt, type Field } from '$core/units/field';
  import { mayHere } from '$lib/ui/page-state/who';
  import { limitsOf } from '$core/vehicle/limits';
  import { askedOn, fieldText, SHEET_PARTS } from '$core/vehicle/sheet-fields';
  import { shown } from '$lib/ui/page-state/units';
  import Download from '~icons/lucide/download';
  import Pencil from '~icons/lucide/pencil';
  import { goto } from '$app/navigation';
  import { useShortcuts } from '$lib/ui/page-state/shortcuts.svelte';
  import SensorCurve from './SensorCurve.svelte';
  import type { Vehicle } from './types';

  interface Props {
    vehicle: Vehicle;
  }
  let { vehicle }: Props = $props();
  const sheet = $derived(vehicle.sheet);
  /** As given, in the units this person reads, without decimals that say nothing. */
  const write = (value: number, kind: NonNullable<Field['quantity']>) =>
    shown(value, kind).replace(/\.0+(?=\D|$)/, '');
  interface Row {
    readonly name: string;
    readonly value: string | null;
    readonly measured: boolean;
  }
  /** A field as a line of its part; what is listed by name, as a line each. */
  function rowsOf(field: Field): Row[] {
    const value = valueAt(sheet, field.path);
    const measured = field.quantity !== undefined || field.kind === 'rows' || field.kind === 'table';
    if (field.kind === 'amounts' && value)
      return Object.entries(value as Record<string, number>).map(([key, amount]) => ({
        name: field.keys?.[key] ?? key,
        value: write(amount, field.quantity ?? 'number'),
        measured
      }));
    return [{ name: field.label, value: fieldText(field, value, write), measured }];
  }
  /** How large an engine is that nobody described, no page says: a V8 is no 1.8. */
  const SIZE = $derived(
    sheet?.engine?.displacementL == null ? ['engine.displacementL', 'engine.coolantL'] : []
  );
  /** What is taken for a field that is not given, and whose word that is. */
  const supposed = $derived(
    Object.values(limitsOf(sheet)).filter(
      (l) => l.origin !== 'given' && typeof l.value === 'number' && !SIZE.includes(l.field)
    )
  );
  function supposedRow(field: Field) {
    const limit = supposed.find((l) => l.field === field.path);
    if (!limit || !Number.isFinite(limit.value)) return [];
    const value = fieldText(field, limit.value, write);
    return value === null ? [] : [{ name: field.label, value, learned: limit.origin === 'learned' }];
  }
  const parts = $derived(
    SHEET_PARTS.map(({ title, fields }) => {
      const rows = askedOn(sheet, fields).flatMap(rowsOf);
      return {
        title,
        given: rows.filter((r) => r.value !== null),
        supposed: askedOn(sheet, fields).flatMap(supposedRow),
        lacking: askedOn(sheet, fields)
          .filter((f) => supposedRow(f).length === 0)
          .flatMap(rowsOf)
          .filter((r) => r.value === null)
          .map((r) => r.name.toLowerCase())
      };
    }).filter(({ given, supposed }) => given.length + supposed.length > 0)
  );
  const edit = $derived(`/vehicles/${vehicle.id}/sheet`);
  $effect(() => useShortcuts([{ key: 'e', label: 'Edit the spec sheet', run: () => void goto(edit) }]));
</script>

<header class="mb-4 flex flex-wrap items-end gap-3">
  <div class="mr-auto">
    <p class="text-ink-2">
      <a class="quiet-link" href="/vehicles">Vehicles</a>{vehicle.note ? ` · ${vehicle.note}` : ''}
    </p>
    <h1 class="mt-1"><span class="reading">{vehicle.fleetNo}</span> {vehicle.name}</h1>
  </div>
  {#if sheet && mayHere('technician')}<a class="btn" href="/vehicles/{vehicle.id}/what-if">What if</a>{/if}
  {#if sheet}<a class="btn" href="/api/vehicles/{vehicle.id}/sheet.json" download
      ><Download size={18} aria-hidden="true" />Sheet as a file</a
    >{/if}
  {#if mayHere('technician')}<a class="btn" href={edit}
      ><Pencil size={18} aria-hidden="true" />{sheet ? 'Edit the sheet' : 'Write the sheet'}</a
    >{/if}
  <a class="btn" href="/vehicles/{vehicle.id}/compare">Compare runs</a>
  {#if mayHere('technician')}<a class="btn btn-main" href="/jobs/new?vehicle={vehicle.id}">Open a job</a>{/if}
</header>

{#if sheet}
  <div class="gap-4 md:columns-2 xl:columns-4">
    {#each parts as { title, given, supposed: typical, lacking } (title)}
      <section class="card mb-4 break-inside-avoid p-4">
        <h2>{title}</h2>
        <dl class="mt-2">
          {#each given as { name, value, measured } (name)}<div
              class="border-line flex justify-between gap-4 border-t py-1.5"
            >
              <dt class="text-ink-2">{name}</dt>
              <dd class="text-right {measured ? 'reading' : ''}">{value}</dd>
            </div>{/each}
          {#each typical as { name, value, learned } (name)}<div
              class="border-line text-ink-2 flex justify-between gap-4 border-t py-1.5"
            >
              <dt>{name}</dt>
              <dd class="text-right">
                <span class="reading">{value}</span>
                <span class="text-xs">{learned ? 'learned' : 'typical'}</span>
              </dd>
            </div>{/each}
        </dl>
        {#if lacking.length > 0}<p class="text-ink-2 border-line border-t pt-1.5 text-sm">
            Not given: {lacking.join(', ')}
          </p>{/if}
      </section>
    {/each}
  </div>
  <section class="card mt-4 p-4">
    <h2 class="mb-3">Curve of the coolant sensor</h2>
    {#if sheet.ect?.curve}<SensorCurve
        curve={sheet.ect.curve}
        pullUpOhm={sheet.ect.pullUpOhm}
        referenceV={sheet.ect.referenceV}
        tolerancePct={sheet.ect.tolerancePct}
      />
    {:else}<p>The sheet gives no curve for the sensor.</p>{/if}
  </section>
{:else}
  <p class="card p-6">
    No spec sheet yet. Everything is taken as typical for such an engine; a few answers make it plainer.
  </p>
{/if}
