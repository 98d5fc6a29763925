import { takePhoto } from '$lib/server/files/take-photo';

/** A photo of a job. */
export const POST = (event) => takePhoto(event, 'job', event.params.id);
