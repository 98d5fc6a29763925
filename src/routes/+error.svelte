<script lang="ts">
  import { page } from '$app/state';
</script>

<svelte:head><title>Not here · Pyrethos</title></svelte:head>
<div class="card mx-auto mt-12 max-w-xl p-8">
  <p class="reading text-ink-2">{page.status}</p>
  <h1 class="mt-1">{page.error?.message ?? 'Something went wrong'}</h1>
  <p class="mt-4"><a class="btn" href="/">Back to the day</a></p>
</div>
