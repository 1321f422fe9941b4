import {
  addStarter,
  clipSlides,
  findStarters,
  readDeck,
  STARTERS,
  type Starter,
} from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import * as Y from 'yjs';
import { sentenceOf } from '../api/http';
import { pictureOf } from '../api/pictureOf';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';
import { OwnQuestion } from './OwnQuestion';

/** Asks the class something on the fly: a question of one's own, or a starter as it is. */
export default function AskDialog(props: {
  onAsk: (clip: string) => void;
  onClose: () => void;
}): ReactElement {
  const { trouble } = useNotices();
  const [wanted, setWanted] = useState('');
  const ask = (clip: string): void => {
    props.onAsk(clip);
    props.onClose();
  };
  const askStarter = async (starter: Starter): Promise<void> => {
    try {
      const picture = await pictureOf(starter);
      const doc = new Y.Doc();
      const added = addStarter(doc, starter, { picture });
      if (added.ok) ask(JSON.stringify(clipSlides(readDeck(doc), '', [added.slideId])));
    } catch (error) {
      trouble(sentenceOf(error));
    }
  };
  return (
    <Dialog
      title="Ask now"
      description="It comes up on every screen at once, and stays in the results."
      isOpen
      isWide
      onClose={props.onClose}
    >
      <div className="grid gap-6 md:grid-cols-2">
        <OwnQuestion onAsk={ask} />
        <section aria-label="Starters">
          <Field
            label="Or from a starter"
            placeholder="scale, word, picture …"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
          <ul className="mt-2 flex max-h-[300px] flex-col overflow-y-auto">
            {findStarters(STARTERS, wanted)
              .filter(({ isPattern }) => !isPattern)
              .map((starter) => (
                <li key={starter.id}>
                  <button
                    type="button"
                    onClick={() => void askStarter(starter)}
                    className="w-full rounded-[4px] px-2 py-1.5 text-left hover:bg-sand"
                  >
                    <span className="font-semibold">{starter.title}</span>{' '}
                    <span className="text-[13px] text-soft">{starter.use}</span>
                  </button>
                </li>
              ))}
          </ul>
        </section>
      </div>
    </Dialog>
  );
}
