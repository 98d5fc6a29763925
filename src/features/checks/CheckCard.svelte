<script lang="ts">
  import { sentence } from '$core/base/text';
  import { checkOf, type CheckId } from '$core/checks/registry';
  import { CAUTIONS } from '$core/measure/cautions';
  import Paper from '$lib/ui/Paper.svelte';
  import { unitOf } from '$lib/ui/page-state/units';
  import BlankFields from './BlankFields.svelte';

  interface Props {
    number: number;
    vehicle: { readonly fleetNo: string; readonly name: string };
    complaint: string;
    check: CheckId;
    /** Where its sheet is; the code says the same. */
    back: string;
    code: string;
  }
  let { number, vehicle, complaint, check: id, back, code }: Props = $props();

  const LINES = 6;
  const check = $derived(checkOf(id));
  const seen = $derived(Object.values(check.results).flatMap((r) => (r.seen ? [sentence(r.seen)] : [])));
</script>

<Paper
  href="/jobs/{number}?check={id}"
  leads="Back to the check"
  {back}
  {code}
  scan="Scan to enter it"
  cautions={check.cautions.map((c) => CAUTIONS[c].text)}
>
  {#snippet head()}
    <p>
      <strong class="reading">{vehicle.fleetNo}</strong>
      {vehicle.name} · job {number}{complaint ? ` · ${complaint}` : ''}
    </p>
    <h1 class="mt-1">{check.title}</h1>
    <p class="mt-1">{check.decides}</p>
    <p class="text-sm">About {check.minutes} min · {check.tools.join(', ').toLowerCase()}</p>
  {/snippet}
  <section class="mt-4" aria-label="Readings">
    <h2>Readings</h2>
    {#if check.fields.length > 0}
      <BlankFields fields={check.fields} />
    {:else}
      <!-- Its sheet is a drawing to fill in: lines for the same readings. -->
      {#each { length: LINES }, i (i)}<p class="border-b border-current pt-7"></p>{/each}
    {/if}
    <div class="mt-3 grid grid-cols-3 gap-4 text-sm">
      {#each ['Coolant', 'Air'] as what (what)}
        <p class="border-b border-current pt-6">{what}, {unitOf('temperature').symbol}</p>
      {/each}
      <p class="border-b border-current pt-6">Date, hour, name</p>
    </div>
  </section>
  {#if seen.length > 0}
    <section class="mt-4" aria-label="What it can show">
      <h2>What it can show</h2>
      <ul>
        {#each seen as line (line)}<li class="flex gap-2 py-0.5">
            <span class="mt-1 size-4 shrink-0 border border-current" aria-hidden="true"></span>{line}
          </li>{/each}
      </ul>
    </section>
  {/if}
</Paper>
