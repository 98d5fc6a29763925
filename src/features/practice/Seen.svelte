<script lang="ts">
  import { sentence } from '$core/base/text';
  import type { Move } from '$core/practice/moves';
  import { inReaderUnits } from '$lib/ui/page-state/units';
  import type { PracticeNow } from '$lib/views';

  interface Props {
    done: PracticeNow['view']['done'];
    /** Whether it is still to be judged, by whoever looks at it. */
    mine: boolean;
    busy: boolean;
    clock: (iso: string) => string;
    onmove: (move: Move) => Promise<boolean>;
  }
  let { done, mine, busy, clock, onmove }: Props = $props();
  const WORDS = { pass: 'sound', fail: 'a finding', unclear: 'unclear', void: 'void' };
  const JUDGED = ['pass', 'fail', 'unclear'] as const;
  /** So many stand at once, so that the line of checks stays near. */
  const LATEST = 3;
  let all = $state(false);
  const shows = $derived(all ? done : done.filter((d, i) => i < LATEST || (mine && d.numbers !== null)));
</script>

<section class="card p-4" aria-label="What was seen">
  <h2>What was seen</h2>
  <ol class="mt-1">
    {#each shows as d (d.move)}
      <li class="border-line flex items-baseline gap-3 border-t py-2" data-done={d.check ?? d.kind}>
        <div class="grow">
          <span class="font-semibold">{d.title}</span>
          {inReaderUnits(d.says)}
          {#if d.judged}<span
              class="{d.judged.as === d.judged.is ? 'text-good' : 'text-off'} text-sm font-semibold"
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
                    onclick={() => onmove({ kind: 'judge', of: d.move, as: way })}
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
  {#if all || shows.length < done.length}<button
      class="quiet-link min-h-11 text-sm"
      aria-expanded={all}
      onclick={() => (all = !all)}>{all ? 'Only the latest' : `${done.length - shows.length} earlier`}</button
    >{/if}
</section>
