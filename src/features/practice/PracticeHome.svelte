<script lang="ts">
  import { goto } from '$app/navigation';
  import type { Problem } from '$core/base/result';
  import { WELL } from '$core/practice/progress';
  import Problems from '$lib/ui/inputs/Problems.svelte';
  import Select from '$lib/ui/inputs/Select.svelte';
  import TextInput from '$lib/ui/inputs/TextInput.svelte';
  import type { PracticeHome } from '$lib/views';
  import { begin } from './practice';
  import PracticeSign from './PracticeSign.svelte';
  import ScoreList from './ScoreList.svelte';

  interface Props {
    home: PracticeHome;
    /** Whose practice may be looked at besides one’s own. */
    people: readonly string[];
    /** Who looks. */
    me: string;
  }
  let { home, people, me }: Props = $props();
  let problems = $state<readonly Problem[]>([]);
  let level = $derived(String(home.level));
  let number = $state('');

  async function start(caseId: string) {
    problems = await begin(caseId);
  }
  function startNumber(event: SubmitEvent) {
    event.preventDefault();
    const n = number.trim() === '' ? 1 + Math.floor(Math.random() * home.highest) : Number(number);
    if (Number.isInteger(n) && n >= 1 && n <= home.highest) void start(`endless-${level}-${n}`);
    else
      problems = [{ field: 'Number', message: `is a whole number from 1 to ${home.highest}, or left empty` }];
  }
</script>

<PracticeSign />
<div class="mb-4 flex flex-wrap items-end gap-3">
  <div class="mr-auto">
    <h1>{home.who === me ? 'Practice' : `Practice of ${home.who}`}</h1>
    <p class="text-ink-2">
      A vehicle with a complaint, simulated down to the error of every instrument. Be wrong for free.
    </p>
  </div>
  {#if people.some((p) => p !== me)}
    <div class="w-48">
      <Select
        label="Whose"
        quiet
        choices={[...new Set([me, ...people])].filter((p) => p !== '').map((p) => ({ value: p, label: p }))}
        value={home.who}
        blank="Whose"
        onvalue={(name) =>
          void goto(name && name !== me ? `/practice?who=${encodeURIComponent(name)}` : '/practice')}
      />
    </div>
  {/if}
  <a
    class="btn min-h-12"
    href="/practice/certificate{home.who === me ? '' : `?who=${encodeURIComponent(home.who)}`}">Certificate</a
  >
  {#if home.next && home.who === me}
    {@const next = home.next}
    <button class="btn btn-main min-h-12" onclick={() => start(next.id)}>Next for you: {next.title}</button>
  {/if}
</div>
<Problems {problems} title="Not begun" />

<div class="grid items-start gap-4 lg:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
  <div class="space-y-4">
    {#each home.levels as l (l.level)}
      <section class="card p-4" aria-label="Level {l.level}">
        <h2>
          Level {l.level} <span class="text-ink-2 font-normal">{l.title}</span>
        </h2>
        <ul class="mt-2 grid gap-2 sm:grid-cols-2">
          {#each l.cases as c (c.id)}
            <li>
              <button class="btn h-full w-full justify-start px-3 py-2 text-left" onclick={() => start(c.id)}>
                <span class="mr-auto"
                  ><span class="block font-bold">{c.title}</span><span
                    class="text-ink-2 block text-sm font-normal">{c.vehicle}</span
                  ></span
                >
                {#if c.best >= 0}<span
                    class="reading {c.best >= WELL ? 'text-ok' : 'text-ink-2'} text-lg font-bold"
                    >{c.best}</span
                  >{/if}
              </button>
            </li>
          {/each}
        </ul>
      </section>
    {/each}
  </div>
  <div class="space-y-4">
    {#if home.open.length > 0}
      <section class="card p-4" aria-label="Begun">
        <h2>Begun</h2>
        <ul class="mt-1">
          {#each home.open as o (o.id)}<li>
              <a class="quiet-link inline-block py-1.5" href="/practice/{o.id}">{o.title}</a>
            </li>{/each}
        </ul>
      </section>
    {/if}
    <form class="card p-4" onsubmit={startNumber} aria-label="By number">
      <h2>By number</h2>
      <p class="text-ink-2 text-sm">
        Cases without end. The same number is the same vehicle, for two who want to compare.
      </p>
      <div class="mt-2 grid grid-cols-2 gap-2">
        <Select
          label="Level"
          choices={home.levels.map((l) => ({ value: String(l.level), label: `Level ${l.level}` }))}
          bind:value={level}
        />
        <TextInput label="Number" class="reading" inputmode="numeric" placeholder="any" bind:value={number} />
      </div>
      <button class="btn mt-3 w-full">Begin</button>
    </form>
    {#if home.weak.length > 0}
      <ScoreList
        title="By kind of fault"
        says="Points of the last three, the latest counting most."
        rows={home.weak.map((w) => ({ key: w.fault, title: w.title, note: `${w.times}×`, figure: w.points }))}
      />
    {/if}
    {#if home.choices.length > 0}
      <ScoreList
        title="By kind of check"
        says="How often it told at least half of what the best check would have."
        rows={home.choices.map((c) => ({ key: c.check, title: c.title, figure: `${c.well} of ${c.times}` }))}
      />
    {/if}
    {#if home.done.length > 0}
      <ScoreList
        title="Done"
        rows={home.done.map((d) => ({ ...d, key: d.id, href: `/practice/${d.id}`, figure: d.points }))}
      />
    {/if}
  </div>
</div>
