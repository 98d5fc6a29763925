<script lang="ts">
  import Select from '$lib/ui/inputs/Select.svelte';
  import Tick from '$lib/ui/inputs/Tick.svelte';
  import { repairFor } from '$core/faults/registry';
  import { sayChance } from '$core/base/text';
  import { untrack } from 'svelte';
  import { spillOf } from '$core/physics/coolant/spill';
  import { limitsOf } from '$core/vehicle/limits';
  import { CAUTIONS } from '$core/measure/cautions';
  import type { SpecSheet } from '$core/vehicle/spec-sheet';
  import { repairDoneSchema, repairTitles, type RepairDone } from '$core/record/repair-done';
  import { REPAIR_IDS, repairOf, type RepairId } from '$core/vehicle/repairs';
  import { priceOf, sayMoney } from '$core/diagnosis/costs';
  import type { ShopCosts } from '$core/record/shop-costs';
  import { choiceOf } from '$core/diagnosis/decide';
  import { canBeQuick, heldBack, sheetOn, stepsOf, torqueOf } from '$core/diagnosis/steps';
  import { MOST_PCT } from '$core/physics/coolant/mixture';
  import { coolantServiceSchema, type CoolantService } from '$core/record/coolant-service';
  import type { Quote } from '$core/record/decision';
  import type { ThermalState } from '$core/physics/heat/state';
  import type { Problem } from '$core/base/result';
  import type { Posterior } from '$core/diagnosis/posterior';
  import { dropDraft, keepDraft, readDraft } from '$lib/ui/inputs/draft';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { shown, inReaderUnits } from '$lib/ui/page-state/units';
  import CoolantAmounts from './CoolantAmounts.svelte';

  interface Props {
    jobId: string;
    sheet: SpecSheet | null;
    costs: ShopCosts;
    now: Posterior;
    /** What was decided, or what the stop rule would do. */
    proposed: readonly RepairId[];
    /** The quotes that are counted with: what is fitted comes from them unless someone types otherwise. */
    quotes: readonly Quote[];
    heat: ThermalState;
    /** A repair was done already. */
    again: boolean;
    onwrite: (done: RepairDone, coolant: CoolantService | null) => Promise<boolean>;
  }
  let { jobId, sheet, costs, now, proposed, quotes, heat, again, onwrite }: Props = $props();

  const DRAFT = untrack(() => `repair:${jobId}`);
  const start = (): RepairDone => ({
    repairs: again ? [] : proposed.filter((id) => id !== 'none'),
    why: '',
    withoutDrain: false,
    steps: [],
    torqueNm: {},
    parts: []
  });
  const NO_COOLANT = { outL: null, inL: null, withPct: 50, nowPct: null };
  type Amounts = Record<keyof typeof NO_COOLANT, number | null>;
  type Draft = RepairDone & { coolant: Amounts };
  let form = $state<Draft>(
    untrack(() => ({ coolant: NO_COOLANT, ...(readDraft<RepairDone>(DRAFT) ?? start()) }))
  );
  /** Looking at it is no draft: untouched, the form goes on proposing what leads. */
  let untouched = untrack(() => (readDraft(DRAFT) ? '' : JSON.stringify(form)));
  $effect(() => {
    const text = JSON.stringify(form);
    if (text !== untouched) {
      untouched = '';
      keepDraft(DRAFT, JSON.parse(text));
    }
  });
  $effect(() => {
    const next = start();
    untrack(() => {
      if (untouched === '' || JSON.stringify(next.repairs) === JSON.stringify(form.repairs)) return;
      const fresh = { ...$state.snapshot(form), repairs: next.repairs };
      untouched = JSON.stringify(fresh);
      form = fresh;
    });
  });

  const LISTED = 6;
  const listed = $derived(
    [
      ...new Set([
        ...proposed,
        ...form.repairs,
        ...now.suspects.slice(0, LISTED).map((s) => repairFor(s.fault))
      ])
    ].filter((id) => id !== 'none')
  );
  const others = $derived(REPAIR_IDS.filter((id) => id !== 'none' && !listed.includes(id)));
  const quickAble = $derived(canBeQuick(form.repairs, sheet));
  const withoutDrain = $derived(quickAble && form.withoutDrain);
  const spill = $derived(spillOf(limitsOf(sheet).coolantL.value));
  const steps = $derived(stepsOf(form.repairs, withoutDrain));
  const priced = $derived(priceOf(form.repairs, costs));
  const choice = $derived(form.repairs.length > 0 ? choiceOf(form.repairs, now, costs) : null);
  const open = $derived(steps.filter((s) => !form.steps.includes(s.id)).length);
  /** Steps that may be done now and are not ticked: one tap for all, and a tap takes an exception back. */
  const toTick = $derived(
    steps.filter((s) => !form.steps.includes(s.id) && heldBack(s, heat, sheet) === null).map((s) => s.id)
  );
  let problems = $state<readonly Problem[]>([]);

  function toggle(id: RepairId) {
    form.repairs = form.repairs.includes(id) ? form.repairs.filter((r) => r !== id) : [...form.repairs, id];
  }
  function tick(id: string) {
    form.steps = form.steps.includes(id) ? form.steps.filter((s) => s !== id) : [...form.steps, id];
  }
  const quoted = (id: RepairId) => quotes.find((q) => q.repair === id);
  const partOf = (id: RepairId) => {
    const quote = quoted(id);
    return (
      form.parts.find((p) => p.repair === id) ??
      (quote && { repair: id, partNo: quote.partNo, supplier: quote.supplier, price: quote.price })
    );
  };
  function setPart(repair: RepairId, change: Partial<RepairDone['parts'][number]>) {
    const had = partOf(repair) ?? { repair, partNo: '', supplier: '', price: null };
    form.parts = [...form.parts.filter((p) => p.repair !== repair), { ...had, ...change }];
  }

  function setTorque(id: string, nm: number | null) {
    const kept = Object.entries(form.torqueNm).filter(([step]) => step !== id);
    form.torqueNm = Object.fromEntries(nm === null ? kept : [...kept, [id, nm]]);
  }

  async function write(event: SubmitEvent) {
    event.preventDefault();
    const kept = new Set(steps.map((s) => s.id));
    const { coolant, ...repair } = $state.snapshot(form);
    const drained =
      steps.some((s) => s.id === 'drained' || s.id === 'catch') &&
      (coolant.outL !== null || coolant.inL !== null);
    const service = drained
      ? coolantServiceSchema.safeParse({
          outL: coolant.outL ?? 0,
          inL: coolant.inL ?? 0,
          withPct: coolant.withPct ?? 0,
          nowPct: Math.min(MOST_PCT, coolant.nowPct ?? coolant.withPct ?? 0),
          renewed: false,
          odometerKm: null
        })
      : null;
    const read = repairDoneSchema.safeParse({
      ...repair,
      withoutDrain,
      steps: form.steps.filter((s) => kept.has(s)),
      parts: form.repairs.flatMap((id) => partOf(id) ?? [])
    });
    problems = [read, service].flatMap((r) =>
      !r || r.success
        ? []
        : r.error.issues.map((i) => ({ field: i.path.map(String).join('.'), message: i.message }))
    );
    if (problems.length === 0 && (await onwrite(read.data!, service?.data ?? null))) dropDraft(DRAFT);
  }
