<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { CODE_STATES, type CodesReadings } from '$core/checks/engine/codes';
  import { CODES, findCodes, readCode } from '$core/vehicle/codes';

  interface Props {
    codes: CodesReadings['codes'];
    problem?: string;
  }
  let { codes = $bindable(), problem }: Props = $props();
  const id = $props.id();

  let typed = $state('');
  let at = $state(0);
  const hits = $derived(findCodes(typed).slice(0, 6));
  const unknown = $derived(hits.length === 0 ? readCode(typed) : null);

  function add(code: string | null) {
    if (!code) return;
    if (!codes.some((c) => c.code === code)) codes = [...codes, { code, state: 'stored' }];
    typed = '';
    at = 0;
  }
  function keys(event: KeyboardEvent) {
    if (event.key === 'Enter' && !event.ctrlKey && typed.trim()) {
      event.preventDefault();
      const exact = readCode(typed);
      add(exact && CODES[exact] ? exact : (hits[at] ?? unknown));
    }
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      at = Math.min(Math.max(0, at + (event.key === 'ArrowDown' ? 1 : -1)), Math.max(0, hits.length - 1));
    }
  }
</script>

<div>
  <label for="{id}-code" class="mb-1 block text-sm font-semibold">Codes</label>
  <input
    id="{id}-code"
    class="field reading max-w-md"
    placeholder="number or words: P0118, fan circuit"
    autocomplete="off"
    role="combobox"
    aria-expanded={hits.length > 0}
    aria-controls="{id}-hits"
    aria-activedescendant={hits[at] ? `${id}-${hits[at]}` : undefined}
    bind:value={typed}
    oninput={() => (at = 0)}
    onkeydown={keys}
  />
  {#if problem}<p class="text-off mt-1 text-xs font-semibold">{problem}</p>{/if}
  <ul id="{id}-hits" role="listbox" aria-label="Codes found" class="mt-1">
    {#each hits as code, i (code)}
      <li id="{id}-{code}" role="option" aria-selected={i === at}>
        <button
          type="button"
          tabindex="-1"
          class="flex min-h-11 w-full items-baseline gap-3 rounded-lg px-3 py-2 text-left {i === at
            ? 'bg-well'
            : ''}"
          onclick={() => add(code)}
          ><span class="reading font-semibold">{code}</span><span>{CODES[code].means}</span></button
        >
      </li>
    {/each}
    {#if unknown && typed.trim()}
      <li role="option" aria-selected="true">
        <button
          type="button"
          tabindex="-1"
          class="bg-well flex min-h-11 w-full gap-3 rounded-lg px-3 py-2 text-left"
          onclick={() => add(unknown)}
          ><span class="reading font-semibold">{unknown}</span>not in the cooling group of the standard; kept
          as it is</button
        >
      </li>
    {/if}
  </ul>
</div>

{#if codes.length > 0}
  <ul class="divide-line divide-y">
    {#each codes as c, i (c.code)}
      <li class="flex flex-wrap items-center gap-3 py-2">
        <span class="reading w-16 font-bold">{c.code}</span>
        <span class="min-w-48 flex-1">
          {CODES[c.code]?.means ?? 'Not in the cooling group; see the maker’s information'}
          {#if CODES[c.code]?.failsafe}<span class="text-ink-2 block text-sm">{CODES[c.code].failsafe}</span
            >{/if}
        </span>
        <select class="field w-36" aria-label="State of {c.code}" bind:value={codes[i].state}>
          {#each CODE_STATES as state (state)}<option value={state}>{state}</option>{/each}
        </select>
        <button
          type="button"
          class="btn px-3"
          aria-label="Remove {c.code}"
          onclick={() => (codes = codes.filter((_, j) => j !== i))}><X size={18} aria-hidden="true" /></button
        >
      </li>
    {/each}
  </ul>
{/if}
