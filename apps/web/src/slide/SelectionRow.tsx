import {
  addSlide,
  addWordLink,
  isPiece,
  LINK_MARK,
  linkElement,
  newId,
  removeElements,
  removeLink,
  reorder,
  setElement,
  setLayer,
  setSlideFill,
  TEXT_STYLES,
  SHAPES,
  type ElementSettings,
  type Link,
  type Slide,
  type SlideElement,
  type SlideId,
} from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import { Bold, Italic, Link2, Underline } from 'lucide-react';
import { Suspense, useState, type ReactElement, type ReactNode } from 'react';
import { QUESTION_VIEWS, type QuestionEditProps } from '../questions/registry';
import { useDeck } from '../workspace/DeckContext';
import { Colour, Line, Plain, Select, Setting } from './controls';
import { labelOf } from './EditingStage';
import { LinkPicker } from './LinkPicker';
import type { StageEdit } from './useStageEdit';

/** What can be set on what is selected; nothing selected: the slide itself. */
export function SelectionRow({
  slide,
  edit,
  editor,
}: {
  slide: Slide;
  edit: StageEdit;
  editor: Editor | null;
}): ReactElement {
  const [first, ...more] = edit.selected;
  return (
    <div className="flex min-h-[42px] flex-wrap items-center gap-x-5 gap-y-1 border-b border-dotted border-line py-1 text-[13px]">
      {!first ? (
        <SlideSettings slide={slide} edit={edit} />
      ) : more.length > 0 ? (
        <ManySettings slide={slide} edit={edit} />
      ) : (
        <ElementSettingsRow
          key={first.id}
          slide={slide}
          element={first}
          edit={edit}
          editor={editor}
        />
      )}
    </div>
  );
}

function SlideSettings({ slide, edit }: { slide: Slide; edit: StageEdit }): ReactElement {
  const { doc, run } = useDeck();
  return (
    <>
      <b>
        {edit.layer === 'background' ? 'The background of this slide' : slide.title || 'Untitled'}
      </b>
      <Setting label="Fill">
        <Colour
          label="Fill of the slide"
          value={slide.fill}
          onChange={(fill) => run(setSlideFill(doc, slide.id, fill))}
        />
      </Setting>
      <span className="text-soft">
        {edit.layer === 'background'
          ? 'Add a picture: it fills the stage and students cannot touch it.'
          : 'Pick something on the stage, or add something below.'}
      </span>
    </>
  );
}

function ManySettings({ slide, edit }: { slide: Slide; edit: StageEdit }): ReactElement {
  const { doc, run } = useDeck();
  return (
    <>
      <b>{edit.selected.length} things</b>
      <Plain
        onClick={() =>
          run(
            removeElements(
              doc,
              slide.id,
              edit.selected.map((e) => e.id),
            ),
          ) && edit.select([])
        }
      >
        Delete
      </Plain>
    </>
  );
}

function ElementSettingsRow(props: {
  slide: Slide;
  element: SlideElement;
  edit: StageEdit;
  editor: Editor | null;
}): ReactElement {
  const { slide, element, edit, editor } = props;
  const { doc, deck, graph, run } = useDeck();
  const [picking, setPicking] = useState<'element' | 'words' | null>(null);
  const [isAsking, setIsAsking] = useState(false);
  const link = (graph.waysOut.get(slide.id) ?? []).find(
    (candidate) =>
      candidate.carrier.kind === 'element' && candidate.carrier.elementId === element.id,
  );
  const set = (settings: ElementSettings): unknown =>
    run(setElement(doc, slide.id, element.id, settings));
  const isTyping = edit.typing === element.id && editor !== null;

  const leadTo = (slideId: SlideId): void => {
    if (picking === 'element') run(linkElement(doc, slide.id, element.id, slideId));
    else if (editor) linkSelectedWords(slideId);
  };
  const linkSelectedWords = (slideId: SlideId): void => {
    if (!editor) return;
    const { from, to } = editor.state.selection;
    const words = editor.state.doc.textBetween(from, to, ' ');
    if (words.trim() === '') return;
    const linkId = newId();
    editor.chain().focus().setMark(LINK_MARK, { linkId }).run();
    run(addWordLink(doc, { linkId, from: slide.id, elementId: element.id, slideId, words }));
  };

  return (
    <>
      <b className="max-w-[220px] truncate">{labelOf(element)}</b>
      {element.layer === 'content' && element.kind !== 'question' && (
        <LeadsTo
          link={link}
          targetTitle={link && deck.slides[link.target.slideId]?.title}
          onPick={() => setPicking('element')}
          onCut={() => link && run(removeLink(doc, link.id))}
        />
      )}
      {isTyping && <TypingMarks editor={editor} onLink={() => setPicking('words')} />}
      {element.kind === 'text' && (
        <Setting label="Style">
          <Select
            label="Style"
            value={element.style}
            options={TEXT_STYLES}
            onChange={(style) => set({ style })}
          />
        </Setting>
      )}
      {(element.kind === 'text' || element.kind === 'shape') && (
        <Setting label="Ink">
          <Colour label="Ink" value={element.colour} onChange={(colour) => set({ colour })} />
        </Setting>
      )}
      {element.kind === 'shape' && (
        <>
          <Setting label="Shape">
            <Select
              label="Shape"
              value={element.shape}
              options={SHAPES}
              onChange={(shape) => set({ shape })}
            />
          </Setting>
          <Setting label="Fill">
            <Colour label="Fill" value={element.fill} onChange={(fill) => set({ fill })} />
          </Setting>
        </>
      )}
      {element.kind === 'picture' && (
        <>
          <Setting label="Fit">
            <Select
              label="Fit"
              value={element.fit}
              options={['contain', 'cover'] as const}
              onChange={(fit) => set({ fit })}
            />
          </Setting>
          <Line label="Alt text" value={element.alt} onKeep={(alt) => set({ alt })} />
        </>
      )}
      {element.kind === 'zone' && <ZoneSettings slide={slide} element={element} onSet={set} />}
      {element.kind === 'question' && (
        <Plain onClick={() => setIsAsking(true)}>Options and key</Plain>
      )}
      {(element.kind === 'text' || element.kind === 'shape' || element.kind === 'picture') && (
        <MakePiece slide={slide} element={element} />
      )}
      <Setting label="Order">
        <Plain onClick={() => run(reorder(doc, slide.id, element.id, 'front'))}>front</Plain>
        <Plain onClick={() => run(reorder(doc, slide.id, element.id, 'back'))}>back</Plain>
      </Setting>
      <Plain onClick={() => run(removeElements(doc, slide.id, [element.id])) && edit.select([])}>
        Delete
      </Plain>
      <LinkPicker
        isOpen={picking !== null}
        title={picking === 'words' ? 'These words lead to …' : 'This leads to …'}
        current={link?.target.slideId}
        onClose={() => setPicking(null)}
        onPick={leadTo}
        onNew={(title) => {
          const added = run(addSlide(doc, { title, beside: slide.id, layout: 'text' }));
          if (added) leadTo(added.slideId);
        }}
      />
      {isAsking && element.kind === 'question' && (
        <EditQuestion slideId={slide.id} element={element} onClose={() => setIsAsking(false)} />
      )}
    </>
  );
}

