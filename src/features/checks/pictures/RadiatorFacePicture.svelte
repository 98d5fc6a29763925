<script lang="ts">
  import { dueEffectiveness, type RadiatorFaceReadings } from '$core/checks/flow/radiator-face';
  import { effectiveness, readFace } from '$core/physics/flow/face';
  import { page } from '$app/state';
  import { askBench } from '$lib/ui/inputs/bench';
  import Choose from '$lib/ui/inputs/Choose.svelte';
  import { heatVar } from '$lib/ui/plots/heat';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import { inUnit } from '$lib/ui/page-state/units';
  import { parseQuantity } from '$core/units/quantity';
  import { unitOf } from '$lib/ui/page-state/units';
  import type { PictureProps } from '../types';

  let {
    readings = $bindable(),
    sheet,
    problems
  }: PictureProps<RadiatorFaceReadings, 'face' | 'flows' | 'fan'> = $props();

  const ends = $derived(
    readings.inC !== null &&
      readings.outC !== null &&
      readings.airC !== null &&
      readings.inC - readings.airC > 15
      ? { inC: readings.inC, outC: readings.outC, airC: readings.airC }
      : null
  );
  const known = $derived(readings.face.flat().filter((c) => c !== null).length);
  const face = $derived(
    ends && known >= 4 ? readFace(readings.face, readings.flows, ends.inC, ends.outC, ends.airC) : null
  );
  const cold = (r: number, c: number) => face?.cold.some((x) => x.row === r && x.column === c) ?? false;
  const eff = $derived(ends ? effectiveness(ends.inC, ends.outC, ends.airC) : null);
  const due = $derived(readings.rpm == null ? null : dueEffectiveness(sheet, readings.rpm, readings.fan));

  function put(row: number, column: number, text: string) {
    const parsed = text.trim() === '' ? null : parseQuantity(text, 'temperature', unitOf('temperature'));
    const value = parsed?.ok ? parsed.value.value : null;
    readings.face = readings.face.map((line, r) =>
      r === row ? line.map((c, k) => (k === column ? value : c)) : line
    );
  }
  /** Arrow keys and Enter walk over the face as the gun does. */
  function walk(event: KeyboardEvent, row: number, column: number) {
    const step = { Enter: [0, 1], ArrowDown: [1, 0], ArrowUp: [-1, 0] }[event.key];
    if (!step || event.ctrlKey) return;
    event.preventDefault();
    let [r, c] = [row + step[0], column + step[1]];
    if (c >= readings.face[0].length) [r, c] = [r + 1, 0];
    document.getElementById(`face-${r}-${c}`)?.focus();
  }
  const written = (c: number | null) =>
    c === null ? '' : String(Number(inUnit(c, 'temperature').toFixed(1)));
  async function fromBench() {
    const said = await askBench<{
      face: (number | null)[][];
      inC: number;
      outC: number;
      airC: number;
      rpm: number;
    }>({ radiator: readings.face.map((r) => r.length) });
    if (!said) return;
    const { face: cells, inC, outC, airC, rpm } = said;
    readings = { ...readings, face: cells, inC, outC, airC, rpm: Math.round(rpm) };
  }
</script>

<div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
  <QuantityInput
    label="Coolant in"
    kind="temperature"
    bind:value={readings.inC}
    problem={problems.inC}
    hint="inlet pipe"
  />
  <QuantityInput
    label="Coolant out"
    kind="temperature"
    bind:value={readings.outC}
    problem={problems.outC}
    hint="outlet pipe"
  />
  <QuantityInput label="Air in front" kind="temperature" bind:value={readings.airC} problem={problems.airC} />
  <QuantityInput label="Engine" kind="rotation" bind:value={readings.rpm} problem={problems.rpm} />
</div>
<div class="flex flex-wrap gap-x-6 gap-y-3">
  <Choose
    label="Coolant flows"
    choices={[
      { value: 'down', label: 'Top to bottom' },
      { value: 'across', label: 'Side to side' }
    ]}
    value={readings.flows}
    onvalue={(v) => (readings.flows = (v ?? 'down') as 'down' | 'across')}
  />
  <Choose
    label="The fan"
    choices={[
      { value: '0', label: 'Does not drive' },
      { value: '0.5', label: 'Low or half' },
      { value: '1', label: 'Full' }
    ]}
    value={String(readings.fan)}
    onvalue={(v) => (readings.fan = Number(v ?? 1))}
  />
</div>
<div class="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_230px]">
  <table
    class="w-full table-fixed border-separate border-spacing-1"
    aria-label="The radiator’s face, from the side the air comes in"
  >
    <tbody>
      {#each readings.face as line, r (r)}
        <tr>
          {#each line as c, k (k)}
            <td
              ><input
                id="face-{r}-{k}"
                class="reading h-14 w-full rounded-lg border-2 text-center text-lg {cold(r, k)
                  ? 'border-off font-bold'
                  : 'border-line-strong'}"
                style:background={c === null
                  ? undefined
                  : `color-mix(in oklab, ${heatVar(c)} 55%, var(--card))`}
                aria-label="Row {r + 1}, column {k + 1}{cold(r, k) ? ', cold' : ''}"
                data-cold={cold(r, k) ? 'yes' : undefined}
                value={written(c)}
                onchange={(e) => put(r, k, e.currentTarget.value)}
                onkeydowncapture={(e) => walk(e, r, k)}
              /></td
            >
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
  <div class="space-y-2">
    <p class="text-ink-2 text-sm">Takes off, of what it could</p>
    <p class="reading text-4xl font-semibold" data-effectiveness>
      {eff === null ? '–' : `${(100 * eff).toFixed(0)} %`}
    </p>
    <p class="text-ink-2 text-sm">
      {due === null
        ? readings.rpm == null
          ? 'The engine speed tells what is due.'
          : 'The sheet is needed to say what is due.'
        : `about ${(100 * due).toFixed(0)} % due, run like this`}
    </p>
    <p class="text-ink-2 text-sm">
      Aim at matt places between the fins, the same distance each time. Cold ones are framed{face &&
      face.cold.length > 0
        ? `: ${face.cold.length}`
        : ''}.
    </p>
    {#if page.data.bench}<button
        type="button"
        class="text-act min-h-11 text-left text-sm underline underline-offset-3"
        onclick={fromBench}>Scan the simulated radiator</button
      >{/if}
  </div>
</div>

{#if problems.face}<p class="text-off text-sm font-semibold">{problems.face}</p>{/if}
