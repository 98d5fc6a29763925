<script lang="ts">
  import Printer from '@lucide/svelte/icons/printer';
  import { sentence } from '$core/base/text';
  import { checkOf, type CheckId } from '$core/checks/registry';
  import { CAUTIONS } from '$core/measure/cautions';
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

<!-- A check on paper, for where no screen goes: black on white, A4 or Letter, written in by hand. -->
<article class="mx-auto max-w-3xl print:text-black">
  <div class="no-print mb-3 flex flex-wrap gap-2">
    <button class="btn btn-main" onclick={() => window.print()}
      ><Printer size={18} aria-hidden="true" />Print</button
    >
    <a class="btn" href="/jobs/{number}?check={id}">Back to the check</a>
  </div>
  <header class="flex items-start gap-6 border-b-2 border-current pb-3">
    <div class="min-w-0 flex-1">
      <p>
        <strong class="reading">{vehicle.fleetNo}</strong>
        {vehicle.name} · job {number}{complaint ? ` · ${complaint}` : ''}
      </p>
      <h1 class="mt-1">{check.title}</h1>
      <p class="mt-1">{check.decides}</p>
      <p class="text-sm">About {check.minutes} min · {check.tools.join(', ').toLowerCase()}</p>
    </div>
    <figure class="w-28 shrink-0 bg-white p-1">
      <img src={code} alt="Code that leads to {back}" width="104" height="104" />
      <figcaption class="text-center text-xs text-black">Scan to enter it</figcaption>
    </figure>
  </header>
  {#if check.cautions.length > 0}
    <section class="mt-3" aria-label="Cautions">
      <h2>Cautions</h2>
      <ul class="ml-5 list-disc">
        {#each check.cautions as c (c)}<li>{CAUTIONS[c].text}</li>{/each}
        <li>The maker’s service information and local rules come first.</li>
      </ul>
    </section>
  {/if}
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
</article>
