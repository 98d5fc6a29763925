import { takePhoto } from '$lib/server/files/take-photo';

/** A photo of a vehicle: where its parts sit. */
export const POST = (event) => takePhoto(event, 'vehicle', event.params.id);
