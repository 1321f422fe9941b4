import atkinson from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import bricolage from '@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2?url';
import fredoka from '@fontsource-variable/fredoka/files/fredoka-latin-wght-normal.woff2?url';
import jetbrainsMono from '@fontsource-variable/jetbrains-mono/files/jetbrains-mono-latin-wght-normal.woff2?url';
import lexend from '@fontsource-variable/lexend/files/lexend-latin-wght-normal.woff2?url';
import literata from '@fontsource-variable/literata/files/literata-latin-wght-normal.woff2?url';
import notoSans from '@fontsource-variable/noto-sans/files/noto-sans-latin-wght-normal.woff2?url';
import notoSerif from '@fontsource-variable/noto-serif/files/noto-serif-latin-wght-normal.woff2?url';
import playpen from '@fontsource-variable/playpen-sans/files/playpen-sans-latin-wght-normal.woff2?url';
import rubik from '@fontsource-variable/rubik/files/rubik-latin-wght-normal.woff2?url';
import { addFaces } from '../painting/farFaces';
import type { FarFace } from '../parts/letters';
import { type FamilyName, type Slide, type DeckTheme, themeOn } from '@gobrel/core';

const FILES: Record<FamilyName, string> = {
  atkinson,
  bricolage,
  fredoka,
  lexend,
  literata,
  playpen,
  rubik,
  'jetbrains-mono': jetbrainsMono,
  'noto-sans': notoSans,
  'noto-serif': notoSerif,
};

const loading = new Map<FamilyName, Promise<void>>();

function loaded(family: FamilyName): Promise<void> {
  const known = loading.get(family);
  if (known) return known;
  const load = async (): Promise<void> => {
    const face = new FontFace(family, `url(${FILES[family]})`, { weight: '200 800' });
    (self as unknown as { fonts: FontFaceSet }).fonts.add(await face.load());
  };
  // Without its font, a card is painted in another one.
  const promise = load().catch(() => undefined);
  loading.set(family, promise);
  return promise;
}

/** Waits for the families that a slide is set in, under their own names. */
export async function fontsOf(
  slide: Slide,
  deckTheme: DeckTheme,
  faces: readonly FarFace[],
): Promise<void> {
  const families = new Set<FamilyName>(['atkinson']);
  for (const { family } of Object.values(themeOn(slide, deckTheme).type)) families.add(family);
  for (const element of slide.elements) {
    if ('family' in element && element.family) families.add(element.family);
  }
  await Promise.all([...families].map(loaded));
  await addFaces(faces);
}
