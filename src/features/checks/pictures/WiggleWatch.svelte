<script lang="ts">
  import { page } from '$app/state';
  import type { Wiggled } from '$core/checks/sensor/wiggle';
  import { whatFollowed, type Followed, type Held } from '$core/checks/sensor/wiggle-watch';
  import { inUnit, shown } from '$lib/ui/page-state/units';
  import { liveBlocks } from '$lib/ui/sync/live-blocks';

  interface Props {
    runId: string;
    /** Where the hand is; null where it is nowhere. */
    hand: Wiggled | null;
    onfound: (found: Partial<Record<Wiggled, Followed>>) => void;
  }
  let { runId, hand, onfound }: Props = $props();

  const SHOWN_S = 120;
  const W = 720;
  const H = 150;
  let t = $state.raw<number[]>([]);
  let celsius = $state.raw<number[]>([]);
  let held = $state.raw<Held[]>([]);

  // Everything is kept: what the reading does with no hand there is what a hand is held against.
  $effect(() =>
    liveBlocks(runId, {
      block: ({ t: times, channels }) => {
        const came = times.flatMap((at, i) => {
          const c = channels.ect_c?.[i];
          return c == null ? [] : [[at, c] as const];
        });
        t = [...t, ...came.map(([at]) => at)];
        celsius = [...celsius, ...came.map(([, c]) => c)];
      }
    })
  );

  const now = $derived(t[t.length - 1] ?? 0);
  // A hand that comes or goes opens or ends its stretch, by the run's own clock.
  $effect(() => {
    const at = now;
    const open = held.at(-1);
    if (open?.toS === null && open.place !== hand) held = [...held.slice(0, -1), { ...open, toS: at }];
    else if (hand && open?.toS !== null) held = [...held, { place: hand, fromS: at, toS: null }];
  });
  $effect(() => {
    if (held.length > 0) onfound(whatFollowed(t, celsius, held));
  });
  // The simulated vehicle has to be told where the hand is.
  function tell(place: typeof hand) {
    if (!page.data.bench) return;
    const body = JSON.stringify({ hand: place });
    void fetch('/api/bench', { method: 'POST', headers: { 'content-type': 'application/json' }, body });
  }
  $effect(() => tell(hand));
  // Whoever closes the sheet has taken the hand away.
  $effect(() => () => tell(null));

  const since = $derived(t.findLastIndex((at) => at < now - SHOWN_S) + 1);
  const drawn = $derived(celsius.slice(since));
  const low = $derived(Math.min(...drawn, 20) - 5);
  const high = $derived(Math.max(...drawn, 100) + 5);
  const x = (at: number) => ((at - now + SHOWN_S) / SHOWN_S) * W;
  const y = (c: number) => H - 6 - ((c - low) / (high - low)) * (H - 12);
</script>

<section class="bg-well rounded-card p-3" aria-label="The reading as it is">
  <div class="flex items-baseline gap-3">
    <p class="reading text-4xl font-semibold" data-watch>
      {celsius.length > 0 ? shown(celsius[celsius.length - 1], 'temperature', 0) : '–'}
    </p>
    <p class="text-ink-2 text-sm">the reading of the last two minutes; shaded where a hand was</p>
  </div>
  <svg viewBox="0 0 {W} {H}" class="mt-1 w-full" role="img" aria-label="The reading of the last two minutes">
    {#each held.filter((h) => (h.toS ?? now) > now - SHOWN_S) as h (h.fromS)}
      <rect
        x={Math.max(0, x(h.fromS))}
        width={Math.max(0, x(h.toS ?? now) - Math.max(0, x(h.fromS)))}
        y="0"
        height={H}
        fill="var(--band)"
        opacity="0.5"
      />
    {/each}
    {#each [0, 50, 100].filter((c) => c > low && c < high) as c (c)}
      <line x1="0" x2={W} y1={y(c)} y2={y(c)} stroke="var(--line-strong)" stroke-dasharray="2 4" />
      <text x="4" y={y(c) - 4} font-size="13" class="reading" fill="var(--ink-2)"
        >{Math.round(inUnit(c, 'temperature'))}°</text
      >
    {/each}
    <polyline
      points={drawn.map((c, i) => `${x(t[since + i]).toFixed(1)},${y(c).toFixed(1)}`).join(' ')}
      fill="none"
      stroke="var(--ink)"
      stroke-width="2.5"
    />
  </svg>
</section>
