/** Kinds of picture that are taken, and how large one may be. */
export const PHOTO_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
export const PHOTO_MAX_BYTES = 6 * 1024 * 1024;
