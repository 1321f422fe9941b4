import { addTrail, setBox, setElement, setSlideFlag, setTheme } from '@gobrel/core';
import {
  at,
  bare,
  choice,
  choiceQuestion,
  deckNamed,
  element,
  ending,
  must,
  slide,
  text,
  way,
  type SlidePlan,
} from '@gobrel/core/testing';
import type * as Y from 'yjs';
import { box, scene, title, type Pictures } from './palette.js';

/**
 * A story that is still being written, with the slips that creep in on the way: Check finds a handful of every
 * sort, and every one can be mended.
 */
export function fogBankDeck(pictures: Pictures): Y.Doc {
  const page = (
    id: string,
    name: string,
    words: string,
    x: number,
    y: number,
    ...parts: SlidePlan['parts']
  ): SlidePlan =>
    at(
      x * 270,
      y * 150,
      bare(
        slide(
          `${id}: ${name}`,
          ...scene(pictures, id, 'rowing', 'A rowing boat between buoys in the rain', words),
          title(id, name),
          ...parts,
        ),
      ),
    );
  const doc = deckNamed(
    'Draft: Fog Bank',
    page(
      'fog',
      'Fog comes in',
      'You are half a mile out, and the isle is gone.',
      0,
      1,
      choice('Row towards the horn', 'horn'),
      choice('Drift and listen', 'drift'),
      way('Drop the anchor', { kind: 'none' }),
    ),
    page(
      'horn',
      'The horn',
      'Two short, one long. It seems to come from everywhere.',
      1,
      0,
      choice('Keep rowing', 'rocks'),
      choice('Keep rowing', 'drift', 'horn-drift'),
      choiceQuestion(
        'q-horn',
        'What does the horn tell you?',
        ['*Which light it is', 'How deep the water is', 'The time'],
        { box: box(730, 290, 490, 330) },
      ),
    ),
    page(
      'drift',
      'Drifting',
      'The current has you. It goes round the isle twice a day, and the fog goes with it.',
      1,
      2,
      choice('Wait a little longer', 'current'),
    ),
    page(
      'current',
      'The current',
      'Nothing but grey.',
      2,
      2,
      choice('Drift on', 'drift'),
      element({
        id: 'gull',
        kind: 'hotspot',
        layer: 'content',
        name: 'the gull',
        box: box(640, 240, 40, 40),
      }),
    ),
    page('rocks', 'The rocks', 'You hear them before you see them.', 2, 0),
    page(
      'shore',
      'Ashore',
      'Sand under the keel. The keeper holds up a lantern.',
      3,
      1,
      ending(),
      choiceQuestion(
        'q-shore',
        'What would you take along next time?',
        ['A compass', 'A whistle', 'A second oar'],
        { box: box(730, 290, 490, 330) },
      ),
    ),
    at(
      270 * 3,
      150 * 2.4,
      bare(
        slide(
          'about: About fog',
          title('about', 'About fog', ''),
          text(
            'Fog is cloud that lies on the water. Warm air moves over a cold sea, cools from below, and the water in it gathers in drops so small that they do not fall. It may come in within minutes and stay for days. Horns, bells and whistles were built where lights could not be seen; each has its own rhythm, so that a rower knows which one it is. Sound is bent by layers of air: a horn can be loud far off and silent close by, and it is no good sign when it falls silent.',
            { id: 'about-text', box: box(96, 180, 620, 300) },
          ),
          text('Notes of the keeper, last winter', {
            id: 'about-small',
            style: 'caption',
            size: 14,
            colour: '#C9C2B2',
            box: box(96, 640, 420, 30),
          }),
          element({
            id: 'about-chart',
            kind: 'picture',
            layer: 'content',
            asset: pictures.chart,
            box: box(780, 180, 420, 180),
            fit: 'stretch',
            credit: { title: '', author: '', source: '', licence: 'cc-by' },
          }),
          choice('Back to the boat', 'fog'),
        ),
      ),
    ),
  );
  must(setElement(doc, 'drift', 'drift-story', { colour: '#3A444C' }));
  must(setBox(doc, 'rocks', 'rocks-story', box(1120, 168, 420, 120)));
  must(setSlideFlag(doc, 'fog', 'runsOn', true));
  must(
    addTrail(doc, {
      id: 'quick',
      name: 'Quick way in',
      followsLinks: true,
      slideIds: ['fog', 'horn', 'shore'],
    }),
  );
  must(setTheme(doc, 'workshop'));
  return doc;
}
