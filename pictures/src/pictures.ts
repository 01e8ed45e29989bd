import { bad, good, type Outcome } from '@jobbet/core/base';
import type { Picture } from '@jobbet/core/photo';
import sharp, { type Metadata, type Sharp } from 'sharp';

/** A picture may have so many bytes, and so many pixels. */
export const MAX_PICTURE_BYTES = 12_000_000;
const MAX_PIXELS = 60_000_000;

/** What a picture may be, by what is in it and not by its name. */
const KINDS = { jpeg: 'jpg', png: 'png', webp: 'webp' } as const;
export type Extension = (typeof KINDS)[keyof typeof KINDS];

/** A picture as it is kept: turned upright, and without anything of where and by what it was taken. */
export interface KeptPicture {
  readonly bytes: Buffer;
  readonly extension: Extension;
  readonly width: number;
  readonly height: number;
}

const refused = (message: string): Outcome<never> => bad({ path: 'photo', code: 'picture', message });

const isKind = (format: string | undefined): format is keyof typeof KINDS => format !== undefined && format in KINDS;

interface Opened {
  readonly image: Sharp;
  readonly kind: keyof typeof KINDS;
}

/** Opens a picture by its content; nothing of it is unpacked before its size is known. */
async function opened(bytes: Uint8Array): Promise<Outcome<Opened>> {
  if (bytes.length > MAX_PICTURE_BYTES)
    return refused(`is over ${String(MAX_PICTURE_BYTES / 1e6)} MB: save it smaller, or as JPEG`);
  let told: Metadata;
  try {
    told = await sharp(bytes, { limitInputPixels: false }).metadata();
  } catch {
    return refused('is not a picture that can be read; a PNG, JPEG or WebP is');
  }
  const { format, width, height } = told;
  if (!isKind(format)) return refused(`is ${format.toUpperCase()}; a PNG, JPEG or WebP can be read`);
  if (width * height > MAX_PIXELS)
    return refused(
      `has ${String(Math.round((width * height) / 1e6))} million pixels, more than the ${String(MAX_PIXELS / 1e6)} that are read: a tenth of them would do`,
    );
  return good({ image: sharp(bytes, { limitInputPixels: MAX_PIXELS, failOn: 'error' }).rotate(), kind: format });
}

const torn = 'is damaged, and does not read to its end; save it again';

/** Reads a picture: RGBA, turned as its camera was held. @returns it, or why it cannot be read */
export async function readPicture(bytes: Uint8Array): Promise<Outcome<Picture>> {
  const open = await opened(bytes);
  if (!open.ok) return open;
  try {
    const { data, info } = await open.value.image
      .toColourspace('srgb')
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return good({ width: info.width, height: info.height, data });
  } catch {
    return refused(torn);
  }
}

const QUALITY = 92;

/** A picture as it is to be kept, written anew. @returns it, or why it is refused */
export async function keptPicture(bytes: Uint8Array): Promise<Outcome<KeptPicture>> {
  const open = await opened(bytes);
  if (!open.ok) return open;
  const { image, kind } = open.value;
  try {
    // Whatever a camera wrote beside the pixels, its place above all, is left out.
    const { data, info } = await image
      .toFormat(kind, kind === 'png' ? {} : { quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    return good({ bytes: data, extension: KINDS[kind], width: info.width, height: info.height });
  } catch {
    return refused(torn);
  }
}
