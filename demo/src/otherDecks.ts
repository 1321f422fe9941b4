import {
  at,
  bare,
  choice,
  choiceQuestion,
  deckNamed,
  element,
  ending,
  must,
  pattern,
  slide,
  text,
  zone,
  type SlidePart,
  type SlidePlan,
} from '@gobrel/core/testing';
import {
  addCloseUpStop,
  addSection,
  addTrail,
  setTheme,
  plain,
  tableText,
  type Box,
  type RichNode,
  type RichText,
  type ShapeName,
} from '@gobrel/core';
import type * as Y from 'yjs';
import { box, closeUp, drawnPiece, scene, title, type Pictures } from './palette.js';

/** A locked scene, pieces and zones. */
export function rockPoolDeck(pictures: Pictures): Y.Doc {
  const INK = '';
  const pool = [
    'pool',
    'A rock pool with dry rock above, a pool between and deep water below',
  ] as const;
  const sort = (
    id: string,
    name: string,
    words: string,
    x: number,
    y: number,
    ...parts: SlidePlan['parts']
  ): SlidePlan =>
    at(
      x,
      y,
      bare(
        slide(
          `${id}: ${name}`,
          ...scene(pictures, id, ...pool, words, INK),
          title(id, name, INK),
          ...parts,
        ),
      ),
    );
  const doc = deckNamed(
    'Rock Pool Sort',
    sort(
      'shore',
      'Down to the rock pools',
      'The tide is out for two hours. Where do you look first?',
      0,
      150,
      choice('The splash zone', 'splash'),
      choice('The pool', 'sort'),
      choice('The deep edge', 'deep'),
    ),
    sort(
      'splash',
      'The splash zone',
      'Only spray reaches this rock.',
      270,
      0,
      choiceQuestion(
        'q-splash',
        'What must an animal here stand best?',
        ['*Drying out', 'Great depth', 'Darkness'],
        { box: box(730, 270, 490, 370) },
      ),
      choice('On to the pool', 'sort'),
    ),
    sort(
      'sort',
      'Who lives where?',
      'Move each animal to where it lives.',
      270,
      150,
      zone('dry', 'dry rock', box(700, 60, 520, 150), ['limpet']),
      zone('mid', 'the pool', box(700, 270, 520, 160), ['crab', 'anemone', 'starfish']),
      zone('low', 'deep water', box(700, 500, 520, 180), ['weed', 'mussel']),
      drawnPiece(pictures, 'crab', 'crab', 'crab', box(96, 450, 110, 84)),
      drawnPiece(pictures, 'limpet', 'limpet', 'limpet', box(226, 450, 110, 84)),
      drawnPiece(pictures, 'weed', 'weed', 'sea weed', box(356, 450, 110, 84)),
      drawnPiece(pictures, 'anemone', 'anemone', 'anemone', box(96, 560, 110, 84)),
      drawnPiece(pictures, 'starfish', 'starfish', 'starfish', box(226, 560, 110, 84)),
      drawnPiece(pictures, 'mussel', 'mussel', 'mussel', box(356, 560, 110, 84)),
      choice('Done sorting', 'sorted'),
    ),
    sort(
      'deep',
      'The deep edge',
      'Weed sways where the light grows dim.',
      270,
      300,
      choiceQuestion(
        'q-deep',
        'Why do weeds not grow deeper still?',
        ['*Too little light', 'Too much salt', 'Too many crabs'],
        { box: box(730, 270, 490, 370) },
      ),
      choice('Back up to the pool', 'sort'),
    ),
    sort(
      'sorted',
      'The tide comes back',
      'Time to leave the pool as it was found.',
      540,
      150,
      choice('Home', 'home'),
    ),
    sort('home', 'Home along the shore', 'What will you look for next time?', 810, 150, ending()),
  );
  must(setTheme(doc, 'pool'));
  return doc;
}

/** Every student makes leaves. */
export function almanacDeck(pictures: Pictures): Y.Doc {
  const doc = deckNamed(
    'Almanac of Petrel Isle',
    at(
      0,
      0,
      bare(
        slide(
          'cover: Almanac of Petrel Isle',
          ...scene(
            pictures,
            'cover',
            'clouds',
            'Clouds over the sea',
            'A year on the isle, a page from everyone.',
            '',
          ),
          title('cover', 'Almanac of Petrel Isle', ''),
          choice('How to make a page', 'how'),
        ),
      ),
    ),
    at(
      270,
      0,
      slide(
        'how: How to make a page',
        text(
          'Pick a day of the year.\nSay what can be seen, heard or caught on it.\nAdd a picture of your own, then hand in.',
          { id: 'how-steps', box: box(96, 180, 900, 200) },
        ),
        ending(),
      ),
    ),
    at(
      540,
      0,
      slide(
        'page: A day on the isle',
        pattern(),
        ...scene(
          pictures,
          'page',
          'page',
          '',
          'What can be seen, heard or caught on this day?',
          '',
        ),
      ),
    ),
  );
  must(setTheme(doc, 'almanac'));
  return doc;
}

