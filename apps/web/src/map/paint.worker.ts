import { STAGE, type Slide } from '@gobrel/core';
import { fontsOf } from './cardFonts';
import { CARD_PICTURE, type Painted, type PaintOrder } from './cardPictureFormat';
import { paintSlide } from './paintSlide';

const pictures = new Map<string, ImageBitmap>();
const canvas = new OffscreenCanvas(CARD_PICTURE.width, CARD_PICTURE.height);
const context = canvas.getContext('2d');

self.onmessage = async ({ data }: MessageEvent<PaintOrder>): Promise<void> => {
  const { slide, theme, links, faces, width = CARD_PICTURE.width } = data;
  await Promise.all([
    fontsOf(slide, theme, faces),
    ...picturesOf(slide).map((hash) => fetchPicture(hash, width)),
  ]);
  if (!context) return;
  const height = Math.round((width * CARD_PICTURE.height) / CARD_PICTURE.width);
  if (canvas.width !== width) Object.assign(canvas, { width, height });
  const scale = [width / STAGE.width, height / STAGE.height] as const;
  context.setTransform(scale[0], 0, 0, scale[1], 0, 0);
  paintSlide(context, slide, theme, new Set(links.map(({ id }) => id)), pictures);
  const picture = await canvas.convertToBlob({ type: 'image/webp', quality: 0.85 });
  const painted: Painted = { slideId: slide.id, picture };
  self.postMessage(painted);
};

function picturesOf(slide: Slide): string[] {
  const { picture } = slide.ground;
  return [
    ...(picture ? [picture.asset.hash] : []),
    ...slide.elements.flatMap((element) =>
      element.kind === 'picture' ? [element.asset.hash] : [],
    ),
  ];
}

async function fetchPicture(hash: string, width: number): Promise<void> {
  if (pictures.has(hash)) return;
  try {
    const response = await fetch(`/api/assets/${hash}/small?w=${width}`);
    if (response.ok) pictures.set(hash, await createImageBitmap(await response.blob()));
  } catch {
    // A picture that does not come leaves its place empty, and is asked for with the next change.
  }
}
