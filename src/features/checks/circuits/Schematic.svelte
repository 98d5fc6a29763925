<script lang="ts">
  import type { Drawing, Part } from './schematics';

  interface TapView {
    readonly title: string;
    readonly terminal: string | null;
    /** As measured in the state that is shown, and as a sound circuit shows it. */
    readonly value: string | null;
    readonly due: string;
    readonly off: boolean;
  }
  interface Props {
    label: string;
    drawing: Drawing;
    taps: Readonly<Record<string, TapView>>;
    /** Chance of each element fault. */
    suspicion: Readonly<Record<string, number>>;
    chosen: string | null;
    next: string | null;
    onchoose: (tap: string) => void;
  }
  let { label, drawing, taps, suspicion, chosen, next, onchoose }: Props = $props();

  const chance = (p: Part) => p.faults.reduce((sum, f) => sum + (suspicion[f] ?? 0), 0);
  const suspected = (p: Part) => chance(p) >= 0.1;
  const WIDTH = { box: 92, contact: 86, motor: 84, ground: 96, source: 84, gauge: 92 } as const;
  const H = 44;
</script>

<svg viewBox="0 0 {drawing.width} {drawing.height}" class="w-full" role="group" aria-label={label}>
  {#each drawing.wires as wire (wire.path)}
    <path
      d={wire.path}
      fill="none"
      stroke={wire.link ? 'var(--line-strong)' : 'var(--ink)'}
      stroke-width={wire.link ? 2 : wire.thin ? 2 : 5}
      stroke-dasharray={wire.link ? '3 6' : undefined}
    />
  {/each}
  {#each drawing.parts as p (p.name + p.x + p.y)}
    {@const w = WIDTH[p.kind]}
    {@const bad = suspected(p)}
    <g data-part={p.name} data-suspected={bad ? 'yes' : undefined}>
      <rect
        x={p.x - w / 2}
        y={p.y - H / 2}
        width={w}
        height={H}
        rx={p.kind === 'motor' || p.kind === 'gauge' ? H / 2 : 6}
        fill={bad
          ? 'var(--off-wash)'
          : p.kind === 'source' || p.kind === 'ground'
            ? 'var(--well)'
            : 'var(--card)'}
        stroke={bad ? 'var(--off)' : 'var(--ink)'}
        stroke-width={bad ? 3 : 1.5}
      />
      {#if p.kind === 'contact'}
        <path
          d="M{p.x - 22} {p.y + 13} h14 l18 -9 M{p.x + 12} {p.y + 13} h12"
          fill="none"
          stroke="var(--ink-2)"
          stroke-width="2"
        />
      {/if}
      <text
        x={p.x}
        y={p.kind === 'contact' ? p.y - 3 : p.y + 5}
        text-anchor="middle"
        font-size={p.name.length > 11 ? 12 : 14.5}
        font-weight="600"
        fill={bad ? 'var(--off)' : 'var(--ink)'}>{p.name}</text
      >
      {#if bad}
        <text
          x={p.x}
          y={p.y - H / 2 - 7}
          text-anchor="middle"
          font-size="14"
          font-weight="700"
          class="reading"
          fill="var(--off)">{Math.min(99, Math.round(100 * chance(p)))} %</text
        >
      {/if}
    </g>
  {/each}
  {#each drawing.taps as tap (tap.id)}
    {@const view = taps[tap.id]}
    {@const is = chosen === tap.id}
    {@const side = tap.below ? 1 : -1}
    <g
      role="button"
      tabindex="0"
      class="cursor-pointer"
      aria-label="{view.terminal ?? '•'}{view.value ?? `(${view.due})`} {view.title}{view.value
        ? `, sound ${view.due}`
        : ''}"
      aria-pressed={is}
      data-tap={tap.id}
      onclick={() => onchoose(tap.id)}
      onkeydown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        onchoose(tap.id);
      }}
    >
      <rect x={tap.x - 38} y={tap.y - (tap.below ? 20 : 62)} width="76" height="82" fill="transparent" />
      <circle
        cx={tap.x}
        cy={tap.y}
        r={is ? 17 : 14}
        fill={view.value ? (view.off ? 'var(--off)' : 'var(--act)') : 'var(--card)'}
        stroke={is ? 'var(--focus)' : next === tap.id ? 'var(--act)' : 'var(--ink)'}
        stroke-width={is ? 5 : next === tap.id ? 4 : 2}
        stroke-dasharray={next === tap.id && !is ? '5 3' : undefined}
      />
      <text
        x={tap.x}
        y={tap.y + 4.5}
        text-anchor="middle"
        font-size="13"
        font-weight="700"
        class="reading"
        fill={view.value ? 'var(--card)' : 'var(--ink)'}>{view.terminal ?? '•'}</text
      >
      <text
        x={tap.x}
        y={tap.y + side * (tap.below ? 38 : 27)}
        text-anchor="middle"
        font-size="16"
        font-weight={view.value ? 700 : 400}
        class="reading"
        fill={view.value ? (view.off ? 'var(--off)' : 'var(--ink)') : 'var(--ink-2)'}
        >{view.value ?? `(${view.due})`}</text
      >
    </g>
  {/each}
</svg>