/** A main line with side trips. */
export function weatherDeck(pictures: Pictures): Y.Doc {
  const page = (
    id: string,
    name: string,
    words: string,
    x: number,
    y: number,
    rough: boolean,
    ...parts: SlidePlan['parts']
  ): SlidePlan =>
    at(
      x * 270,
      y * 150,
      bare(
        slide(
          `${id}: ${name}`,
          ...scene(
            pictures,
            id,
            rough ? 'gale' : 'clouds',
            rough ? 'Dark clouds and rain over the sea' : 'Light clouds over the sea',
            words,
            rough ? '#ffffff' : '',
          ),
          title(id, name, rough ? '#ffffff' : ''),
          ...parts,
        ),
      ),
    );
  const doc = deckNamed(
    'Weather Over the Isle',
    page(
      'sky',
      'Look up',
      'Three things tell tomorrow’s weather: clouds, wind and the glass.',
      0,
      0,
      false,
      choice('Begin with clouds', 'clouds'),
    ),
    page(
      'clouds',
      'Clouds',
      'High and thin, or low and heavy?',
      1,
      0,
      false,
      choice('On to the wind', 'wind'),
      choice('How clouds form', 'forming'),
      closeUp('high-clouds', 'High and thin', box(600, 60, 400, 225)),
      closeUp('low-clouds', 'Low and heavy', box(820, 340, 460, 259)),
    ),
    page(
      'forming',
      'How clouds form',
      'Warm wet air rises, cools, and drops gather on dust.',
      1.6,
      1,
      false,
      ...cloudDiagram(),
      choice('Back to the clouds', 'clouds'),
      choice('On to the wind', 'wind'),
    ),
    page(
      'wind',
      'Wind',
      'Force two moves a flag, force eight moves a chair.',
      2.4,
      0,
      false,
      choice('On to the glass', 'glass'),
      choice('The scale of winds', 'scale'),
    ),
    page(
      'scale',
      'The scale of winds',
      'From calm to hurricane in thirteen steps.',
      3,
      1,
      true,
      windTable(),
      choice('On to the glass', 'glass'),
    ),
    page(
      'glass',
      'The glass',
      'A falling glass means wind on the way.',
      3.8,
      0,
      false,
      choiceQuestion(
        'q-glass',
        'The glass fell fast since noon. What do you expect?',
        ['*A gale', 'A calm night', 'Fog'],
        { box: box(730, 270, 490, 370) },
      ),
      choice('The gale', 'gale'),
    ),
    page(
      'gale',
      'The gale',
      'Shutters closed, boats up, lamp lit.',
      4.8,
      0,
      true,
      choice('The morning after', 'after'),
    ),
    page(
      'after',
      'The morning after',
      'Washed air, and driftwood on the slip.',
      5.8,
      0,
      false,
      ending(),
    ),
  );
  for (const [id, name, tint, slideIds] of [
    ['s-clouds', 'Clouds', 'slate', ['clouds', 'forming']],
    ['s-wind', 'Wind', 'moss', ['wind', 'scale']],
    ['s-glass', 'The glass', 'brass', ['glass', 'gale']],
  ] as const) {
    must(addSection(doc, { id, name, tint, slideIds: [...slideIds] }));
  }
  must(
    addTrail(doc, {
      id: 'short',
      name: 'Short: half a lesson',
      followsLinks: true,
      slideIds: ['sky', 'clouds', 'wind', 'glass', 'gale', 'after'],
    }),
  );
  must(
    addTrail(doc, {
      id: 'long',
      name: 'Long: with side trips',
      tint: 'plum',
      followsLinks: true,
      slideIds: ['sky', 'clouds', 'forming', 'wind', 'scale', 'glass', 'gale', 'after'],
    }),
  );
  for (const closeUpId of ['high-clouds', 'low-clouds']) {
    must(addCloseUpStop(doc, 'long', 'clouds', closeUpId));
  }
  must(setTheme(doc, 'chalk'));
  return doc;
}

/** Shapes and lines that stick to them: air rises from the sea, cools and becomes a cloud. */
function cloudDiagram(): SlidePart[] {
  const step = (id: string, words: string, where: Box, shape: ShapeName, fill: string): SlidePart =>
    element({
      kind: 'shape',
      layer: 'content',
      id,
      shape,
      fill,
      size: 24,
      box: where,
      text: plain(words),
    });
  const arrow = (id: string, from: string, to: string): SlidePart =>
    element({
      kind: 'line',
      layer: 'content',
      id,
      path: 'curved',
      tips: ['none', 'arrow'],
      box: box(760, 300, 200, 200),
      colour: '#BF4E2A',
      weight: 5,
      from: { elementId: from, x: 0.5, y: 0 },
      to: { elementId: to, x: 0.5, y: 1 },
    });
  return [
    step('warm-air', 'warm wet air', box(860, 556, 260, 84), 'rounded', '#F6ECD2'),
    step('cool-air', 'it cools', box(930, 392, 200, 84), 'ellipse', '#E1EBEC'),
    step('new-cloud', 'drops on dust', box(800, 140, 360, 190), 'cloud', '#FFFFFF'),
    arrow('rises', 'warm-air', 'cool-air'),
    arrow('gathers', 'cool-air', 'new-cloud'),
  ];
}

function windTable(): SlidePart {
  const rows = [
    ['Force', 'Name', 'What you see'],
    ['0', 'calm', 'smoke rises straight'],
    ['3', 'gentle breeze', 'a flag stirs'],
    ['6', 'strong breeze', 'umbrellas turn over'],
    ['8', 'gale', 'a chair moves'],
    ['12', 'hurricane', 'stay inside'],
  ];
  return element({
    kind: 'table',
    layer: 'content',
    id: 'wind-table',
    columns: [1, 2, 3],
    box: box(640, 230, 560, 330),
    text: filled(tableText(rows), '#FFFDF7'),
  });
}

/** A table with a ground under its cells, so that they stand out from the scene. */
function filled(table: RichText, background: string): RichText {
  const walk = (node: RichNode): RichNode => ({
    ...node,
    ...(node.type === 'tableCell' ? { attrs: { background } } : {}),
    ...(node.content ? { content: node.content.map(walk) } : {}),
  });
  return { ...table, content: table.content.map(walk) };
}
