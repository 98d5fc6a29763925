<script lang="ts">
  import { MediaQuery } from 'svelte/reactivity';
  import { Toaster } from 'svelte-sonner';

  /** What a thumb reaches for lies at the lower edge there: messages come from above. */
  const phone = new MediaQuery('max-width: 47.99rem');
</script>

<Toaster
  position={phone.current ? 'top-center' : 'bottom-center'}
  toastOptions={{ class: 'pyrethos-toast' }}
/>
