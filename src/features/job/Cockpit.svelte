<script lang="ts">
  import type { Case } from '$core/diagnosis/case';
  import type { CheckId } from '$core/checks/registry';
  import type { EventInput } from '$core/record/events';
  import Dangers from './Dangers.svelte';
  import EngineCard from './EngineCard.svelte';
  import HeatStrip from './HeatStrip.svelte';
  import Likely from './Likely.svelte';
  import NextCheck from './NextCheck.svelte';

  interface Props {
    case: Case;
    now: string;
    zone: string;
    /** Where the evidence of the suspects stands, and where the repair is decided and done. */
    evidenceHref: string;
    repairHref: string;
    /** Writes into the record; whether it was taken. */
    write: (body: EventInput) => Promise<boolean>;
    onopen: (id: CheckId) => void;
  }
  let { case: shown, now, zone, evidenceHref, repairHref, write, onopen }: Props = $props();
  const { state: jobState, heat, plan, opinion } = $derived(shown);
</script>

<!-- The same three answers from the intake to the proof: the engine now, what is likely, what to do next. -->
<Dangers
  dangers={shown.dangers}
  overridden={jobState.overridden}
  ongoon={(payload) => void write({ kind: 'stop.overridden', payload })}
/>
<HeatStrip {plan} state={heat} />
<div class="mb-3 grid gap-3 sm:grid-cols-2 lg:grid-cols-[minmax(0,20rem)_minmax(0,1fr)_minmax(0,1.3fr)]">
  <EngineCard {heat} {now} {zone} onnote={(payload) => write({ kind: 'engine.noted', payload })} />
  <Likely case={shown} {evidenceHref} />
  <NextCheck
    next={plan.next}
    others={plan.others}
    asked={opinion.asked}
    advice={shown.suspected ? opinion.advice : null}
    costs={shown.costs}
    {heat}
    held={shown.dangers.some((d) => d.holds)}
    {repairHref}
    {onopen}
  />
</div>
