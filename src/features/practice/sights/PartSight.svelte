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
  /** How far a blade comes in a blink, degrees: a turning fan is told from one that stands without its motion too. */
  const BLUR: Readonly<Record<string, number>> = { full: 52, slow: 16 };
  /** With its own relay and with the other: which fan turns, and whether it is asked to. */
  const SWAP: Readonly<Record<string, { asked: boolean; own: boolean; other: boolean }>> = {
    runs: { asked: true, own: false, other: true },
    ran: { asked: true, own: true, other: true },
    dead: { asked: true, own: false, other: false },
    stops: { asked: false, own: true, other: false },
    'runs-on': { asked: false, own: true, other: true }
  };
  const fans = $derived(
    look === 'turns'
      ? [{ x: 120, y: 100, size: 1, speed: is, says: '' }]
      : look === 'then'
        ? [
            { x: 62, y: 84, size: 0.58, speed: SWAP[is].own ? 'full' : 'no', says: 'its own relay' },
            { x: 180, y: 84, size: 0.58, speed: SWAP[is].other ? 'full' : 'no', says: 'the other relay' }
          ]
        : []
  );
  const opened = $derived((look === 'powered' && is === 'opens') || (look === 'unpowered' && is === 'stays'));
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
{:else if look === 'fan'}
  <!-- A strip of paper before the grille. -->
  <rect x="150" y="20" width="16" height="164" fill="var(--well)" stroke="var(--ink)" stroke-width="3" />
  <path
    d={is === 'yes' ? 'M70 24 C90 60 120 70 148 108' : 'M70 24 C72 60 68 80 70 116'}
    fill="none"
    stroke="var(--act)"
    stroke-width="7"
  />
  <line x1="40" x2="100" y1="22" y2="22" stroke="var(--ink)" stroke-width="3" />
{:else if look === 'powered' || look === 'unpowered'}
  <!-- The thermostat in warm water, its wire {look === 'powered' ? 'on' : 'off'} a battery. -->
  <rect x="20" y="60" width="200" height="126" rx="8" fill="#9cc3d6" stroke="var(--ink)" stroke-width="3" />
  <rect x="60" y="112" width="120" height="12" fill="#b5813a" stroke="#20262b" stroke-width="2" />
  <rect
    x="92"
    y={opened ? 140 : 124}
    width="56"
    height="12"
    fill="#b5813a"
    stroke="#20262b"
    stroke-width="2"
  />
  <line x1="120" x2="120" y1="124" y2={opened ? 140 : 124} stroke="#20262b" stroke-width="6" />
  <path d="M120 112 V30 H{look === 'powered' ? 180 : 160}" fill="none" stroke="var(--ink)" stroke-width="4" />
  <rect x="180" y="14" width="46" height="32" fill="var(--card)" stroke="var(--ink)" stroke-width="3" />
  <text x="203" y="36" text-anchor="middle" font-size="16" fill="var(--ink)">+ −</text>
{/if}
{#each fans as f (f.x)}
  <!-- A fan, as it goes. -->
  <g transform="translate({f.x} {f.y}) scale({f.size})">
    <circle r="92" fill="none" stroke="var(--line-strong)" stroke-width="3" />
    <g class={TURN[f.speed] ? 'turning' : ''} style={TURN[f.speed] ? `--turn: ${TURN[f.speed]}s` : undefined}>
      {#each [0, 72, 144, 216, 288] as a (a)}
        {#if BLUR[f.speed]}<circle
            r="66"
            pathLength="360"
            fill="none"
            stroke="var(--ink-2)"
            stroke-width="40"
            opacity="0.3"
            stroke-dasharray="{BLUR[f.speed]} {360 - BLUR[f.speed]}"
            transform="rotate({a - 90 - BLUR[f.speed]})"
          />{/if}
        <path
          d="M0 -14 C26 -30 30 -60 16 -82 L-12 -82 C-16 -56 -12 -34 0 -14Z"
          transform="rotate({a})"
          fill={a === 0 ? 'var(--act)' : 'var(--ink-2)'}
        />
      {/each}
    </g>
    <circle r="16" fill="var(--card)" stroke="var(--ink)" stroke-width="3" />
  </g>
  {#if f.says}<text x={f.x} y="164" text-anchor="middle" font-size="15" fill="var(--ink)">{f.says}</text>{/if}
{/each}
{#if look === 'then'}<text x="120" y="192" text-anchor="middle" font-size="15" fill="var(--ink)"
    >{SWAP[is].asked ? 'asked to run' : 'not asked to run'}</text
  >{/if}

<style>
  .turning {
    animation: turn var(--turn) linear infinite;
  }
  @keyframes turn {
    to {
      transform: rotate(360deg);
    }
  }
  @media (prefers-reduced-motion: reduce) {
    .turning {
      animation: none;
    }
  }
</style>
