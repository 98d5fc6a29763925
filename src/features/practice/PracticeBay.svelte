<script lang="ts">
  import { tick } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import { sentence } from '$core/base/text';
  import type { Problem } from '$core/base/result';
  import type { CheckId } from '$core/checks/registry';
  import type { PrecautionId } from '$core/practice/danger';
  import type { Move } from '$core/practice/moves';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { shown } from '$lib/ui/page-state/units';
  import { hour } from '$lib/ui/page-state/when';
  import type { PracticeNow } from '$lib/views';
  import HeatLine from '../job/HeatLine.svelte';
  import HeatStrip from '../job/HeatStrip.svelte';
  import Belief from './Belief.svelte';
  import CheckPanel from './CheckPanel.svelte';
  import Decide from './Decide.svelte';
  import Help from './Help.svelte';
  import EngineNow from './EngineNow.svelte';
  import { makeMove } from './practice';
  import PracticeReview from './PracticeReview.svelte';
  import PracticeSign from './PracticeSign.svelte';
  import RunCurve from './RunCurve.svelte';
  import Seen from './Seen.svelte';
  import SensePanel from './SensePanel.svelte';

  interface Props {
    practice: PracticeNow & {
      readonly own: boolean;
      readonly others: readonly { who: string; points: number; money: number; hurt: boolean }[];
    };
  }
  let { practice }: Props = $props();
  const { view } = $derived(practice);
  let problems = $state<readonly Problem[]>([]);
  let busy = $state(false);
  let chosen = $state<CheckId | null>(null);
  const mine = $derived(practice.own && !view.over);
  const open = $derived(view.checks.find((c) => c.id === chosen) ?? null);
  const SAID: readonly Move['kind'][] = ['believe', 'hint', 'judge', 'sense', 'opinion'];
  const seen = $derived(
    view.done
      .filter((d) => !SAID.includes(d.kind) && (d.says !== '' || d.numbers !== null || d.check === null))
      .toReversed()
  );
  /** What asks for whoever practises stands first: a check in hand, else the line to choose the next from. */
  const inHand = $derived(
    mine && (open !== null || view.toSense !== null || seen.some((d) => d.numbers !== null))
  );
  /** The bay's own clock: it begins on a morning and runs with the work. */
  const clock = (iso: string) => {
    const day = Math.floor((Date.parse(iso) - Date.parse('2026-09-01T00:00:00Z')) / 86_400_000) + 1;
    return `day ${day}, ${hour(iso, 'UTC', iso)}`;
  };

  async function make(move: Move): Promise<boolean> {
    busy = true;
    problems = await makeMove(practice.id, move);
    if (problems.length === 0) {
      chosen = null;
      await invalidateAll();
    }
    busy = false;
    return problems.length === 0;
  }
  const doCheck = (careful: readonly PrecautionId[]) =>
    make({ kind: 'check', check: chosen!, careful: [...careful] });
  /** A check is chosen on the line, and done beside the engine. */
  async function choose(id: CheckId) {
    chosen = chosen === id ? null : id;
    await tick();
    document.getElementById('hands')?.scrollIntoView({ block: 'start' });
  }
</script>

<PracticeSign />
<div class="mb-3 flex flex-wrap items-end gap-x-6 gap-y-1">
  <div class="mr-auto">
    <p class="text-ink-2"><a class="quiet-link" href="/practice">Practice</a> · level {view.level}</p>
    <h1>{view.title} <span class="text-ink-2 font-normal">{view.vehicle}</span></h1>
    <p class="text-lg">“{view.words}”</p>
    <p class="text-ink-2">
      {shown(view.ambientC, 'temperature', 0)} outside{view.changedBefore
        ? `. Changed before: ${view.changedBefore}`
        : ''}
    </p>
  </div>
  <p class="reading text-right text-xl" data-clock={view.at}>
    {sentence(clock(view.at))}<span class="text-ink-2 block text-sm"
      >{view.minutes} min of work · {view.money} ¤</span
    >
  </p>
</div>
<Problems {problems} entry title="Not done" />

{#if practice.review}
  <PracticeReview
    review={practice.review}
    others={practice.others}
    caseId={practice.caseId}
    own={practice.own}
  />
{:else}
  <HeatStrip plan={view.plan} state={view.heat} />
  <div class="mb-4"><EngineNow {view} {mine} {busy} onmove={make} /></div>
  {#if !inHand}{@render line()}{/if}
  <div class="mb-4 grid scroll-mt-4 items-start gap-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]" id="hands">
    <div class="space-y-4">
      {#if view.toSense && mine}
        {#key view.done.length}<SensePanel toSense={view.toSense} {busy} onmove={make} />{/key}
      {:else if open && mine}
        {#key open.id}
          <CheckPanel
            check={open}
            precautions={view.precautions}
            {busy}
            ondo={doCheck}
            onclose={() => (chosen = null)}
          />
        {/key}
      {/if}
      {#if seen.length > 0}<Seen done={seen} {mine} {busy} {clock} onmove={make} />{/if}
      {#if view.run}<RunCurve run={view.run} sheet={view.sheet} />{/if}
    </div>
    {#if mine}
      <div class="space-y-4">
        <Belief suspects={view.suspects} belief={view.belief} {busy} onmove={make} />
        <Decide {view} {busy} onmove={make} />
        <Help {view} {busy} onmove={make} />
      </div>
    {/if}
  </div>
  {#if inHand}{@render line()}{/if}
{/if}

{#snippet line()}
  {#if mine}<HeatLine
      plan={view.plan}
      state={view.heat}
      now={view.at}
      zone="UTC"
      closed={false}
      onopen={choose}
    />{/if}
{/snippet}
