import bodyFont from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import headFont from '@fontsource-variable/bricolage-grotesque/files/bricolage-grotesque-latin-wght-normal.woff2?url';
import { STAGE } from '@gobrel/core';
import { CARD_PICTURE, type Painted, type PaintOrder } from './cardPictureFormat';
import { paintSlide, type Pictures } from './paintSlide';

const fonts = Promise.all(
  [
    ['Body', bodyFont],
    ['Head', headFont],
  ].map(async ([name, url]) => {
    const face = new FontFace(name!, `url(${url})`, { weight: '200 800' });
    (self as unknown as { fonts: FontFaceSet }).fonts.add(await face.load());
  }),
).catch(() => undefined);

const pictures: Pictures = new Map();
const canvas = new OffscreenCanvas(CARD_PICTURE.width, CARD_PICTURE.height);
const context = canvas.getContext('2d');

self.onmessage = async ({ data }: MessageEvent<PaintOrder>): Promise<void> => {
  const { slide, theme, links } = data;
  await fonts;
  await Promise.all(
    slide.elements.map(async (element) => {
      if (element.kind === 'picture') await fetchPicture(element.asset.hash);
    }),
  );
  if (!context) return;
  context.setTransform(
    CARD_PICTURE.width / STAGE.width,
    0,
    0,
    CARD_PICTURE.height / STAGE.height,
    0,
    0,
  );
  paintSlide(context, slide, theme, links, pictures);
  const picture = await canvas.convertToBlob({ type: 'image/webp', quality: 0.85 });
  const painted: Painted = { slideId: slide.id, picture };
  self.postMessage(painted);
};

async function fetchPicture(hash: string): Promise<void> {
  if (pictures.has(hash)) return;
  try {
    const response = await fetch(`/api/assets/${hash}/small?w=${CARD_PICTURE.width}`);
    if (response.ok) pictures.set(hash, await createImageBitmap(await response.blob()));
  } catch {
    // A picture that does not come leaves its place empty, and is asked for with the next change.
  }
}
