<script lang="ts">
  import { SPARK_BOX, type Spark } from '$core/runs/spark';
  import { heatVar } from './heat';

  interface Props extends Spark {
    label: string;
  }
  let { line, area, coldY, hotY, label }: Props = $props();
  const id = $props.id();
</script>

<svg
  viewBox="0 0 {SPARK_BOX.width} {SPARK_BOX.height}"
  class="h-14 w-full"
  role="img"
  aria-label={label}
  preserveAspectRatio="none"
>
  <defs>
    <linearGradient id="{id}-heat" gradientUnits="userSpaceOnUse" x1="0" y1={coldY} x2="0" y2={hotY}>
      {#each [0, 30, 59, 88, 118] as stop (stop)}<stop
          offset={stop / 118}
          stop-color={heatVar(stop)}
        />{/each}
    </linearGradient>
  </defs>
  {#if area}<polygon points={area} fill="var(--band)" opacity="0.28" />{/if}
  <polyline
    points={line}
    fill="none"
    stroke="url(#{id}-heat)"
    stroke-width="2.5"
    vector-effect="non-scaling-stroke"
    stroke-linejoin="round"
  />
</svg>