function EditQuestion(props: QuestionEditProps): ReactElement {
  const { Edit } = QUESTION_VIEWS[props.element.question.kind];
  return (
    <Suspense>
      <Edit {...props} />
    </Suspense>
  );
}

function LeadsTo(props: {
  link?: Link;
  targetTitle?: string;
  onPick: () => void;
  onCut: () => void;
}): ReactElement {
  if (!props.link) return <Plain onClick={props.onPick}>Lead to …</Plain>;
  return (
    <Setting label="Leads to">
      <button
        type="button"
        onClick={props.onPick}
        className="min-h-7 rounded-full border border-[#eccdc0] bg-ember-mist px-2.5 text-ember-deep"
      >
        {props.targetTitle ?? 'nowhere'}
      </button>
      <Plain onClick={props.onCut}>cut</Plain>
    </Setting>
  );
}

function TypingMarks({ editor, onLink }: { editor: Editor; onLink: () => void }): ReactElement {
  const mark = (name: string, icon: ReactNode, label: string): ReactElement => (
    <button
      type="button"
      aria-label={label}
      aria-pressed={editor.isActive(name)}
      onPointerDown={(event) => event.preventDefault()}
      onClick={() => editor.chain().focus().toggleMark(name).run()}
      className="grid size-7 place-items-center rounded-[4px] hover:bg-sand aria-pressed:bg-petrol-mist"
    >
      {icon}
    </button>
  );
  return (
    <span className="flex items-center">
      {mark('bold', <Bold size={15} />, 'Bold')}
      {mark('italic', <Italic size={15} />, 'Italic')}
      {mark('underline', <Underline size={15} />, 'Underline')}
      <button
        type="button"
        onPointerDown={(event) => event.preventDefault()}
        onClick={onLink}
        className="flex min-h-7 items-center gap-1 rounded-[4px] px-1.5 text-ember-deep hover:bg-sand"
      >
        <Link2 size={15} /> Link the marked words
      </button>
    </span>
  );
}

function MakePiece({ slide, element }: { slide: Slide; element: SlideElement }): ReactElement {
  const { doc, run } = useDeck();
  const is = isPiece(element);
  return (
    <label className="flex min-h-7 items-center gap-1.5">
      <input
        type="checkbox"
        className="size-4 accent-petrol"
        checked={is}
        onChange={() => run(setLayer(doc, slide.id, [element.id], is ? 'content' : 'pieces'))}
      />
      Students may move it
    </label>
  );
}

function ZoneSettings(props: {
  slide: Slide;
  element: Extract<SlideElement, { kind: 'zone' }>;
  onSet: (settings: ElementSettings) => unknown;
}): ReactElement {
  const { slide, element, onSet } = props;
  const expects = element.expects ?? [];
  return (
    <>
      <Line label="Name" value={element.name} onKeep={(name) => onSet({ name })} />
      <label className="flex min-h-7 items-center gap-1.5">
        <input
          type="checkbox"
          className="size-4 accent-petrol"
          checked={element.isVisible}
          onChange={() => onSet({ isVisible: !element.isVisible })}
        />
        Visible
      </label>
      <details className="relative">
        <summary className="min-h-7 cursor-pointer py-1">Expects {expects.length}</summary>
        <ul className="absolute bottom-8 z-20 min-w-[200px] rounded-[6px] border border-line bg-sheet p-3">
          {slide.elements.filter(isPiece).map((piece) => (
            <li key={piece.id}>
              <label className="flex min-h-7 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-4 accent-petrol"
                  checked={expects.includes(piece.id)}
                  onChange={() =>
                    onSet({
                      expects: expects.includes(piece.id)
                        ? expects.filter((id) => id !== piece.id)
                        : [...expects, piece.id],
                    })
                  }
                />
                {labelOf(piece).replace('Piece: ', '')}
              </label>
            </li>
          ))}
          {!slide.elements.some(isPiece) && (
            <li className="text-soft">No pieces on this slide yet.</li>
          )}
        </ul>
      </details>
    </>
  );
}
