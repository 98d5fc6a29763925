<script lang="ts">
  import { heatVar } from '$lib/ui/plots/heat';

  interface Props {
    look: string;
    is: string;
  }
  let { look, is }: Props = $props();
  /** °C under the hand, at equal times, for each way a hose can warm. */
  const HOSE: Readonly<Record<string, readonly number[]>> = {
    rush: [18, 18, 19, 20, 22, 24, 72, 82, 86],
    gradual: [18, 28, 38, 48, 57, 65, 72, 78, 82],
    never: [18, 19, 20, 21, 22, 24, 25, 26, 27]
  };
  const ENGINE = [18, 32, 45, 57, 68, 78, 86, 88, 88];
  /** Of what a hand can push, for a quarter turn. */
  const PUSH: Readonly<Record<string, number>> = { none: 0.04, slight: 0.3, firm: 0.62, locked: 1 };
  const tilt = $derived(is === 'nothing' || is === 'blade' ? 0 : 7);
</script>

{#if look === 'felt'}
  <!-- Two strips along the time: the engine, and the hose under the hand. -->
  {#each [{ c: ENGINE, y: 30, says: 'engine' }, { c: HOSE[is], y: 110, says: 'hose' }] as strip (strip.says)}
    <text x="6" y={strip.y - 6} font-size="15" fill="var(--ink)">{strip.says}</text>
    {#each strip.c as c, i (i)}<rect
        x={6 + 25.4 * i}
        y={strip.y}
        width="25.4"
        height="44"
        fill={heatVar(c)}
      />{/each}
  {/each}
  <path d="M6 180 H234 m-10 -6 l10 6 l-10 6" fill="none" stroke="var(--ink)" stroke-width="2" />
{:else if look === 'firstTurn'}
  <!-- What a hand must push, of what it can. -->
  <text x="20" y="30" font-size="15" fill="var(--ink)">all a hand can</text>
  <line
    x1="20"
    x2="220"
    y1="40"
    y2="40"
    stroke="var(--line-strong)"
    stroke-dasharray="5 4"
    stroke-width="2"
  />
  <rect x="90" y={180 - 140 * PUSH[is]} width="60" height={140 * PUSH[is]} fill="var(--act)" />
  <line x1="20" x2="220" y1="180" y2="180" stroke="var(--ink)" stroke-width="3" />
  <text x="20" y="196" font-size="15" fill="var(--ink)">{PUSH[is] < 1 ? 'it turns' : 'it does not turn'}</text
  >
{:else if look === 'moves'}
  <!-- Pulley, clutch and fan from the side, pushed at the tip of a blade. -->
  <g stroke="var(--ink)" stroke-width="3" fill="var(--card)">
    <rect x="6" y="50" width="46" height="90" rx="8" fill="var(--well)" />
    <g transform={is === 'pump' ? `rotate(${tilt} 52 95)` : undefined}>
      <rect x="52" y="88" width="56" height="14" />
      <rect x="66" y="60" width="14" height="70" rx="3" />
    </g>
    <g transform={is === 'pump' || is === 'clutch' ? `rotate(${tilt} 108 95)` : undefined}>
      <rect x="108" y="70" width="30" height="50" rx="6" />
      <path
        d="M138 95 h14 M152 95 V{is === 'blade' ? 60 : 14} {is === 'blade'
          ? 'Q152 40 172 16'
          : ''} M152 95 V176"
        fill="none"
      />
    </g>
  </g>
  <path d="M188 20 h34 m-10 -7 l10 7 l-10 7" fill="none" stroke="var(--act)" stroke-width="3" />
{:else if look === 'feels'}
  <!-- What comes back through the fingers while it is turned. -->
  <path
    d={is === 'rough'
      ? 'M10 100 l12 -30 l10 44 l14 -22 l8 40 l16 -70 l12 52 l10 -18 l14 34 l10 -58 l14 40 l12 -26 l10 48 l14 -40 l12 20 l12 -22 l10 30 l16 -22'
      : 'M10 100 q20 -5 40 0 t40 0 t40 0 t40 0 t40 0'}
    fill="none"
    stroke="var(--act)"
    stroke-width="4"
  />
  <path d="M6 180 H234 m-10 -6 l10 6 l-10 6" fill="none" stroke="var(--ink)" stroke-width="2" />
{/if}
