import { readPlainDeck } from '@gobrel/core';

/**
 * A deck made up for measuring, as plain data: `n` slides in layers, each with a title, a text and three choices that
 * mostly lead onwards, sometimes back. The same for the same `n`.
 * @param {number} n
 * @returns {import('@gobrel/core').Deck}
 */
export function generatedDeck(n) {
  let seed = 7;
  const random = (/** @type {number} */ below) => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
    return Math.floor((seed / 2 ** 32) * below);
  };
  const text = (/** @type {string} */ words) =>
    /** @type {import('@gobrel/core').RichText} */ ({
      type: 'doc',
      content: [{ type: 'paragraph', content: [{ type: 'text', text: words }] }],
    });
  /**
   * @param {string} id
   * @param {import('@gobrel/core').TextStyle} style
   * @param {import('@gobrel/core').Box} box
   * @param {string} words
   */
  const element = (id, style, box, words) => ({
    id,
    kind: 'text',
    layer: 'content',
    style,
    box,
    order: `a${id}`,
    name: '',
    text: text(words),
  });
  /** @type {Record<string, object>} */
  const slides = {};
  /** @type {Record<string, object>} */
  const links = {};
  for (let index = 0; index < n; index += 1) {
    const id = `s${index}`;
    const elements = [
      element(`${id}t`, 'title', { x: 96, y: 72, w: 800, h: 76 }, `Slide ${index} by the sea`),
      element(
        `${id}b`,
        'body',
        { x: 96, y: 156, w: 720, h: 120 },
        'The keeper climbs the tower, and below the tide comes in over the rocks.',
      ),
    ];
    for (let choice = 0; choice < 3; choice += 1) {
      const ahead = 1 + random(Math.max(1, Math.min(40, n - index - 1)));
      const to = random(20) === 0 ? random(n) : Math.min(n - 1, index + ahead);
      const linkId = `${id}l${choice}`;
      elements.push(
        element(
          `${linkId}c`,
          'choice',
          { x: 96, y: 300 + 78 * choice, w: 400, h: 64 },
          `Choice ${choice} of ${index}`,
        ),
      );
      links[linkId] = {
        id: linkId,
        from: id,
        carrier: { kind: 'element', elementId: `${linkId}c` },
        target: { kind: 'slide', slideId: `s${to}` },
        wording: `Choice ${choice} of ${index}`,
      };
    }
    slides[id] = {
      id,
      title: `Slide ${index}`,
      x: (index % 60) * 270,
      y: Math.floor(index / 60) * 150,
      isPlacedByHand: false,
      isEnding: index % 9 === 0,
      isLeftOut: false,
      isPattern: false,
      isReady: false,
      runsOn: false,
      sectionId: null,
      trunkId: '',
      layout: 'choices',
      notes: '',
      elements,
    };
  }
  return readPlainDeck({
    title: 'Generated',
    theme: 'paper',
    startSlideId: 's0',
    slides,
    links,
  });
}
