<script lang="ts">
  import SignIn from '$features/access/SignIn.svelte';

  let { data } = $props();
</script>

<svelte:head><title>Sign in · Pyrethos</title></svelte:head>
<div class="card mx-auto max-w-lg p-6">
  <h1 class="mb-4">Sign in</h1>
  <SignIn people={data.people} onsignedin={() => location.assign(data.back)} />
</div>
