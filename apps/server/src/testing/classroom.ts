import {
  choice,
  choiceQuestion,
  deckNamed,
  ending,
  leftOut,
  notes,
  pattern,
  piece,
  slide,
  spare,
  text,
  zone,
} from '@gobrel/core/testing';
import { setElement } from '@gobrel/core';
import type * as Y from 'yjs';
import { DecksService } from '../decks/DecksService.js';
import { signUp, Visitor, type TestServer } from './testServer.js';

export const SECRETS = {
  note: 'plantednote77',
  key: 'plantedkey77',
  expected: 'plantedpiece77',
  leftOutTitle: 'plantedtitle77',
  leftOutText: 'plantedtext77',
  spare: 'plantedspare77',
  wording: 'plantedwording77',
  explanation: 'plantedexplanation77',
} as const;

/** A small deck with a secret in every place that students must not see. */
export function secretDeck(): Y.Doc {
  const doc = deckNamed(
    'Tides',
    slide(
      'pier: The pier',
      choice('Row out', 'sea', 'row'),
      choice(SECRETS.wording, 'hidden'),
      notes(SECRETS.note),
    ),
    slide(
      'sea: At sea',
      choiceQuestion('q', 'Which way?', ['*North', 'South']),
      piece('oar', 'oar', { x: 0, y: 600, w: 120, h: 60 }),
      zone('boat', 'the boat', { x: 600, y: 400, w: 300, h: 200 }, ['oar']),
      spare(SECRETS.spare),
      choice('Home', 'home', 'home-link'),
    ),
    slide('home: Home', ending()),
    slide('page: My page', pattern(), text('Write here')),
    slide(`hidden: ${SECRETS.leftOutTitle}`, leftOut(), text(SECRETS.leftOutText)),
  );
  setElement(doc, 'sea', 'q', {
    key: { kind: 'choice', optionIds: ['a', SECRETS.key], isPartial: false },
    explanation: SECRETS.explanation,
  });
  setElement(doc, 'sea', 'boat', { expects: ['oar', SECRETS.expected] });
  return doc;
}

export interface Classroom {
  ines: Awaited<ReturnType<typeof signUp>>;
  deckId: string;
  lessonId: string;
  joinCode: string;
  join(name: string): Promise<Visitor & { folioId: string }>;
}

/** A teacher with a running lesson on the deck. */
export async function openClassroom(server: TestServer, doc = secretDeck()): Promise<Classroom> {
  const ines = await signUp(server.url);
  const deckId = await server.app.get(DecksService).adopt(ines.id, doc);
  const started = await ines.post<{ id: string }>(`decks/${deckId}/lessons`, {
    allowsTypedNames: true,
  });
  const lessonId = started.body.id;
  const { body } = await ines.get<{ joinCode: string }>(`lessons/${lessonId}`);
  return {
    ines,
    deckId,
    lessonId,
    joinCode: body.joinCode,
    async join(name) {
      const student = new Visitor(server.url);
      const joined = await student.post<{ folioId: string }>('student/join', {
        code: body.joinCode,
        name,
      });
      if (joined.status !== 201) throw new Error(JSON.stringify(joined.body));
      return Object.assign(student, { folioId: joined.body.folioId });
    },
  };
}
