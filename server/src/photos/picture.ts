import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import { refused } from '../http/refusal';

/** Longest side that is kept, pixels: enough to read a tag by. */
const LONGEST_SIDE = 2000;
/** Longest side of the small picture in a list, pixels. */
const THUMB_SIDE = 240;
/** Most pixels that are unpacked at all. */
const MOST_PIXELS = 100_000_000;
const QUALITY = 82;

const TYPES: readonly string[] = ['image/jpeg', 'image/png', 'image/webp'];
const RIGHT = 'a photo as JPEG, PNG or WebP';

export interface Picture {
  readonly width: number;
  readonly height: number;
  readonly picture: Buffer;
  readonly thumb: Buffer;
}

/**
 * Makes a photo ready to keep: turned upright, at most 2000 pixels long, as JPEG, and without anything else the
 * camera wrote into the file, such as where it was taken.
 *
 * @throws Refused `wrongType` for what is no photo, whatever its name says; `invalid` for a broken one
 */
export async function preparePicture(file: Buffer): Promise<Picture> {
  const type = await fileTypeFromBuffer(file);
  if (!type || !TYPES.includes(type.mime))
    throw refused('wrongType', 'This is no photo.', [
      { field: 'photo', wrong: type ? `is a .${type.ext} file` : 'is no picture', right: RIGHT },
    ]);
  await refusePixels(file);
  try {
    const upright = sharp(file, { failOn: 'error', limitInputPixels: MOST_PIXELS }).rotate();
    const fitted = (side: number) =>
      upright
        .clone()
        .resize(side, side, { fit: 'inside', withoutEnlargement: true })
        .flatten({ background: '#ffffff' })
        .jpeg({ quality: QUALITY })
        .toBuffer({ resolveWithObject: true });
    const { data, info } = await fitted(LONGEST_SIDE);
    const { data: thumb } = await fitted(THUMB_SIDE);
    return { width: info.width, height: info.height, picture: data, thumb };
  } catch {
    throw refused('invalid', 'The photo is broken and cannot be opened.', [
      { field: 'photo', wrong: 'is cut short or damaged', right: RIGHT },
    ]);
  }
}

/** Refuses what says of itself that it is larger than any camera makes. A head that cannot be read is told later. */
async function refusePixels(file: Buffer): Promise<void> {
  const { width = 0, height = 0 } = await sharp(file, { limitInputPixels: false })
    .metadata()
    .catch(() => ({ width: 0, height: 0 }));
  if (width * height <= MOST_PIXELS) return;
  const megapixels = Math.round((width * height) / 1e6);
  throw refused('tooLarge', `The photo has ${megapixels} megapixels; at most ${MOST_PIXELS / 1e6} are taken.`, [
    {
      field: 'photo',
      wrong: `has ${width} × ${height} pixels`,
      right: `at most ${MOST_PIXELS / 1e6} megapixels`,
    },
  ]);
}
