<script lang="ts">
  import { sayLikely } from '$core/base/text';
  import { FAULTS } from '$core/faults/registry';
  import Paper from '$lib/ui/Paper.svelte';
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

<Paper
  href="/jobs/{plan.number}"
  leads="Back to the job"
  back={plan.back}
  code={plan.code}
  scan="Scan for the job"
  cautions={plan.cautions}
>
  {#snippet head()}
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
  {/snippet}
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
</Paper>
