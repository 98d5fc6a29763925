<script lang="ts">
  import Select from '$lib/ui/inputs/Select.svelte';
  import X from '~icons/lucide/x';
  import { Combobox } from 'bits-ui';
  import { CODE_STATES, type CodesReadings } from '$core/checks/engine/codes';
  import { CODES, findCodes, readCode } from '$core/vehicle/codes';

  interface Props {
    /** Nothing while nobody has said whether any is stored. */
    codes: CodesReadings['codes'] | undefined;
    problem?: string;
  }
  let { codes = $bindable(), problem }: Props = $props();
  const id = $props.id();

  let typed = $state('');
  const offered = $derived(findCodes(typed).slice(0, 6));

  function add(code: string) {
    if (!code) return;
    if (!codes?.some((c) => c.code === code)) codes = [...(codes ?? []), { code, state: 'stored' }];
    typed = '';
  }

  /** Taking the last one away does not say that none is stored. */
  function remove(i: number) {
    const left = codes!.filter((_, j) => j !== i);
    codes = left.length > 0 ? left : undefined;
  }

  /** A code that is typed in full counts, entered or not. */
  const addTyped = () => add(readCode(typed) ?? '');
</script>

<div>
  <label for="{id}-code" class="mb-1 block text-sm font-semibold">Codes</label>
  <Combobox.Root
    type="single"
    value=""
    onValueChange={add}
    inputValue={typed}
    open={offered.length > 0}
    items={offered.map((code) => ({ value: code, label: code }))}
  >
    <Combobox.Input
      id="{id}-code"
      class="field reading max-w-md"
      placeholder="number or words: P0118, fan circuit"
      autocomplete="off"
      oninput={(e) => {
        typed = e.currentTarget.value;
        addTyped();
      }}
      onkeydown={(e) => {
        // A code is in the list as soon as it is whole; Enter out of habit then writes nothing down yet.
        if (e.key === 'Enter' && !e.ctrlKey && !e.metaKey && offered.length === 0) e.preventDefault();
      }}
    />
    <Combobox.ContentStatic
      class="mt-1 {offered.length === 0 ? 'hidden' : ''}"
      aria-label="Codes found"
      onEscapeKeydown={() => (typed = '')}
    >
      {#each offered as code (code)}
        <Combobox.Item
          value={code}
          label={code}
          class="data-highlighted:bg-well flex min-h-11 w-full cursor-pointer items-baseline gap-3 rounded-lg px-3 py-2 text-left"
          ><span class="reading font-semibold">{code}</span><span>{CODES[code].means}</span></Combobox.Item
        >
      {/each}
    </Combobox.ContentStatic>
  </Combobox.Root>
  {#if problem}<p class="text-off mt-1 text-xs font-semibold">{problem}</p>{/if}
</div>

{#if codes && codes.length > 0}
  <ul class="divide-line divide-y">
    {#each codes as c, i (c.code)}
      <li class="flex flex-wrap items-center gap-3 py-2">
        <span class="reading w-16 font-bold">{c.code}</span>
        <span class="min-w-48 flex-1">
          {CODES[c.code]?.means ?? 'Not in the cooling group; see the maker’s information'}
          {#if CODES[c.code]?.failsafe}<span class="text-ink-2 block text-sm">{CODES[c.code].failsafe}</span
            >{/if}
        </span>
        <div class="w-40">
          <Select
            label="State of {c.code}"
            quiet
            choices={CODE_STATES.map((state) => ({ value: state, label: state }))}
            value={c.state}
            onvalue={(state) => (c.state = state as typeof c.state)}
          />
        </div>
        <button type="button" class="btn px-3" aria-label="Remove {c.code}" onclick={() => remove(i)}
          ><X size={18} aria-hidden="true" /></button
        >
      </li>
    {/each}
  </ul>
{/if}
