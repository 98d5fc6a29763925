<script lang="ts">
  import type { Problem } from '$core/base/result';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import type { PracticeNow } from '$lib/views';
  import { begin } from './practice';
  import PathTree from './PathTree.svelte';
  import ScoreList from './ScoreList.svelte';

  interface Props {
    review: NonNullable<PracticeNow['review']>;
    others: readonly { who: string; points: number; money: number; hurt: boolean }[];
    caseId: string;
    own: boolean;
  }
  let { review, others, caseId, own }: Props = $props();
  let problems = $state<readonly Problem[]>([]);
  const SAID: readonly (typeof review.steps)[number]['kind'][] = [
    'believe',
    'hint',
    'judge',
    'sense',
    'opinion'
  ];
  const steps = $derived(review.steps.filter((s) => !SAID.includes(s.kind)));
  const bits = (n: number) => n.toFixed(1);
  const again = async () => (problems = await begin(caseId));
</script>

<Problems {problems} title="Not begun" />
{#if review.hurt}
  <section class="border-off bg-off-wash rounded-card mb-3 border-2 p-4" aria-label="Danger">
    <p class="text-off text-xl font-bold" data-hurt={review.hurt.id}>
      Stopped: {inReaderUnits(review.hurt.would)}
    </p>
    <p class="mt-1">{review.hurt.caution}</p>
  </section>
{/if}
<section class="card mb-3 flex flex-wrap items-center gap-x-8 gap-y-2 p-4" aria-label="Result">
  <p class="reading text-5xl font-bold" data-points={review.points}>{review.points}</p>
  <div class="mr-auto">
    <p class="text-xl font-bold" data-truth={review.truth.map((t) => t.fault).join(' ')}>
      {review.truth[0].fault === 'none'
        ? 'Nothing was wrong with it'
        : `It was: ${review.truth.map((t) => t.title).join(' and ')}`}
    </p>
    <p class="text-ink-2 max-w-2xl">{review.lesson}</p>
  </div>
  {#if own}<button class="btn" onclick={again}>The same again</button>{/if}
  <a class="btn btn-main" href="/practice">Another</a>
</section>

<div class="grid items-start gap-3 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
  <PathTree {steps} />
  <div class="space-y-3">
    <section class="card p-4" aria-label="Beside the second opinion">
      <h2>Beside the second opinion</h2>
      <table class="mt-2 w-full">
        <thead class="text-ink-2 text-left text-sm"
          ><tr><td></td><th class="text-right">You</th><th class="text-right">Pyrethos</th></tr></thead
        >
        <tbody>
          {#each [['Checks', review.own.checks, review.beside.checks], ['Minutes', review.own.minutes, review.beside.minutes], ['Cost', review.own.money, review.beside.money], ['Repaired', review.own.repaired ? 'yes' : 'no', review.beside.repaired ? 'yes' : 'no']] as [what, you, it] (what)}
            <tr class="border-line border-t"
              ><td class="py-1.5">{what}</td><td class="reading text-right font-bold">{you}</td><td
                class="text-right">{it}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
      <p class="text-ink-2 mt-2 text-sm">Its path: {review.beside.path.join(', ')}.</p>
    </section>
    <section class="card p-4" aria-label="Belief">
      <h2>Belief</h2>
      {#if review.outcome.calibration}
        <p>
          Brier score <span class="reading font-bold">{review.outcome.calibration.brier.toFixed(2)}</span>, 0
          is sure and right, 2 sure and wrong. Surprise
          <span class="reading font-bold">{bits(review.outcome.calibration.bits)}</span> bits.
        </p>
      {:else}<p class="text-ink-2">No belief was said before the repair.</p>{/if}
      <p class="text-ink-2 mt-2 text-sm">
        {#if review.judged.of > 0}{review.judged.right} of {review.judged.of} readings judged as their limits do.
        {/if}{review.outcome.hints} hints, {review.outcome.opinions} second opinions, {review.outcome.slips} cautions
        not seen to.
      </p>
      {#each review.missed as m (m.label)}
        <p class="mt-1 text-sm" data-missed>
          {m.label}: you said “{m.said}”; it was “{m.is}”.
        </p>
      {/each}
    </section>
    {#if others.length > 0}
      <ScoreList
        title="Others on the same case"
        rows={others.map((o) => ({
          key: o.who,
          title: o.who,
          hurt: o.hurt,
          note: `${o.money} ${review.currency}`,
          figure: o.points
        }))}
      />
    {/if}
  </div>
</div>
