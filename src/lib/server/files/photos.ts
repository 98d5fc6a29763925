import { PHOTO_MAX_BYTES, type PHOTO_TYPES } from '../../../core/record/events';
import { bad, good, type Result } from '../../../core/base/result';
import type { Database } from '../db/database';
import { append } from '../record/record';

/** The most photos one job holds. */
const PHOTOS_PER_JOB = 40;

/** The kind of picture by its first bytes; what the sender calls it does not count. */
export function pictureType(bytes: Uint8Array): (typeof PHOTO_TYPES)[number] | null {
  const starts = (at: number, ...expected: number[]) => expected.every((b, i) => bytes[at + i] === b);
  if (starts(0, 0xff, 0xd8, 0xff)) return 'image/jpeg';
  if (starts(0, 0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'image/png';
  if (starts(0, 0x52, 0x49, 0x46, 0x46) && starts(8, 0x57, 0x45, 0x42, 0x50)) return 'image/webp';
  return null;
}

export interface PhotoInput {
  readonly eventId: string;
  readonly photoId: string;
  readonly jobId: string;
  readonly who: string;
  readonly at: string;
  readonly caption: string;
  readonly bytes: Uint8Array;
}

/** Stores a photo with its entry in the record, or nothing. The same event id again changes nothing. */
export async function attachPhoto(db: Database, input: PhotoInput): Promise<Result<{ isNew: boolean }>> {
  const mime = pictureType(input.bytes);
  if (!mime) return bad({ field: 'photo', message: 'is no picture; JPEG, PNG or WebP would be right' });
  if (input.bytes.length > PHOTO_MAX_BYTES)
    return bad({ field: 'photo', message: `is larger than ${PHOTO_MAX_BYTES / 1024 / 1024} MB` });
  if (!(await db.jobs.findOne({ where: { id: input.jobId, active: true } })))
    return bad({ message: 'this job does not exist any more' });
  if ((await db.photos.count({ where: { jobId: input.jobId, active: true } })) >= PHOTOS_PER_JOB)
    return bad({ field: 'photo', message: `this job has ${PHOTOS_PER_JOB} photos already; undo one first` });
  const event = {
    id: input.eventId,
    stream: `job:${input.jobId}`,
    who: input.who,
    at: input.at,
    kind: 'photo.attached',
    payload: { photoId: input.photoId, caption: input.caption, mime, sizeBytes: input.bytes.length }
  };
  const result = await append(db, event, async (transaction) => {
    await db.photos.create(
      {
        id: input.photoId,
        jobId: input.jobId,
        mime,
        caption: input.caption,
        data: Buffer.from(input.bytes),
        active: true
      },
      { transaction }
    );
  });
  return result.ok ? good({ isNew: result.value.isNew }) : result;
}
