import sharp from 'sharp';
import { PHOTO_MAX_BYTES, type PHOTO_TYPES } from '../../../core/record/photo';
import { bad, good, type Result } from '../../../core/base/result';
import type { Database } from '../db/database';
import { append, Refusal } from '../record/record';

/** The most photos one record holds. */
const PHOTOS_PER_RECORD = 40;

/** The kind of picture by its first bytes; what the sender calls it does not count. */
export function pictureType(bytes: Uint8Array): (typeof PHOTO_TYPES)[number] | null {
  const starts = (at: number, ...expected: number[]) => expected.every((b, i) => bytes[at + i] === b);
  if (starts(0, 0xff, 0xd8, 0xff)) return 'image/jpeg';
  if (starts(0, 0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a)) return 'image/png';
  if (starts(0, 0x52, 0x49, 0x46, 0x46) && starts(8, 0x57, 0x45, 0x42, 0x50)) return 'image/webp';
  return null;
}

const LONGEST_PX = 2400;
/** More than any camera of a phone gives: a picture that claims more is made to fill a memory. */
const MOST_PIXELS = 60_000_000;

/**
 * A picture decoded and written anew in its own format: upright, bounded, without place, device or anything that was
 * hidden behind it. Null where it cannot be decoded.
 */
async function redrawn(bytes: Uint8Array, mime: (typeof PHOTO_TYPES)[number]): Promise<Buffer | null> {
  try {
    return await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .toFormat(mime.slice('image/'.length) as 'jpeg' | 'png' | 'webp')
      .toBuffer();
  } catch {
    return null;
  }
}

/**
 * A picture of a file that comes in: as it is where it is already as this house writes them, bounded and without
 * place or device; else written anew. Null where it cannot be decoded.
 */
export async function asWrittenHere(
  bytes: Buffer,
  mime: (typeof PHOTO_TYPES)[number]
): Promise<Buffer | null> {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { width, height, exif, xmp, iptc, comments } = await picture.metadata();
    const plain = !exif && !xmp && !iptc && !comments?.length && Math.max(width, height) <= LONGEST_PX;
    // The header alone says little: what is kept as it is has been decoded to its end.
    if (plain) return await picture.stats().then(() => bytes);
  } catch {
    return null;
  }
  return redrawn(bytes, mime);
}

export interface PhotoInput {
  readonly eventId: string;
  readonly photoId: string;
  /** The record it belongs to: a job's or a vehicle's. */
  readonly stream: string;
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
  const [record, id] = input.stream.split(':');
  const there = { where: { id, active: true } };
  if (!(await (record === 'job' ? db.jobs.count(there) : db.vehicles.count(there))))
    return bad({ message: `this ${record} does not exist any more` });
  const data = await redrawn(input.bytes, mime);
  if (!data) return bad({ field: 'photo', message: 'cannot be read as a picture' });
  const event = {
    id: input.eventId,
    stream: input.stream,
    who: input.who,
    at: input.at,
    kind: 'photo.attached',
    payload: { photoId: input.photoId, caption: input.caption, mime, sizeBytes: data.length }
  };
  const result = await append(db, event, async (transaction) => {
    // Counted while the record is held: two that come at once are not both the last.
    if (
      (await db.photos.count({ where: { stream: input.stream, active: true }, transaction })) >=
      PHOTOS_PER_RECORD
    )
      throw new Refusal({
        field: 'photo',
        message: `this ${record} has ${PHOTOS_PER_RECORD} photos already; undo one first`
      });
    await db.photos.create(
      {
        id: input.photoId,
        stream: input.stream,
        mime,
        caption: input.caption,
        data,
        active: true
      },
      { transaction }
    );
  });
  return result.ok ? good({ isNew: result.value.isNew }) : result;
}
