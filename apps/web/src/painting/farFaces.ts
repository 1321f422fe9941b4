import type { FarFace } from '../parts/letters';

/** The parts of fonts for letters of a text that no family has; none when they cannot be fetched. */
export const farFacesOf = (text: string): Promise<FarFace[]> =>
  import('../parts/letters').then(({ facesFor }) => facesFor(text)).catch(() => []);

const added = new Set<string>();
let times = 0;
let names = '';

/** What stands in, on a canvas, where a family has no letter: a list for the end of a font. */
export const standIns = (): string =>
  `'Apple Color Emoji', 'Segoe UI Emoji', 'Noto Color Emoji', ${names}sans-serif`;

/**
 * Adds parts of fonts to a worker, which knows no style sheets. A canvas goes on with what a font was when it was first
 * asked for, so those that come have a name of their own.
 */
export async function addFaces(faces: readonly FarFace[]): Promise<void> {
  const fresh = faces.filter(({ source }) => !added.has(source));
  if (fresh.length === 0) return;
  for (const { source } of fresh) added.add(source);
  const name = `far${++times}`;
  await Promise.all(
    fresh.map(async ({ source, range }) => {
      try {
        const face = new FontFace(name, source, { weight: '200 800', unicodeRange: range });
        (self as unknown as { fonts: FontFaceSet }).fonts.add(await face.load());
      } catch {
        added.delete(source);
      }
    }),
  );
  names += `${name}, `;
}
