import { settle, type ElementId, type Place, type Slide, type SlideElement } from '@gobrel/core';

/** How things look while something is done to them, before it is kept. */
export type Preview = Readonly<Record<ElementId, Partial<SlideElement>>>;
export const NO_PREVIEW: Preview = {};

/** A slide as it looks meanwhile; what does not change is the same object as before. */
export function previewed(slide: Slide, preview: Preview): Slide {
  if (preview === NO_PREVIEW) return slide;
  const changed = slide.elements.map((element) => {
    const change = preview[element.id];
    return change ? ({ ...element, ...change } as SlideElement) : element;
  });
  return { ...slide, elements: settle(changed, slide.elements) };
}

export const placesPreview = (places: readonly Place[]): Preview =>
  Object.fromEntries(
    places.map(({ elementId, box, rotation, points }) => [
      elementId,
      { box, rotation, ...(points ? { points } : {}) } as Partial<SlideElement>,
    ]),
  );
