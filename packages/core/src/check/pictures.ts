import { creditLine, licenceWords } from '../deck/credits.js';
import { isSpare } from '../elements/elements.js';
import type { MediaElement } from '../elements/media/media.js';
import type { PictureElement } from '../elements/picture/picture.js';
import { type Slide } from '../deck/types.js';
import { wantsCredit } from '../parts/asset.js';
import { BLURRED, SCREEN_PIXELS } from '../stage/legible.js';
import { pixelsPerUnit } from '../stage/pictureFit.js';
import type { Finding } from './finding.js';

/** Sides that differ by more than this share from the picture's own look stretched. */
const STRETCHED = 0.05;

/** What is wrong with the pictures, sounds and videos of a slide. Drawings have no pixels to run out of. */
export function pictureFindings(slide: Slide, isDrawing: (hash: string) => boolean): Finding[] {
  const found: Finding[] = [];
  for (const element of slide.elements) {
    if (element.kind === 'picture') {
      if (!isSpare(element))
        found.push(...onPicture(slide, element, isDrawing(element.asset.hash)));
    } else if (element.kind === 'media' && element.transcript.trim() === '' && !isSpare(element)) {
      found.push(withoutTranscript(slide, element));
    }
  }
  return found;
}

const withoutTranscript = (slide: Slide, { id, box, medium }: MediaElement): Finding => ({
  kind: 'no-transcript',
  slideId: slide.id,
  elementIds: [id],
  box,
  why: `Somebody who cannot hear does not learn what is said in this ${medium}.`,
  mends: [
    {
      label: 'What is said',
      do: 'ask',
      slideId: slide.id,
      elementId: id,
      setting: 'transcript',
    },
  ],
});

function onPicture(slide: Slide, element: PictureElement, isDrawing: boolean): Finding[] {
  const { asset, box, fit, crop } = element;
  const place = { slideId: slide.id, elementId: element.id };
  const spot = { slideId: slide.id, elementIds: [element.id], box };
  const found: Finding[] = [];
  const screenPixels = SCREEN_PIXELS / pixelsPerUnit(element);
  if (!isDrawing && screenPixels > 1 / BLURRED) {
    const shrink = 1 / (BLURRED * 2 * screenPixels);
    found.push({
      kind: 'low-resolution',
      ...spot,
      why: `The picture has ${asset.width} × ${asset.height} pixels and is shown over ${Math.round(asset.width * screenPixels)} on a full screen: it blurs.`,
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
  const stretch = box.w / box.h / ((asset.width * crop.w) / (asset.height * crop.h));
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
  const { credit } = element;
  if (credit.licence === 'unknown' && creditLine(credit) === '') {
    found.push({
      kind: 'unknown-licence',
      ...spot,
      why: 'Nothing says who made it and whether it may be shown: a credit is missing.',
      mends: [
        { label: 'Author', do: 'ask', ...place, setting: 'author' },
        {
          label: 'I made it myself',
          do: 'set',
          ...place,
          settings: { credit: { ...credit, licence: 'own' } },
        },
      ],
    });
  }
  if (wantsCredit(credit.licence) && credit.author.trim() === '') {
    found.push({
      kind: 'no-credit',
      ...spot,
      why: `Its licence (${licenceWords(credit.licence)}) asks for the author to be named.`,
      mends: [{ label: 'Author', do: 'ask', ...place, setting: 'author' }],
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
