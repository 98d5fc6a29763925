<script lang="ts">
  import '../app.css';
  import Frame from '$features/frame/Frame.svelte';

  let { data, children } = $props();
</script>

<Frame who={data.who} theme={data.theme}>{@render children()}</Frame>
