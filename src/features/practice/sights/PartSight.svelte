<script lang="ts">
  interface Props {
    look: string;
    is: string;
  }
  let { look, is }: Props = $props();
  // The fluid of a tester changes its colour; its own maker says to which.
  const FLUID: Readonly<Record<string, string>> = { clear: '#2f6fb5', doubtful: '#4f9a6a', gas: '#d8c23a' };
  /** Seconds for a turn of the fan; none where it stands. */
  const TURN: Readonly<Record<string, number>> = { full: 0.45, slow: 2.4 };
</script>

{#if look === 'seen'}
  <!-- The tester after the work, beside a drop of its fluid from the bottle. -->
  {#each [{ x: 40, fill: FLUID.clear, says: 'fresh' }, { x: 140, fill: FLUID[is], says: 'now' }] as tube (tube.says)}
    <path
      d="M{tube.x} 20 V150 a30 30 0 0 0 60 0 V20"
      fill="var(--card)"
      stroke="var(--ink)"
      stroke-width="3"
    />
    <path d="M{tube.x + 3} 90 V150 a27 27 0 0 0 54 0 V90Z" fill={tube.fill} />
    <text x={tube.x + 30} y="198" text-anchor="middle" font-size="15" fill="var(--ink)">{tube.says}</text>
  {/each}
{:else if look === 'seal'}
  <!-- The cap from below. -->
  <circle cx="120" cy="100" r="84" fill="var(--well)" stroke="var(--ink)" stroke-width="3" />
  <circle cx="120" cy="100" r="58" fill="none" stroke="#30343a" stroke-width="20" />
  <circle cx="120" cy="100" r="20" fill="var(--card)" stroke="var(--ink)" stroke-width="3" />
  {#if is === 'worn'}
    <path
      d="M166 66 l18 -14 M178 100 l-22 6 M84 146 l-8 -16 M70 80 l-14 -4 M128 44 l2 -16"
      stroke="#b9b4a8"
      stroke-width="5"
    />
    <path d="M120 158 a58 58 0 0 1 -40 -18" fill="none" stroke="#8d877b" stroke-width="20" />
  {/if}
{:else if look === 'turns'}
  <!-- The fan, as it goes. -->
  <circle cx="120" cy="100" r="92" fill="none" stroke="var(--line-strong)" stroke-width="3" />
  <g class={TURN[is] ? 'turning' : ''} style={TURN[is] ? `--turn: ${TURN[is]}s` : undefined}>
    {#each [0, 72, 144, 216, 288] as a (a)}<path
        d="M120 86 C146 70 150 40 136 18 L108 18 C104 44 108 66 120 86Z"
        transform="rotate({a} 120 100)"
        fill={a === 0 ? 'var(--act)' : 'var(--ink-2)'}
      />{/each}
  </g>
  <circle cx="120" cy="100" r="16" fill="var(--card)" stroke="var(--ink)" stroke-width="3" />
{/if}

<style>
  .turning {
    transform-origin: 120px 100px;
    animation: turn var(--turn) linear infinite;
  }
  @keyframes turn {
    to {
      transform: rotate(360deg);
    }
  }
</style>
