<script lang="ts">
  interface Props {
    look: string;
    is: string;
  }
  let { look, is }: Props = $props();
  /** Places of leaves and insects on a face, always the same. */
  const DEBRIS = Array.from({ length: 90 }, (_, i) => ({
    x: 34 + ((i * 61) % 173),
    y: 34 + ((i * 37) % 133),
    r: 3 + ((i * 7) % 6)
  }));
  const many = $derived(is === 'choked' ? 90 : is === 'some' ? 12 : 0);
</script>

{#if look === 'face'}
  <!-- The face of the radiator, a lamp behind it. -->
  <rect x="28" y="28" width="184" height="144" fill="#fff3c9" stroke="var(--ink)" stroke-width="3" />
  {#each Array.from({ length: 22 }, (_, i) => 36 + 8 * i) as x (x)}<line
      x1={x}
      x2={x}
      y1="30"
      y2="170"
      stroke="#6d6a62"
      stroke-width="2"
    />{/each}
  {#each DEBRIS.slice(0, many) as d, i (i)}<circle cx={d.x} cy={d.y} r={d.r} fill="#5b4a33" />{/each}
  {#if is === 'shut'}
    {#each [30, 58, 86, 114, 142] as y (y)}<rect
        x="28"
        {y}
        width="184"
        height="27"
        fill="#3c3f42"
        stroke="#1a1d20"
        stroke-width="2"
      />{/each}
  {/if}
{:else if look === 'between'}
  <!-- Two cores from above, and what lies between them. -->
  {#each [36, 150] as x (x)}
    <rect {x} y="20" width="54" height="160" fill="var(--well)" stroke="var(--ink)" stroke-width="3" />
    {#each [40, 64, 88, 112, 136, 160] as y (y)}<line
        x1={x}
        x2={x + 54}
        y1={y}
        y2={y}
        stroke="var(--line-strong)"
      />{/each}
  {/each}
  {#if is === 'packed'}
    {#each Array.from({ length: 60 }, (_, i) => i) as i (i)}<circle
        cx={97 + ((i * 17) % 46)}
        cy={28 + ((i * 29) % 146)}
        r={4 + (i % 4)}
        fill="#6d5a3c"
      />{/each}
  {/if}
{:else if look === 'belt'}
  <!-- A thumb on the longest run. -->
  <circle cx="50" cy="120" r="34" fill="var(--well)" stroke="var(--ink)" stroke-width="3" />
  <circle cx="190" cy="120" r="34" fill="var(--well)" stroke="var(--ink)" stroke-width="3" />
  <path
    d={is === 'slack' ? 'M50 83 Q120 152 190 83' : 'M50 83 Q120 90 190 83'}
    fill="none"
    stroke="var(--ink-2)"
    stroke-width="8"
  />
  <path d="M50 157 H190" fill="none" stroke="var(--ink-2)" stroke-width="8" />
  {#if is === 'worn'}
    {#each [66, 84, 102, 120, 138, 156, 174] as x (x)}<line
        x1={x}
        x2={x + 3}
        y1="152"
        y2="162"
        stroke="var(--card)"
        stroke-width="2"
      />{/each}
    <path d="M60 155 H180" stroke="#f2f2ea" stroke-width="1.5" opacity="0.8" />
  {/if}
  <path
    d="M120 22 v{is === 'slack' ? 78 : 50} m-9 -12 l9 12 l9 -12"
    fill="none"
    stroke="var(--act)"
    stroke-width="3"
  />
{:else if look === 'connector'}
  <!-- The plug, pulled off and turned to the light. -->
  <path
    d="M120 196 V160"
    stroke="var(--ink-2)"
    stroke-width={is === 'loose' ? 4 : 10}
    stroke-dasharray={is === 'loose' ? '7 4' : undefined}
  />
  <rect x="56" y="56" width="128" height="104" rx="12" fill="#2f3438" stroke="var(--ink)" stroke-width="3" />
  <path
    d={is === 'loose' ? 'M100 56 l-16 -26 h22' : 'M100 56 v-22 h40 v22'}
    fill="none"
    stroke="var(--ink)"
    stroke-width="6"
  />
  {#each [96, 144] as x (x)}
    <rect x={x - 13} y="90" width="26" height="36" rx="4" fill="#14171a" />
    <rect x={x - 5} y="94" width="10" height="28" fill={is === 'green' ? '#4c8f6e' : '#d9b45c'} />
    {#if is === 'green'}<circle cx={x + 6} cy="118" r="8" fill="#58a384" opacity="0.85" /><circle
        cx={x - 8}
        cy="98"
        r="5"
        fill="#58a384"
        opacity="0.85"
      />{/if}
  {/each}
{:else if look === 'added'}
  <!-- The loom beside the fan. -->
  <circle cx="70" cy="100" r="50" fill="none" stroke="var(--ink)" stroke-width="3" />
  {#each [0, 72, 144, 216, 288] as a (a)}<path
      d="M70 92 C82 84 84 66 78 56 L64 56 C62 70 64 82 70 92Z"
      transform="rotate({a} 70 100)"
      fill="var(--line-strong)"
    />{/each}
  <path d="M120 100 H160 V40 H230" fill="none" stroke="var(--ink-2)" stroke-width="8" />
  {#if is === 'found'}
    <path d="M160 76 C190 84 176 120 196 128" fill="none" stroke="#c0392b" stroke-width="4" />
    <rect x="182" y="124" width="44" height="34" rx="4" fill="#3a4a5a" stroke="var(--ink)" stroke-width="2" />
    <rect x="154" y="68" width="14" height="16" fill="#4a7fd0" />
  {/if}
{/if}
