<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { commandedShare, type ClutchElectronicReadings } from '$core/checks/clutch/clutch-electronic';
  import BenchRead from '$lib/ui/inputs/BenchRead.svelte';
  import XyFrame from '$lib/ui/plots/XyFrame.svelte';
  import QuantityInput from '$lib/ui/inputs/QuantityInput.svelte';
  import RowEntry from '$lib/ui/inputs/RowEntry.svelte';
  import type { SheetProps } from './types';

  let { readings = $bindable(), sheet, problems }: SheetProps<ClutchElectronicReadings> = $props();
  let commandPct = $state<number | null>(null);
  let engineRpm = $state<number | null>(null);
  let fanRpm = $state<number | null>(null);
  let unpluggedEngine = $state(readings.unplugged?.engineRpm ?? null);
  let unpluggedFan = $state(readings.unplugged?.fanRpm ?? null);
  let hz = $state(readings.pickup?.hz ?? null);
  let pickupFan = $state(readings.pickup?.fanRpm ?? null);

  function add() {
    if (commandPct === null || engineRpm === null || fanRpm === null) return;
    readings.pairs = [...readings.pairs, { commandPct, engineRpm, fanRpm }];
    commandPct = engineRpm = fanRpm = null;
  }
  function both() {
    readings.unplugged =
      unpluggedEngine !== null && unpluggedFan !== null
        ? { engineRpm: unpluggedEngine, fanRpm: unpluggedFan }
        : null;
    readings.pickup = hz !== null && pickupFan !== null ? { hz, fanRpm: pickupFan } : null;
  }
  const commands = Array.from({ length: 21 }, (_, i) => 5 * i);
</script>

<div class="grid items-start gap-x-5 gap-y-4 xl:grid-cols-[290px_minmax(0,1fr)]">
  <div class="space-y-3">
    <RowEntry
      label="Add the reading"
      complete={commandPct !== null && engineRpm !== null && fanRpm !== null}
      onadd={add}
    >
      <div class="grid grid-cols-3 gap-2">
        <QuantityInput label="Command" kind="share" bind:value={commandPct} problem={problems.pairs} />
        <QuantityInput label="Engine" kind="rotation" bind:value={engineRpm} />
        <QuantityInput label="Fan" kind="rotation" bind:value={fanRpm} />
      </div>
      <div class="flex flex-wrap gap-x-4">
        <BenchRead
          instrument="tachometer"
          place="engine"
          label="Engine by simulated tachometer"
          onread={(v) => (engineRpm = v)}
        />
        <BenchRead instrument="tachometer" place="fan" label="fan" onread={(v) => (fanRpm = v)} />
      </div>
    </RowEntry>
    <fieldset class="grid grid-cols-2 gap-2">
      <legend class="mb-1 text-sm font-semibold">Unplugged it should engage</legend>
      <QuantityInput label="Engine" kind="rotation" bind:value={unpluggedEngine} onvalue={both} />
      <QuantityInput label="Fan" kind="rotation" bind:value={unpluggedFan} onvalue={both} />
    </fieldset>
    <div>
      <QuantityInput
        label="At its plug, least command"
        kind="voltage"
        bind:value={readings.plugV}
        hint="if it is locked: power or seized"
        problem={problems.plugV}
      />
      <BenchRead part="clutch-plug" label="By simulated meter" onread={(v) => (readings.plugV = v)} />
    </div>
    <fieldset class="grid grid-cols-2 gap-2">
      <legend class="mb-1 text-sm font-semibold">Speed pickup, if it is in doubt</legend>
      <QuantityInput
        label="Pulses a second"
        kind="number"
        bind:value={hz}
        onvalue={both}
        problem={problems['pickup.hz']}
      />
      <QuantityInput label="Fan meanwhile" kind="rotation" bind:value={pickupFan} onvalue={both} />
    </fieldset>
  </div>
  <figure>
    <XyFrame
      label="Fan speed as a share of its pulley against the command"
      fromX={0}
      toX={100}
      toY={110}
      xText={(v) => `${v}`}
      yText={(v) => `${v}`}
      xTitle="command, %"
      yTitle="fan over pulley, %"
    >
      {#snippet children({ x, y, left, right })}
        <polygon
          points={[
            ...commands.map((c) => `${x(c)},${y(100 * commandedShare(sheet, c) + 14)}`),
            ...commands.toReversed().map((c) => `${x(c)},${y(100 * commandedShare(sheet, c) - 14)}`)
          ].join(' ')}
          fill="var(--band)"
          opacity="0.3"
        />
        <polyline
          points={commands.map((c) => `${x(c)},${y(100 * commandedShare(sheet, c))}`).join(' ')}
          fill="none"
          stroke="var(--ink)"
          stroke-width="2.5"
        />
        {#if readings.unplugged}
          {@const share = (100 * readings.unplugged.fanRpm) / readings.unplugged.engineRpm}
          <line
            x1={x(0)}
            x2={right}
            y1={y(share)}
            y2={y(share)}
            stroke="var(--act)"
            stroke-width="2"
            stroke-dasharray="8 5"
          />
          <text x={left + 90} y={y(share) - 9} font-size="13" fill="var(--act)">unplugged</text>
        {/if}
        {#each readings.pairs as p, i (i)}
          <circle
            cx={x(p.commandPct)}
            cy={y((100 * p.fanRpm) / p.engineRpm)}
            r="8"
            fill="var(--act)"
            stroke="var(--card)"
            stroke-width="2"
            data-pair
          />
        {/each}
      {/snippet}
    </XyFrame>
    <ul class="reading mt-1 flex flex-wrap gap-x-4 text-sm">
      {#each readings.pairs as p, i (i)}
        <li class="inline-flex items-center">
          {p.commandPct} %: {p.fanRpm} of {p.engineRpm}
          <button
            type="button"
            class="inline-flex size-9 items-center justify-center"
            aria-label="Remove the reading at {p.commandPct} %"
            onclick={() => (readings.pairs = readings.pairs.filter((_, k) => k !== i))}
            ><X size={16} aria-hidden="true" /></button
          >
        </li>
      {/each}
    </ul>
  </figure>
</div>
