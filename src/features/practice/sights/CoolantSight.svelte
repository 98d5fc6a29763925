<script lang="ts">
  interface Props {
    look: string;
    is: string;
  }
  let { look, is }: Props = $props();
  const HEIGHT: Readonly<Record<string, number>> = { over: 158, mark: 112, low: 58, empty: 6 };
  // What coolant looks like is a colour of its own, by day and by night.
  const CLEAN = '#4fa38a';
  const RUST = '#8a5426';
</script>

{#if look === 'level'}
  <!-- A tank from the side, with its two marks. -->
  <rect x="60" y="14" width="120" height="176" rx="16" fill="var(--card)" />
  <clipPath id="tank"><rect x="62" y="16" width="116" height="172" rx="14" /></clipPath>
  <rect x="62" y={190 - HEIGHT[is]} width="116" height={HEIGHT[is]} fill={CLEAN} clip-path="url(#tank)" />
  <rect x="60" y="14" width="120" height="176" rx="16" fill="none" stroke="var(--ink)" stroke-width="3" />
  {#each [66, 92] as y (y)}<line
      x1="150"
      x2="178"
      y1={y}
      y2={y}
      stroke="var(--ink)"
      stroke-width="3"
    />{/each}
{:else if look === 'leaks'}
  <!-- The joint of a hose, and the floor under it. -->
  <path d="M10 70 H110" stroke="var(--ink-2)" stroke-width="34" />
  <rect x="104" y="48" width="14" height="44" rx="3" fill="var(--line-strong)" />
  <path d="M118 70 H230" stroke="var(--line-strong)" stroke-width="26" />
  <line x1="10" x2="230" y1="186" y2="186" stroke="var(--ink)" stroke-width="3" />
  {#if is === 'trace'}
    <path d="M112 92 C108 120 116 140 110 168" fill="none" stroke="#cfd8cf" stroke-width="7" />
    <path d="M112 92 C108 120 116 140 110 168" fill="none" stroke={CLEAN} stroke-width="1.5" />
  {:else if is === 'drip'}
    {#each [104, 128, 158] as y (y)}<path d="M111 {y} q-8 14 0 18 q8 -4 0 -18" fill={CLEAN} />{/each}
    <ellipse cx="112" cy="184" rx="58" ry="7" fill={CLEAN} />
  {/if}
{:else if look === 'colour'}
  <!-- A glass of it against the light. -->
  <clipPath id="glass"><path d="M70 20 H170 L158 186 H82Z" /></clipPath>
  <g clip-path="url(#glass)">
    <rect x="60" y="48" width="120" height="140" fill={is === 'rusty' ? RUST : CLEAN} />
    {#if is === 'rusty'}
      <rect x="60" y="158" width="120" height="30" fill="#4f2c10" />
      {#each [[92, 80], [130, 96], [112, 124], [146, 134], [98, 144]] as [x, y] (x)}<circle
          cx={x}
          cy={y}
          r="4"
          fill="#4f2c10"
        />{/each}
    {:else if is === 'oily'}
      <rect x="60" y="48" width="120" height="16" fill="#6b5a2a" opacity="0.85" />
      {#each [[88, 56, 9], [118, 58, 14], [150, 55, 7]] as [x, y, r] (x)}<ellipse
          cx={x}
          cy={y}
          rx={r}
          ry={r / 2}
          fill="#d8b84a"
        />{/each}
    {:else if is === 'mixed'}
      <path d="M60 100 q30 24 60 0 t60 0 V188 H60Z" fill="#b0567a" />
    {/if}
  </g>
  <path d="M70 20 L82 186 H158 L170 20" fill="none" stroke="var(--ink)" stroke-width="3" />
{:else if look === 'hoses'}
  <!-- A hose, pressed between two fingers. -->
  {#if is === 'flat'}
    <path
      d="M10 74 C70 74 84 92 120 94 C156 92 170 74 230 74 V126 C170 126 156 108 120 106 C84 108 70 126 10 126Z"
      fill="var(--ink-2)"
    />
  {:else if is === 'soft'}
    <path
      d="M10 76 C60 76 80 48 120 48 C160 48 180 76 230 76 V124 C180 124 160 152 120 152 C80 152 60 124 10 124Z"
      fill="var(--ink-2)"
    />
    {#each [88, 110, 132, 152] as x (x)}<path
        d="M{x} 66 q8 34 0 68"
        fill="none"
        stroke="var(--card)"
        stroke-width="2"
      />{/each}
  {:else}
    <rect x="10" y="76" width="220" height="48" fill="var(--ink-2)" />
  {/if}
  <path
    d="M120 20 v{is === 'soft' ? 44 : 50} m-9 -12 l9 12 l9 -12 M120 180 v-{is === 'soft'
      ? 44
      : 50} m-9 12 l9 -12 l9 12"
    fill="none"
    stroke="var(--act)"
    stroke-width="3"
  />
{:else if look === 'pump'}
  <!-- The pulley rocked by hand, from the side, and the seal under it. -->
  <rect
    x="20"
    y="50"
    width="60"
    height="100"
    rx="8"
    fill="var(--well)"
    stroke="var(--ink)"
    stroke-width="3"
  />
  <rect x="80" y="92" width="50" height="16" fill="var(--line-strong)" />
  {#if is === 'play'}<rect
      x="132"
      y="46"
      width="20"
      height="108"
      rx="4"
      fill="none"
      stroke="var(--ink-2)"
      stroke-dasharray="5 4"
      stroke-width="2"
      transform="rotate(-9 132 100)"
    />{/if}
  <rect
    x="132"
    y="46"
    width="20"
    height="108"
    rx="4"
    fill="var(--card)"
    stroke="var(--ink)"
    stroke-width="3"
    transform={is === 'play' ? 'rotate(9 132 100)' : undefined}
  />
  <path
    d="M196 70 a40 40 0 0 1 0 60 m-10 -8 l10 8 l2 -13 M196 70 l-12 3 l9 10"
    fill="none"
    stroke="var(--act)"
    stroke-width="3"
  />
  {#if is === 'weeps'}
    <path d="M70 150 q-4 18 0 32" fill="none" stroke={CLEAN} stroke-width="5" />
    <path d="M70 168 q-6 11 0 14 q6 -3 0 -14" fill={CLEAN} />
  {/if}
{/if}
