<script lang="ts">
  interface Props {
    start: string;
    stop: string;
    onread: (seconds: number) => void;
  }
  let { start, stop, onread }: Props = $props();
  let from = $state<number | null>(null);

  function press() {
    if (from === null) {
      from = Date.now();
      return;
    }
    onread(Math.round((Date.now() - from) / 1000));
    from = null;
  }
</script>

<button type="button" class="btn w-full" onclick={press}>{from === null ? start : stop}</button>
