import {
  at,
  bare,
  choice,
  choiceQuestion,
  deckNamed,
  ending,
  must,
  notes,
  pattern,
  slide,
  spare,
  zone,
  type SlidePart,
  type SlidePlan,
  question,
} from '@gobrel/core/testing';
import { addSection, addTrail, Checker, readDeck, setAside, setTheme } from '@gobrel/core';
import type * as Y from 'yjs';
import { box, closeUp, drawnPiece, scene, title, WHITE, type Pictures } from './palette.js';
import type { PictureName } from './pictures.js';

/** White over the dark scenes, the theme's ink over the bright ones. */
const inkOn = (picture: PictureName): string =>
  picture === 'dawn' || picture === 'harbour' ? '' : WHITE;

const COLUMN = 270;
const ROW = 150;

/** A branching story with four endings, six questions, one scene with pieces, and a page for the students. */
export function lampDeck(pictures: Pictures): Y.Doc {
  const story = (
    id: string,
    name: string,
    [column, row]: [number, number],
    [picture, alt]: [PictureName, string],
    words: string,
    ...parts: SlidePart[]
  ): SlidePlan =>
    at(
      column * COLUMN,
      row * ROW,
      bare(
        slide(
          `${id}: ${name}`,
          ...scene(pictures, id, picture, alt, words, inkOn(picture)),
          title(id, name, inkOn(picture)),
          ...parts,
        ),
      ),
    );
  const NIGHT: [PictureName, string] = [
    'night',
    'The lighthouse of Petrel Isle at night, its lamp dark',
  ];
  const STORM: [PictureName, string] = ['storm', 'Rain over the lighthouse'];
  const side = box(730, 236, 490, 430);
  /** For a question with one field. */
  const low = box(730, 236, 490, 250);
  const doc = deckNamed(
    'Keep the Lamp Lit',
    story(
      'lamp-out',
      'The lamp goes out',
      [0, 2],
      NIGHT,
      'A storm is coming, and the lamp of Petrel Isle is dark. The evening ferry is due in an hour.',
      choice('Climb the tower', 'tower'),
      choice('Run to the boathouse', 'boathouse'),
      notes('Ask the class to vote before anyone walks on.'),
    ),
    story(
      'tower',
      'Up the tower',
      [1, 1],
      STORM,
      'Ninety-one steps, and the rain beats on every window.',
      choice('Look first', 'keeper-sees'),
      choice('Call the mainland', 'nobody'),
    ),
    story(
      'boathouse',
      'The boathouse',
      [1, 3.4],
      ['slip', 'A red boathouse on a wet slip'],
      'The boat is dry and the oars are here. What does the keeper do?',
      choice('Row out', 'boat'),
      choice('Go back for the flags', 'flags'),
    ),
    story(
      'keeper-sees',
      'What the keeper sees',
      [2, 0.3],
      ['lampRoom', 'The lamp room'],
      'The lens is whole and the battery is full.',
      choiceQuestion(
        'q-seen',
        'Why does the lamp stay dark?',
        [
          'The lens is cracked',
          'The battery is flat',
          '*Something in the circuit is open',
          'It is too windy',
        ],
        { box: side },
      ),
      choice('Follow the wire', 'wire'),
    ),
    story(
      'nobody',
      'Nobody answers',
      [2, 1.7],
      NIGHT,
      'The radio hums. Nobody on the mainland answers.',
      choice('Wait', 'waiting'),
      choice('Look at the lamp after all', 'keeper-sees'),
    ),
    at(
      3 * COLUMN,
      0.6 * ROW,
      bare(
        slide(
          'wire: A wire has burnt through',
          ...scene(
            pictures,
            'wire',
            'lampRoom',
            'The lamp room with a gap in the wire',
            'The lamp and the battery are fine. Move what you would try into the gap, then choose.',
          ),
          title('wire', 'A wire has burnt through'),
          zone('gap', 'the gap', box(750, 546, 260, 120), ['copper-wire']),
          drawnPiece(pictures, 'copper-wire', 'copperWire', 'copper wire', box(96, 476, 128, 96)),
          drawnPiece(pictures, 'cotton-string', 'string', 'cotton string', box(244, 476, 128, 96)),
          drawnPiece(pictures, 'twig', 'twig', 'a twig', box(392, 476, 128, 96)),
          spare('a rubber band'),
          choice('Copper', 'copper'),
          choice('String', 'string'),
          notes('The expected piece is the copper wire; ask what a conductor is.'),
        ),
      ),
    ),
    story(
      'copper',
      'Copper holds',
      [4, 0.2],
      ['copper', 'The lamp glows'],
      'The copper carries the current. A glow fills the glass.',
      choiceQuestion(
        'q-wire',
        'Which of these would carry it too?',
        ['*An iron nail', 'A wooden spoon', '*A steel key', 'A wax candle'],
        { box: side, isMultiple: true },
      ),
      choice('Light the lamp', 'lit'),
    ),
    story(
      'string',
      'String smoulders',
      [4, 1.1],
      ['smoulder', 'Smoke rises from the gap'],
      'The string smokes and stays dark.',
      choice('Try again', 'wire'),
      choice('Take the flags instead', 'flags'),
    ),
    story(
      'waiting',
      'Waiting',
      [3, 2],
      NIGHT,
      'The tide turns. Somewhere out there the ferry looks for a light.',
      question(
        'q-tide',
        'The tide is falling. How much of the reef will show?',
        {
          kind: 'slider',
          low: 0,
          high: 10,
          step: 1,
          points: 1,
          lowLabel: 'none of it',
          highLabel: 'all of it',
          before: null,
        },
        { kind: 'slider', low: 6, high: 10 },
        low,
      ),
      choice('Keep waiting', 'night'),
      choice('Signal by hand', 'flags'),
    ),
    story(
      'boat',
      'In the rowing boat',
      [2, 3.4],
      ['rowing', 'A small boat among buoys'],
      'Waves from the left, the reef on the right.',
      choice('North of the reef', 'rocks'),
      choice('Through the gap', 'harbour'),
    ),
    story(
      'rocks',
      'Chart the rocks',
      [3, 3.6],
      ['rowing', 'Buoys mark the rocks'],
      'Three buoys would show the ferry where the rocks are.',
      question(
        'q-buoys',
        'The buoys lie a cable and a half apart. A cable is 185 metres. How far is that?',
        { kind: 'number', unit: 'm', decimal: '.', points: 2 },
        {
          kind: 'number',
          right: '277.5 ± 2.5',
          ranges: [{ low: 275, high: 280 }],
        },
        low,
      ),
      choice('Wave the flags', 'flags'),
      choice('Row home', 'harbour'),
    ),
    story(
      'flags',
      'Flags and mirrors',
      [4, 2.95],
      ['flags', 'Signal flags on a mast'],
      'Two flags, a mirror, and the last of the light.',
      choiceQuestion(
        'q-flags',
        'Where must the mirror point so that the ferry sees the flash?',
        ['At the ferry', 'At the sun', '*Halfway between the sun and the ferry'],
        { box: side },
      ),
      choice('Signal', 'ferry'),
      choice('Start over', 'lamp-out'),
    ),
    story(
      'lit',
      'The lamp is lit',
      [5, 0.2],
      ['dawn', 'The lamp shines over the sea'],
      'The beam sweeps over the sea, and the ferry turns.',
      ending(),
      question(
        'q-why',
        'Which metal closed the gap?',
        { kind: 'textEntry', points: 1 },
        {
          kind: 'textEntry',
          heedsCase: false,
          heedsAccents: false,
          accepted: ['copper', '*copper wire'],
        },
        box(96, 330, 520, 220),
      ),
    ),
    story(
      'ferry',
      'The ferry is safe',
      [5, 2.2],
      ['dawn', 'Morning light over the isle'],
      'A flash, an answer, and a wide turn around the reef.',
      ending(),
    ),
    story(
      'night',
      'A long night',
      [4, 2],
      STORM,
      'The ferry waits outside until morning. Nobody is hurt; everybody is cold.',
      ending(),
    ),
    story(
      'harbour',
      'Back in harbour',
      [5, 3.4],
      ['harbour', 'The harbour at dawn'],
      'Wet through, but ashore. The keeper puts the kettle on.',
      ending(),
      closeUp('name-on-the-hull', 'The boat', box(480, 570, 240, 135)),
    ),
    at(
      0,
      4 * ROW,
      slide(
        'log: A page of the keeper’s log',
        pattern(),
        ...scene(
          pictures,
          'log',
          'page',
          '',
          'Write what happened on your route, and what you would do next time.',
          '',
        ),
      ),
    ),
  );
  must(addSection(doc, { id: 'storm', name: 'The storm', slideIds: ['tower', 'boathouse'] }));
  must(
    addSection(doc, {
      id: 'lamp-room',
      name: 'The lamp room',
      tint: 'brass',
      slideIds: ['wire', 'copper', 'string'],
    }),
  );
  must(
    addTrail(doc, {
      id: 'short-evening',
      name: 'Short evening',
      followsLinks: true,
      slideIds: ['lamp-out', 'tower', 'keeper-sees', 'wire', 'copper', 'lit'],
    }),
  );
  must(setTheme(doc, 'harbour'));
  // Two pieces are there to be wrong: no zone waits for them, and that is as it should be.
  for (const finding of new Checker().check(readDeck(doc)).findings) {
    if (finding.kind === 'piece-unwanted')
      must(setAside(doc, finding, 'It is there to be tried in vain.'));
  }
  return doc;
}