</script>

<form class="card space-y-4 p-4" onsubmit={write} aria-label="Repair">
  <div>
    <div class="flex items-center gap-3">
      <h2 class="mr-auto">{again ? 'Another repair' : 'Repair'}</h2>
      {#if steps.length > 0}<button type="button" class="btn no-print" onclick={() => window.print()}
          >Print the sheet</button
        >{/if}
    </div>
    <div class="mt-2 flex flex-wrap gap-2" role="group" aria-label="What is repaired">
      {#each listed as id (id)}
        <button
          type="button"
          class="btn {form.repairs.includes(id) ? 'btn-main' : ''}"
          aria-pressed={form.repairs.includes(id)}
          onclick={() => toggle(id)}>{repairOf(id).deed}</button
        >
      {/each}
      <div class="w-56">
        <Select
          label="Another repair"
          quiet
          blank="Another…"
          choices={others.map((id) => ({ value: id, label: repairOf(id).deed }))}
          value={null}
          onvalue={(id) => id && toggle(id as RepairId)}
        />
      </div>
    </div>
    {#if choice}
      <p class="text-ink-2 mt-2">
        {repairTitles(form.repairs)}: {priced.labourMin} min, parts {sayMoney(priced.parts, costs)}, chance of
        cure {sayChance(choice.cures)}, expected total {sayMoney(choice.expected, costs)}.
      </p>
    {/if}
  </div>
  {#if quickAble}
    <Tick
      label="Change it without a drain"
      value={withoutDrain}
      onvalue={(v) => (form.withoutDrain = v === true)}
    >
      <span
        >Change it without a drain<span class="text-ink-2 block text-sm"
          >Cap shut, the new one ready: {shown(spill.leastL, 'volume', 2)} to {shown(
            spill.mostL,
            'volume',
            2
          )}
          runs out, and as much goes in again.</span
        ></span
      >
    </Tick>
  {/if}
  {#if steps.length > 0}
    <ol class="space-y-1" aria-label="Steps">
      {#each steps as step (step.id)}
        {@const due = torqueOf(step, sheet)}
        {@const told = sheetOn(step, sheet)}
        {@const held = form.steps.includes(step.id) ? null : heldBack(step, heat, sheet)}
        <li class="border-line border-t pt-1 first:border-t-0" data-step={step.id}>
          <Tick
            label={step.text}
            value={form.steps.includes(step.id)}
            disabled={held !== null}
            onvalue={() => tick(step.id)}
          >
            <span
              >{#if held}<strong class="text-off block">{inReaderUnits(held)}</strong>{/if}{step.text}{due ===
              null
                ? ''
                : `: ${shown(due, 'torque')} by the sheet`}
              {#if told}<strong class="block text-sm">{told}</strong>{/if}
              {#each step.cautions as caution (caution)}<span class="text-ink-2 block text-sm"
                  >{CAUTIONS[caution].text}</span
                >{/each}</span
            >
          </Tick>
          {#if step.torque}
            <div class="max-w-60 pb-2 pl-9">
              <QuantityInput
                label="Tightened with"
                kind="torque"
                value={form.torqueNm[step.id] ?? null}
                onvalue={(v) => setTorque(step.id, v)}
                problem={due !== null &&
                form.torqueNm[step.id] != null &&
                Math.abs(form.torqueNm[step.id] / due - 1) > 0.2
                  ? `The sheet says ${shown(due, 'torque')}`
                  : undefined}
              />
            </div>
          {/if}
        </li>
      {/each}
    </ol>
    {#if toTick.length > 1}
      <button type="button" class="btn no-print" onclick={() => (form.steps = [...form.steps, ...toTick])}
        >All done as it should be ({toTick.length})</button
      >
    {/if}
    {#if steps.some((s) => s.id === 'drained' || s.id === 'catch')}
      <CoolantAmounts bind:amounts={form.coolant} holdsL={sheet?.engine?.coolantL ?? null} />
    {/if}
    {#each form.repairs.filter((id) => repairOf(id).price !== null) as id (id)}
      <div class="grid grid-cols-2 gap-3">
        <label class="block"
          ><span class="mb-1 block text-sm font-semibold">{repairOf(id).title}, part number</span><input
            class="field w-full"
            maxlength="60"
            value={partOf(id)?.partNo ?? ''}
            oninput={(e) => setPart(id, { partNo: e.currentTarget.value })}
          /></label
        >
        <label class="block"
          ><span class="mb-1 block text-sm font-semibold">Supplier</span><input
            class="field w-full"
            maxlength="60"
            value={partOf(id)?.supplier ?? ''}
            oninput={(e) => setPart(id, { supplier: e.currentTarget.value })}
          /></label
        >
      </div>
    {/each}
    <label class="block"
      ><span class="mb-1 block text-sm font-semibold">Reason</span><textarea
        class="field w-full"
        rows="2"
        maxlength="500"
        bind:value={form.why}></textarea></label
    >
    <Problems {problems} entry title="Not saved" />
    <button class="btn btn-main min-h-14 w-full" type="submit"
      >{open > 0 ? `Save with ${open} steps not ticked` : 'Save repair'}</button
    >
  {:else}
    <p class="text-ink-2">Choose what is repaired: its steps follow.</p>
  {/if}
</form>
