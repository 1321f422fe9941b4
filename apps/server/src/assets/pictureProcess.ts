import { sure, type Box } from '@gobrel/core';
import sharp from 'sharp';
import { checkForm, NotTaken, readBitmap, seemsToMatter, sizeOf, sizesOf } from './bitmaps.js';
import { SMALL_WIDTHS } from './sizes.js';
import { sanitiseSvg } from './svg.js';
import { isDrawable } from './svgCost.js';
import { yieldToAll } from './yieldToAll.js';

/** A process of its own: a picture that takes too long or too much is ended with it, and nobody else waits for it. */
export interface Drawn {
  svg: string;
  width: number;
  height: number;
  /** A PNG for each of `SMALL_WIDTHS`. */
  small: Buffer[];
  /** What seems to matter in it, in shares of it. */
  seems: Box | null;
}

/** What is asked of the process, and what comes back. */
const WORK = {
  /** A drawing made clean, with its small pictures; null when it is none that may be kept. */
  draw: async (source: string): Promise<Drawn | null> => {
    if (!isDrawable(source)) return null;
    const clean = sanitiseSvg(source);
    if (!clean) return null;
    checkForm(clean.width, clean.height);
    const small: Buffer[] = [];
    for (const width of SMALL_WIDTHS) {
      const drawing = sharp(Buffer.from(clean.svg), { limitInputPixels: 40_000_000 });
      small.push(await drawing.resize({ width }).ensureAlpha().png().toBuffer());
    }
    return {
      ...clean,
      small,
      seems: await seemsToMatter(sure(small.at(-1), 'there are small ones')),
    };
  },
  readBitmap,
  sizesOf,
  sizeOf,
};

export type Work = typeof WORK;
/** `refused` is a sentence for whoever brought the picture. */
export type Told = { id: number } & ({ done: unknown } | { refused: string } | { failed: string });

// Classes come first.
yieldToAll();

process.on('message', ({ id, name, args }: { id: number; name: keyof Work; args: never[] }) => {
  const work = WORK[name] as (...args: never[]) => Promise<unknown>;
  void work(...args)
    .then((done): Told => ({ id, done }))
    .catch((error: unknown): Told =>
      error instanceof NotTaken ? { id, refused: error.message } : { id, failed: String(error) },
    )
    .then((told) => process.send?.(told));
});
process.once('disconnect', () => process.exit(0));
process.send?.('ready');
