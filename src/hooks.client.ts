import { setSessionEnded } from '$lib/ui/page-state/session.svelte';
import { patientFetch } from '$lib/ui/sync/patient-fetch';

window.fetch = patientFetch(window.fetch.bind(window), () => setSessionEnded(true));
