import {
  addAsked,
  askedLines,
  clipSlides,
  kindOf,
  QUESTION_KINDS,
  questionLabel,
  questionsOn,
  readDeck,
  textLines,
  told,
  type KindName,
  idsOf,
} from '@gobrel/core';
import { Suspense, useRef, useState, type ReactElement } from 'react';
import * as Y from 'yjs';
import { QUESTION_VIEWS } from '../questions/registry';
import { SlideView } from '../stage/SlideView';
import { Button } from '../ui/Button';
import { Select, Setting } from '../ui/controls';
import { Lines } from '../ui/Lines';
import { useNotices } from '../ui/Notice';
import { useSize } from '../ui/useSize';
import { EditedDeckProvider, useEditedDeck } from '../deck/DeckContext';

/** What is written line by line, by what the kind takes, and what stands there to begin with. */
const WRITTEN = {
  items: { label: 'One on each line', rows: 4, hint: '', start: 'Yes\nNo' },
  pairs: {
    label: 'Pairs, one on each line',
    rows: 4,
    hint: 'Each as: left = right',
    start: '',
  },
  gaps: {
    label: 'Text',
    rows: 3,
    start: '',
    hint: 'What belongs into a gap stands in brackets: The [lamp] turns.',
  },
  pieces: { label: 'Pieces, one on each line', rows: 4, hint: '', start: '' },
} as const;
/** Kinds that say nothing before areas have been drawn on a picture. */
const NEEDS_PICTURE: readonly KindName[] = ['hotspot'];

/** A question of the teacher's own, of any kind: written in a moment, or set up with all that its kind has. */
export function OwnQuestion(props: { onAsk: (clip: string) => void }): ReactElement {
  const { trouble } = useNotices();
  const [kind, setKind] = useState<KindName>('choice');
  const [prompt, setPrompt] = useState('');
  const [lines, setLines] = useState<string>(WRITTEN.items.start);
  const [zones, setZones] = useState('Here\nThere');
  const [made, setMade] = useState<Y.Doc | null>(null);
  const takes = askedLines(kind);
  const written = takes && WRITTEN[takes];
  const make = (): Y.Doc | null => {
    const doc = new Y.Doc();
    const asked = { kind, prompt: prompt.trim(), lines: textLines(lines), zones: textLines(zones) };
    const added = addAsked(doc, asked);
    if (added.ok) return doc;
    trouble(told(added));
    return null;
  };
  const ask = (doc: Y.Doc | null): void => {
    if (!doc) return;
    const deck = readDeck(doc);
    props.onAsk(JSON.stringify(clipSlides(deck, '', idsOf(deck.slides))));
  };
  if (made) {
    return (
      <EditedDeckProvider doc={made}>
        <SetUp onAsk={() => ask(made)} onBack={() => setMade(null)} />
      </EditedDeckProvider>
    );
  }
  return (
    <section className="flex flex-col gap-3" aria-label="A question of your own">
      <Lines label="Question" rows={2} value={prompt} onChange={setPrompt} />
      <Setting label="Answered by">
        <Select
          label="Answered by"
          value={kind}
          options={QUESTION_KINDS.map((value) => ({ value, label: questionLabel(value) }))}
          onChange={(next) => {
            const nextTakes = askedLines(next);
            // What was written for one kind stays, if anything was.
            const isUntouched = lines === '' || lines === WRITTEN.items.start;
            if (nextTakes && isUntouched) setLines(WRITTEN[nextTakes].start);
            setKind(next);
          }}
        />
      </Setting>
      {written && (
        <Lines
          label={written.label}
          rows={written.rows}
          hint={written.hint}
          value={lines}
          onChange={setLines}
        />
      )}
      {takes === 'pieces' && (
        <Lines label="Zones, one on each line" rows={2} value={zones} onChange={setZones} />
      )}
      <div className="flex gap-2">
        {!NEEDS_PICTURE.includes(kind) && (
          <Button look="main" size="large" className="flex-1" onClick={() => ask(make())}>
            Ask
          </Button>
        )}
        <Button size="large" onClick={() => setMade(make())}>
          Set it up …
        </Button>
      </div>
      <p className="text-[13px] text-soft">
        Setting it up gives it a picture, a key, points and a hint before it is asked.
      </p>
    </section>
  );
}

/** The question as it will be asked, and its kind's own dialog. */
function SetUp(props: { onAsk: () => void; onBack: () => void }): ReactElement | null {
  const { deck } = useEditedDeck();
  const [isEditing, setIsEditing] = useState(true);
  const ref = useRef<HTMLDivElement>(null);
  const { width } = useSize(ref);
  const [slide] = Object.values(deck.slides);
  const [element] = slide ? questionsOn(slide) : [];
  if (!slide || !element) return null;
  const { Edit } = QUESTION_VIEWS[element.question.kind];
  const isReady = kindOf(element.question.kind).isReady?.(element.question) ?? true;
  return (
    <section className="flex flex-col gap-3" aria-label="As it will be asked">
      <div ref={ref} className="overflow-hidden rounded-[6px] border border-line">
        {width > 0 && <SlideView slide={slide} theme={deck.theme} width={width - 2} />}
      </div>
      <div className="flex flex-wrap gap-2">
        <Button look="main" size="large" disabled={!isReady} onClick={props.onAsk}>
          Ask
        </Button>
        <Button size="large" onClick={() => setIsEditing(true)}>
          Change
        </Button>
        <Button size="large" look="quiet" onClick={props.onBack}>
          Start again
        </Button>
      </div>
      {isEditing && (
        <Suspense>
          <Edit slideId={slide.id} element={element} onClose={() => setIsEditing(false)} />
        </Suspense>
      )}
    </section>
  );
}
