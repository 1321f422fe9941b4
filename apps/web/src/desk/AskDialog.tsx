import {
  addElement,
  addSlide,
  addStarter,
  clipSlides,
  findStarters,
  kindOf,
  newId,
  plain,
  QUESTION_KINDS,
  questionLabel,
  readDeck,
  STARTERS,
  textLines,
  type KindName,
  type Question,
  type Starter,
} from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import * as Y from 'yjs';
import { sentenceOf } from '../api/http';
import { Lines } from '../ui/Lines';
import { pictureOf } from '../starters/pictureOf';
import { Select, Setting } from '../ui/controls';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';

/** Kinds that can be asked in a moment; the others are begun from a starter. */
const QUICK: readonly KindName[] = QUESTION_KINDS.filter((kind) =>
  ['choice', 'textEntry', 'extendedText', 'number', 'slider', 'order', 'drawing'].includes(kind),
);
const TAKES_LINES: readonly KindName[] = ['choice', 'order'];

/** Asks the class something on the fly: a question of one's own, or a starter as it is. */
export default function AskDialog(props: {
  onAsk: (clip: string) => void;
  onClose: () => void;
}): ReactElement {
  const { trouble } = useNotices();
  const [kind, setKind] = useState<KindName>('choice');
  const [prompt, setPrompt] = useState('');
  const [lines, setLines] = useState('Yes\nNo');
  const [wanted, setWanted] = useState('');
  const ask = (clip: string): void => {
    props.onAsk(clip);
    props.onClose();
  };
  const askOwn = (): void => {
    if (prompt.trim() === '') return trouble('Write what you want to ask.');
    const texts = textLines(lines);
    if (TAKES_LINES.includes(kind) && texts.length < 2) {
      return trouble('Write two lines at least to choose from.');
    }
    ask(clipOf(prompt.trim(), questionOf(kind, texts)));
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
        <section className="flex flex-col gap-3" aria-label="A question of your own">
          <Lines label="Question" rows={2} value={prompt} onChange={setPrompt} />
          <Setting label="Answered by">
            <Select
              label="Answered by"
              value={kind}
              options={QUICK.map((value) => ({ value, label: questionLabel(value) }))}
              onChange={setKind}
            />
          </Setting>
          {TAKES_LINES.includes(kind) && (
            <Lines
              label={kind === 'choice' ? 'Options, one on each line' : 'Things, one on each line'}
              rows={4}
              value={lines}
              onChange={setLines}
            />
          )}
          <Button look="main" size="large" onClick={askOwn}>
            Ask
          </Button>
        </section>
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

function questionOf(kind: KindName, texts: readonly string[]): Question {
  const fresh = kindOf(kind).fresh(newId);
  const items = texts.slice(0, 12).map((text) => ({ id: newId(), text, picture: null }));
  if (fresh.kind === 'choice') return { ...fresh, options: items };
  if (fresh.kind === 'order') return { ...fresh, items };
  return fresh;
}

/** A slide with nothing but the question, as the clipboard has slides. */
function clipOf(prompt: string, question: Question): string {
  const doc = new Y.Doc();
  const slide = addSlide(doc, { title: prompt.slice(0, 80), layout: 'empty' });
  if (!slide.ok) throw new Error(slide.reason);
  addElement(doc, slide.slideId, {
    ...{ kind: 'question', layer: 'content', text: plain(...prompt.split('\n')), question },
    ...{ box: { x: 190, y: 90, w: 900, h: 540 }, isForThinking: true },
  });
  return JSON.stringify(clipSlides(readDeck(doc), '', [slide.slideId]));
}
