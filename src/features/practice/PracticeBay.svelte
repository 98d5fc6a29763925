<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import { sentence } from '$core/base/text';
  import type { Problem } from '$core/base/result';
  import { PHASE_TITLES } from '$core/physics/heat/state';
  import type { CheckId } from '$core/checks/registry';
  import type { PrecautionId } from '$core/practice/danger';
  import type { Move } from '$core/practice/moves';
  import type { RepairId } from '$core/vehicle/repairs';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import { inReaderUnits, shown } from '$lib/ui/page-state/units';
  import type { PracticeNow } from '$lib/views';
  import Belief from './Belief.svelte';
  import CheckPanel from './CheckPanel.svelte';
  import { makeMove } from './practice';
  import PracticeReview from './PracticeReview.svelte';
  import PracticeSign from './PracticeSign.svelte';

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
  let repair = $state<string | null>(null);
  const mine = $derived(practice.own && !view.over);
  const open = $derived(view.checks.find((c) => c.id === chosen) ?? null);
  const stretches = $derived([...new Set(view.checks.map((c) => c.stretch))]);
  const seen = $derived(view.done.filter((d) => !['believe', 'hint', 'judge'].includes(d.kind)).toReversed());
  const WORDS = { pass: 'sound', fail: 'a finding', unclear: 'unclear', void: 'void' };
  const JUDGED = ['pass', 'fail', 'unclear'] as const;
  /** The bay's own clock: it begins on a morning and runs with the work. */
  const clock = (iso: string) => {
    const day = Math.floor((Date.parse(iso) - Date.parse('2026-09-01T00:00:00Z')) / 86_400_000) + 1;
    return `day ${day}, ${iso.slice(11, 16)}`;
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
  <div class="grid items-start gap-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
    <div class="space-y-4">
      <section class="card flex flex-wrap items-center gap-2 p-4" aria-label="The engine now">
        <p class="mr-auto text-xl font-bold" data-phase={view.phase}>
          {view.running ? 'Engine runs' : view.phase === 'unknown' ? 'Not known' : PHASE_TITLES[view.phase]}
        </p>
        {#if mine}
          {#if view.running}<button class="btn" disabled={busy} onclick={() => make({ kind: 'stop-engine' })}
              >Engine off</button
            >{/if}
          <button class="btn" disabled={busy} onclick={() => make({ kind: 'wait', hours: 1 })}
            >Let it stand 1 h</button
          >
          <button class="btn" disabled={busy} onclick={() => make({ kind: 'wait', hours: 4 })}>4 h</button>
          <button class="btn" disabled={busy} onclick={() => make({ kind: 'wait', hours: 15 })}
            >Overnight</button
          >
          <button class="btn" disabled={busy} onclick={() => make({ kind: 'fill' })}>Fill coolant</button>
        {/if}
      </section>

      {#if open && mine}
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

      {#if seen.length > 0}
        <section class="card p-4" aria-label="What was seen">
          <h2>What was seen</h2>
          <ol class="mt-1">
            {#each seen as d (d.move)}
              <li class="border-line flex items-baseline gap-3 border-t py-2" data-done={d.check ?? d.kind}>
                <div class="grow">
                  <span class="font-semibold">{d.title}</span>
                  {inReaderUnits(d.says)}
                  {#if d.judged}<span
                      class="{d.judged.as === d.judged.is ? 'text-ok' : 'text-off'} text-sm font-semibold"
                      >You said {WORDS[d.judged.as]}{d.judged.as === d.judged.is
                        ? ', and so it is'
                        : `; by its limits it is ${WORDS[d.judged.is]}`}</span
                    >{/if}
                  {#if d.numbers}
                    <dl class="grid grid-cols-[auto_auto] justify-start gap-x-5">
                      {#each d.numbers as n, i (i)}<dt class="text-ink-2">{n.name}</dt>
                        <dd class="reading font-semibold">{inReaderUnits(n.value)}</dd>{/each}
                    </dl>
                    {#if mine}
                      <div
                        class="mt-1 flex flex-wrap items-center gap-2"
                        role="group"
                        aria-label="What do you make of it?"
                      >
                        <span class="text-sm">What do you make of it?</span>
                        {#each JUDGED as way (way)}
                          <button
                            class="btn"
                            disabled={busy}
                            onclick={() => make({ kind: 'judge', of: d.move, as: way })}
                            >{sentence(WORDS[way])}</button
                          >
                        {/each}
                      </div>
                    {/if}
                  {/if}
                </div>
                <span class="reading text-ink-2 text-sm whitespace-nowrap">{clock(d.at)}</span>
              </li>
            {/each}
          </ol>
        </section>
      {/if}

      {#if mine}
        <section class="card p-4" aria-label="Checks">
          <h2>Checks</h2>
          {#each stretches as stretch (stretch)}
            <h3 class="text-ink-2 mt-3 text-sm font-bold">{stretch}</h3>
            <div class="mt-1 flex flex-wrap gap-2">
              {#each view.checks.filter((c) => c.stretch === stretch) as c (c.id)}
                <button
                  class="btn {chosen === c.id ? 'btn-main' : ''}"
                  aria-pressed={chosen === c.id}
                  onclick={() => (chosen = chosen === c.id ? null : c.id)}
                  >{c.title}
                  <span class="reading text-sm font-normal"
                    >{c.minutes} min{c.times > 0 ? ` · ${c.times}×` : ''}</span
                  ></button
                >
              {/each}
            </div>
          {/each}
        </section>
      {/if}
    </div>

    <div class="space-y-4">
      {#if mine}
        <Belief suspects={view.suspects} belief={view.belief} {busy} onmove={make} />
        <section class="card p-4" aria-label="Decide">
          <h2>Decide</h2>
          {#if view.repaired.length > 0}<p class="text-ink-2 text-sm">
              Repaired: {view.repaired.join(', ')}
            </p>{/if}
          <div class="mt-2">
            <Select
              label="Repair"
              quiet
              blank="Choose a repair"
              choices={view.repairs.map((r) => ({ value: r.id, label: r.title }))}
              bind:value={repair}
            />
          </div>
          <button
            class="btn btn-main mt-2 w-full"
            disabled={busy || !repair}
            onclick={() => make({ kind: 'repair', repairs: [repair as RepairId] })}>Repair</button
          >
          <button class="btn mt-2 w-full" disabled={busy} onclick={() => make({ kind: 'finish' })}
            >Give it back to its driver</button
          >
        </section>
        <section class="card p-4" aria-label="Help">
          <h2>Help</h2>
          {#each view.hint as h (h)}<p class="mt-1" data-hint>{inReaderUnits(h)}</p>{/each}
          {#if view.opinion}
            <ul class="mt-2" data-opinion>
              {#each view.opinion as o (o.fault)}
                <li class="flex gap-2">
                  <span class="mr-auto">{o.title}</span><span class="reading"
                    >{Math.round(o.probability * 100)} %</span
                  >
                </li>
              {/each}
            </ul>
          {/if}
          <div class="mt-2 grid grid-cols-2 gap-2">
            <button
              class="btn"
              disabled={busy || view.hint.length >= 3}
              onclick={() => make({ kind: 'hint' })}>Hint, −3</button
            >
            <button
              class="btn"
              disabled={busy || view.opinion !== null}
              onclick={() => make({ kind: 'opinion' })}>Opinion, −8</button
            >
          </div>
        </section>
      {/if}
    </div>
  </div>
{/if}
