import { setPriority } from 'node:os';
import sharp from 'sharp';
import { SMALL_WIDTHS } from './sizes.js';
import { sanitiseSvg } from './svg.js';
import { isDrawable } from './svgCost.js';

/** A process of its own: a drawing that takes too long or too much is ended with it, and nobody else waits for it. */
export interface Drawn {
  svg: string;
  width: number;
  height: number;
  /** A PNG for each of `SMALL_WIDTHS`, base 64. */
  small: string[];
}

// Classes come first.
setPriority(10);

process.on('message', ({ id, source }: { id: number; source: string }) => {
  draw(source)
    .catch(() => null)
    .then((drawn) => process.send?.({ id, drawn }));
});
process.once('disconnect', () => process.exit(0));

async function draw(source: string): Promise<Drawn | null> {
  if (!isDrawable(source)) return null;
  const clean = sanitiseSvg(source);
  if (!clean) return null;
  const small: string[] = [];
  for (const width of SMALL_WIDTHS) {
    const png = await sharp(Buffer.from(clean.svg), { limitInputPixels: 40_000_000 })
      .resize({ width })
      .ensureAlpha()
      .png()
      .toBuffer();
    small.push(png.toString('base64'));
  }
  return { ...clean, small };
}
