import { readPlainDeck } from '@gobrel/core';

const KINDS = /** @type {const} */ (['shape', 'text', 'shape', 'line']);

/**
 * A deck of slides with many things of several kinds on each, for measuring: texts, shapes with words, lines.
 * @param {number} slideCount
 * @param {number} thingsOnEach
 */
export function crowdedDeck(slideCount, thingsOnEach) {
  /** @type {Record<string, object>} */
  const slides = {};
  const columns = Math.ceil(Math.sqrt(thingsOnEach * 1.8));
  const [w, h] = [1200 / columns, 640 / Math.ceil(thingsOnEach / columns)];
  for (let index = 0; index < slideCount; index += 1) {
    const id = `c${index}`;
    slides[id] = {
      id,
      title: `Slide ${index}`,
      layout: 'empty',
      isEnding: true,
      x: (index % 20) * 270,
      y: Math.floor(index / 20) * 150,
      elements: Array.from({ length: thingsOnEach }, (_, at) => {
        const kind = KINDS[at % KINDS.length] ?? 'shape';
        return {
          id: `${id}e${at}`,
          kind,
          layer: 'content',
          order: `a${String(at).padStart(4, '0')}`,
          shape: at % 3 === 0 ? 'star' : 'rounded',
          style: 'caption',
          size: 12,
          box: {
            x: 40 + (at % columns) * w,
            y: 40 + Math.floor(at / columns) * h,
            w: w - 6,
            h: h - 6,
          },
          text: words(`thing ${at}`),
        };
      }),
    };
  }
  return readPlainDeck({ title: 'Crowded', theme: 'paper', startSlideId: 'c0', slides, links: {} });
}

/** @param {string} text */
export const words = (text) => ({
  type: 'doc',
  content: [{ type: 'paragraph', content: [{ type: 'text', text }] }],
});
