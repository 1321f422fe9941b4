import { isSpare, wantsCredit, type PictureElement, type Slide } from '../deck/types.js';
import type { Finding } from './finding.js';

/** A slide fills a screen of this many pixels; a picture should have as many where it stands. */
const SCREEN_WIDTH = 1920;
const PIXELS_PER_UNIT = SCREEN_WIDTH / 1280;
/** Fewer pixels than this share of what is shown looks blurred. */
const BLURRED = 0.5;
/** Sides that differ by more than this share from the picture's own look stretched. */
const STRETCHED = 0.05;

/** What is wrong with the pictures of a slide. Drawings have no pixels to run out of. */
export function pictureFindings(slide: Slide, isDrawing: (hash: string) => boolean): Finding[] {
  return slide.elements.flatMap((element) =>
    element.kind === 'picture' && !isSpare(element)
      ? onPicture(slide, element, isDrawing(element.asset.hash))
      : [],
  );
}

function onPicture(slide: Slide, element: PictureElement, isDrawing: boolean): Finding[] {
  const { asset, box, fit } = element;
  const place = { slideId: slide.id, elementId: element.id };
  const spot = { slideId: slide.id, elementIds: [element.id], box };
  const found: Finding[] = [];
  const scales = [box.w / asset.width, box.h / asset.height] as const;
  const scale = fit === 'contain' ? Math.min(...scales) : Math.max(...scales);
  if (!isDrawing && scale * PIXELS_PER_UNIT > 1 / BLURRED) {
    const shrink = 1 / (BLURRED * 2 * scale * PIXELS_PER_UNIT);
    found.push({
      kind: 'low-resolution',
      ...spot,
      why: `The picture has ${asset.width} × ${asset.height} pixels and is shown over ${Math.round(asset.width * scale * PIXELS_PER_UNIT)} on a full screen: it blurs.`,
      mends: [
        {
          label: 'Show it as large as it can be',
          do: 'box',
          ...place,
          box: {
            x: Math.round(box.x + (box.w * (1 - shrink)) / 2),
            y: Math.round(box.y + (box.h * (1 - shrink)) / 2),
            w: Math.max(8, Math.round(box.w * shrink)),
            h: Math.max(8, Math.round(box.h * shrink)),
          },
        },
      ],
    });
  }
  const stretch = box.w / box.h / (asset.width / asset.height);
  if (fit === 'stretch' && Math.abs(Math.log(stretch)) > STRETCHED) {
    found.push({
      kind: 'stretched',
      ...spot,
      why: `It is drawn ${Math.round(100 * Math.max(stretch, 1 / stretch) - 100)} % too ${stretch > 1 ? 'wide' : 'high'} for what it shows.`,
      mends: [
        {
          label: 'Fill the frame, cut what is over',
          do: 'set',
          ...place,
          settings: { fit: 'cover' },
        },
        { label: 'Show all of it', do: 'set', ...place, settings: { fit: 'contain' } },
      ],
    });
  }
  if (wantsCredit(element.licence) && element.credit.trim() === '') {
    found.push({
      kind: 'no-credit',
      ...spot,
      why: `Its licence (${element.licence.toUpperCase().replace('CC-', 'CC ')}) asks for the author to be named.`,
      mends: [{ label: 'Credit', do: 'ask', ...place, setting: 'credit' }],
    });
  }
  if (element.alt.trim() === '' && !element.isDecoration && element.layer !== 'background') {
    found.push({
      kind: 'no-alt',
      ...spot,
      why: 'Somebody who cannot see it does not learn what it shows.',
      mends: [
        { label: 'Alternative text', do: 'ask', ...place, setting: 'alt' },
        { label: 'It is decoration', do: 'set', ...place, settings: { isDecoration: true } },
      ],
    });
  }
  return found;
}
