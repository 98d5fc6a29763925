<script lang="ts">
  import Printer from '@lucide/svelte/icons/printer';
  import { sayLikely } from '$core/base/text';
  import { FAULTS } from '$core/faults/registry';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import { when } from '$lib/ui/page-state/when';
  import { RESULT_LOOK } from '$lib/ui/page-state/results';
  import type { PlanOnPaper } from '$lib/views';

  interface Props {
    plan: PlanOnPaper;
    zone: string;
  }
  let { plan, zone }: Props = $props();
</script>

<!-- The plan of a job on paper: black on white, A4 or Letter, ticked and written in by hand. -->
<article class="mx-auto max-w-3xl print:text-black">
  <div class="no-print mb-3 flex flex-wrap gap-2">
    <button class="btn btn-main" onclick={() => window.print()}
      ><Printer size={18} aria-hidden="true" />Print</button
    >
    <a class="btn" href="/jobs/{plan.number}">Back to the job</a>
  </div>
  <header class="flex items-start gap-6 border-b-2 border-current pb-3">
    <div class="min-w-0 flex-1">
      <h1><span class="reading">{plan.vehicle.fleetNo}</span> {plan.vehicle.name}</h1>
      <p class="mt-1">{plan.complaint}</p>
      <p class="text-sm">
        Plan of job {plan.number}, {when(plan.now, zone)}{plan.phase
          ? `. Engine: ${plan.phase.toLowerCase()}`
          : ''}{plan.next ? `. Next: ${plan.next}` : ''}
      </p>
      {#if plan.suspects.length > 0}<p class="mt-1">
          {#each plan.suspects as { fault, probability }, i (fault)}{i > 0 ? ', ' : ''}{FAULTS[fault].title}
            {sayLikely(probability)}{/each}
        </p>{/if}
    </div>
    <figure class="w-28 shrink-0 bg-white p-1">
      <img src={plan.code} alt="Code that leads to {plan.back}" width="104" height="104" />
      <figcaption class="text-center text-xs text-black">Scan for the job</figcaption>
    </figure>
  </header>
  {#if plan.cautions.length > 0}
    <section class="mt-3" aria-label="Cautions">
      <h2>Cautions</h2>
      <ul class="ml-5 list-disc text-sm">
        {#each plan.cautions as text (text)}<li>{text}</li>{/each}
        <li>The maker’s service information and local rules come first.</li>
      </ul>
    </section>
  {/if}
  {#each plan.groups as { title, checks } (title)}
    <section class="mt-4 break-inside-avoid">
      <h2>{title}</h2>
      <ul class="mt-1">
        {#each checks as check (check.title)}
          <li class="grid grid-cols-[2rem_minmax(0,1fr)_auto] gap-x-2 border-t border-current py-2">
            <span class="mt-0.5 grid size-6 place-items-center border-2 border-current" aria-hidden="true"
              >{check.result ? '×' : ''}</span
            >
            <div>
              <p class="font-bold">{check.title}</p>
              <p class="text-sm">
                {#if check.result}{RESULT_LOOK[check.result].word}: {inReaderUnits(
                    check.says ?? ''
                  )}{:else}{check.decides}
                  {check.tools.join(', ')}.{/if}
              </p>
              {#if !check.result}<p class="mt-3 border-b border-dotted border-current" aria-hidden="true">
                  &nbsp;
                </p>{/if}
            </div>
            <p class="reading text-sm whitespace-nowrap">{check.minutes} min</p>
          </li>
        {/each}
      </ul>
    </section>
  {/each}
</article>
