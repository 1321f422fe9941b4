import { standsOut, type Box } from '@gobrel/core';
import sharp from 'sharp';
import { NO_PICTURE, SMALL_WIDTHS, WIDTHS } from './sizes.js';

// Each picture is read once: a cache would only hold memory.
sharp.cache(false);
// One picture after another, each by one thread: the class goes on meanwhile.
sharp.concurrency(1);

const MOST_PIXELS = 40_000_000;
/** Line by line: a picture is never whole in memory unless it has to be turned. */
const READ = { limitInputPixels: MOST_PIXELS, sequentialRead: true };
/** Pixels of the longer side that are kept: enough for a 4K projector. */
const LONGEST_SIDE = 3840;

export interface PictureSize {
  /** The kept width that it stands for; a small picture has fewer pixels. */
  width: number;
  mediaType: string;
  bytes: Buffer;
}

export interface Picture {
  mediaType: string;
  width: number;
  height: number;
  isAnimated: boolean;
  bytes: Buffer;
  /** What seems to matter in it, in shares of it. */
  seems: Box | null;
  /** Smaller ones, where they are made together with it. */
  sizes?: PictureSize[];
}

/** A picture that is not taken; the message is a sentence for whoever brought it. */
export class NotTaken extends Error {}

/** How many times as long as it is wide a picture may be: its small copies have the same form. */
const LONGEST_FORM = 60;

/** Refuses what is so long and thin that no small picture can be made of it. */
export function checkForm(width: number, height: number): void {
  const form = Math.max(width / height, height / width);
  if (form <= LONGEST_FORM) return;
  throw new NotTaken(
    `This picture is ${Math.round(form)} times as long as it is wide; ${LONGEST_FORM} times is the most. Cut it and try again.`,
  );
}

/** Checks a bitmap by its content and encodes it anew, upright and without metadata. */
export async function readBitmap(file: Buffer): Promise<Picture> {
  const meta = await sharp(file, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!meta?.width || !meta.height || !['png', 'jpeg', 'webp', 'gif'].includes(meta.format)) {
    throw new NotTaken(NO_PICTURE);
  }
  checkForm(meta.width, meta.pageHeight ?? meta.height);
  const isAnimated = (meta.pages ?? 1) > 1;
  const pixels = meta.width * meta.height * (meta.pages ?? 1);
  if (pixels > MOST_PIXELS) {
    throw new NotTaken(
      `This picture has ${Math.round(pixels / 1e6)} megapixels; 40 are the most. Make it smaller and try again.`,
    );
  }
  try {
    const source = sharp(file, { ...READ, animated: isAnimated });
    const upright = isAnimated
      ? source
      : source.rotate().resize({
          width: LONGEST_SIDE,
          height: LONGEST_SIDE,
          fit: 'inside',
          withoutEnlargement: true,
        });
    const encoded =
      meta.format === 'jpeg'
        ? upright.jpeg({ quality: 86 })
        : meta.format === 'png'
          ? upright.png()
          : meta.format === 'gif'
            ? upright.gif()
            : upright.webp({ quality: 86 });
    const { data, info } = await encoded.toBuffer({ resolveWithObject: true });
    return {
      mediaType: `image/${info.format}`,
      width: info.width,
      height: info.pageHeight ?? info.height,
      isAnimated,
      bytes: data,
      seems: await seemsToMatter(data),
    };
  } catch {
    throw new NotTaken('This picture is damaged and cannot be read.');
  }
}

/** Pixels of the longer side in which it is looked for what matters. */
const LOOKED_AT = 64;

/** What seems to matter in a picture, drawing or the first frame of an animation. */
export async function seemsToMatter(picture: Buffer): Promise<Box | null> {
  const { data, info } = await sharp(picture, READ)
    .resize({ width: LOOKED_AT, height: LOOKED_AT, fit: 'inside' })
    .toColourspace('srgb')
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return standsOut({ data, width: info.width, height: info.height });
}

/** Every size that a bitmap is handed out in besides its own: for slides as WebP, small ones for measuring as PNG. */
export async function sizesOf({ bytes, width, isAnimated }: Picture): Promise<PictureSize[]> {
  const sizes: PictureSize[] = [];
  // The still frame of an animation is handed out in all of them.
  for (const wide of WIDTHS.filter((wide) => isAnimated || wide < width)) {
    sizes.push(await sizeOf(bytes, wide, 'webp'));
  }
  for (const wide of SMALL_WIDTHS) sizes.push(await sizeOf(bytes, wide, 'png'));
  return sizes;
}

/** A bitmap, or the first frame of an animation, at a width in pixels. */
export async function sizeOf(
  whole: Buffer,
  width: number,
  format: 'webp' | 'png',
): Promise<PictureSize> {
  const resized = sharp(whole, READ).resize({
    width,
    // What is measured always has the same number of pixels; what is looked at is never blown up.
    withoutEnlargement: format === 'webp',
  });
  const encoded = format === 'png' ? resized.ensureAlpha().png() : resized.webp({ quality: 82 });
  return { width, mediaType: `image/${format}`, bytes: await encoded.toBuffer() };
}
