import {
  FITS,
  isPiece,
  LICENCES,
  reorder,
  setElement,
  setLayer,
  setSlideFill,
  TEXT_STYLES,
  TYPE_SIZE,
  SHAPES,
  type ElementId,
  type ElementSettings,
  type Slide,
  type SlideElement,
} from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import { Bold, Italic, Link2, Underline } from 'lucide-react';
import { Suspense, useState, type ReactElement, type ReactNode } from 'react';
import { QUESTION_VIEWS, type QuestionEditProps } from '../questions/registry';
import { LinkActions } from '../links/LinkActions';
import type { Linking } from '../links/Linking';
import { TargetName } from '../links/TargetName';
import { useDeck } from '../workspace/DeckContext';
import { Colour, Line, Plain, Select, Setting } from './controls';
import { labelOf } from './labelOf';
import type { StageEdit } from './useStageEdit';

/** What can be set on what is selected; nothing selected: the slide itself. */
export function SelectionRow(props: {
  slide: Slide;
  edit: StageEdit;
  editor: Editor | null;
  linking: Linking;
  onRemove: (ids: ElementId[]) => void;
}): ReactElement {
  const { slide, edit } = props;
  const [first, ...more] = edit.selected;
  return (
    <div className="flex min-h-[42px] flex-wrap items-center gap-x-5 gap-y-1 border-b border-dotted border-line py-1 text-[13px]">
      {!first ? (
        <SlideSettings slide={slide} edit={edit} />
      ) : more.length > 0 ? (
        <ManySettings edit={edit} onRemove={props.onRemove} />
      ) : (
        <ElementSettingsRow key={first.id} {...props} element={first} />
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

function ManySettings(props: {
  edit: StageEdit;
  onRemove: (ids: ElementId[]) => void;
}): ReactElement {
  const { selected } = props.edit;
  return (
    <>
      <b>{selected.length} things</b>
      <Plain onClick={() => props.onRemove(selected.map(({ id }) => id))}>Delete</Plain>
    </>
  );
}

function ElementSettingsRow(props: {
  slide: Slide;
  element: SlideElement;
  edit: StageEdit;
  editor: Editor | null;
  linking: Linking;
  onRemove: (ids: ElementId[]) => void;
}): ReactElement {
  const { slide, element, edit, editor, linking } = props;
  const { doc, graph, run } = useDeck();
  const [isAsking, setIsAsking] = useState(false);
  const link = (graph.waysOut.get(slide.id) ?? []).find(
    (candidate) =>
      candidate.carrier.kind === 'element' && candidate.carrier.elementId === element.id,
  );
  const set = (settings: ElementSettings): unknown =>
    run(setElement(doc, slide.id, element.id, settings));
  const isTyping = edit.typing === element.id && editor !== null;
  const ask = (): void => linking.ask({ kind: 'element', elementId: element.id });

  return (
    <>
      <b className="max-w-[220px] truncate">{labelOf(element)}</b>
      {element.layer === 'content' &&
        element.kind !== 'question' &&
        (link ? (
          <Setting label="Leads to">
            <button
              type="button"
              onClick={ask}
              className="min-h-7 max-w-[220px] rounded-full border border-[#eccdc0] bg-ember-mist px-2.5 text-ember-deep"
            >
              <TargetName target={link.target} />
            </button>
            <LinkActions link={link} onChange={ask} />
          </Setting>
        ) : (
          <Plain onClick={ask}>Lead to …</Plain>
        ))}
      {isTyping && (
        <TypingMarks
          editor={editor}
          onLink={() => linking.ask({ kind: 'words', elementId: element.id, editor })}
        />
      )}
      {element.kind === 'text' && (
        <Setting label="Style">
          <Select
            label="Style"
            value={element.style}
            options={TEXT_STYLES}
            onChange={(style) => set({ style })}
          />
          <TypeSize element={element} onSet={(size) => set({ size })} />
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
              options={FITS}
              onChange={(fit) => set({ fit })}
            />
          </Setting>
          <Line label="Alt text" value={element.alt} onKeep={(alt) => set({ alt })} />
          <Setting label="Licence">
            <Select
              label="Licence"
              value={element.licence}
              options={LICENCES}
              onChange={(licence) => set({ licence })}
            />
          </Setting>
          <Line label="Credit" value={element.credit} onKeep={(credit) => set({ credit })} />
        </>
      )}
      {element.kind === 'zone' && <ZoneSettings slide={slide} element={element} onSet={set} />}
      {element.kind === 'hotspot' && (
        <>
          <Setting label="Shape">
            <Select
              label="Shape"
              value={element.shape}
              options={['rectangle', 'ellipse'] as const}
              onChange={(shape) => set({ shape })}
            />
          </Setting>
          <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
        </>
      )}
      {element.kind === 'line' && (
        <>
          <Setting label="Ink">
            <Colour label="Ink" value={element.colour} onChange={(colour) => set({ colour })} />
          </Setting>
          <Plain onClick={() => set({ slope: element.slope === 'down' ? 'up' : 'down' })}>
            Turn over
          </Plain>
          <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
        </>
      )}
      {element.kind === 'question' && (
        <>
          <Plain onClick={() => setIsAsking(true)}>Options and key</Plain>
          <OptionLinks slide={slide} element={element} linking={linking} />
        </>
      )}
      {(element.kind === 'text' || element.kind === 'shape' || element.kind === 'picture') && (
        <MakePiece slide={slide} element={element} />
      )}
      <Setting label="Order">
        <Plain onClick={() => run(reorder(doc, slide.id, element.id, 'front'))}>front</Plain>
        <Plain onClick={() => run(reorder(doc, slide.id, element.id, 'back'))}>back</Plain>
      </Setting>
      <Plain onClick={() => props.onRemove([element.id])}>Delete</Plain>
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

function TypeSize(props: {
  element: Extract<SlideElement, { kind: 'text' }>;
  onSet: (size: number) => unknown;
}): ReactElement {
  const { element, onSet } = props;
  const own = TYPE_SIZE[element.style];
  return (
    <input
      type="number"
      aria-label="Type size"
      min={8}
      max={400}
      value={element.size || own}
      onChange={(event) => {
        const size = Math.round(Number(event.target.value));
        if (size >= 8 && size <= 400) onSet(size === own ? 0 : size);
      }}
      className="h-7 w-[60px] rounded-[4px] border border-line bg-sheet px-1.5"
    />
  );
}

/** Where the options of a question lead, each with its own handles. */
function OptionLinks(props: {
  slide: Slide;
  element: Extract<SlideElement, { kind: 'question' }>;
  linking: Linking;
}): ReactElement {
  const { slide, element, linking } = props;
  const { graph } = useDeck();
  const links = graph.waysOut.get(slide.id) ?? [];
  return (
    <details className="relative">
      <summary className="min-h-7 cursor-pointer py-1">Options lead to …</summary>
      <ul className="absolute bottom-8 z-20 w-[420px] rounded-[6px] border border-line bg-sheet p-3">
        {element.question.options.map(({ id, text }) => {
          const link = links.find(
            ({ carrier }) => carrier.kind === 'option' && carrier.optionId === id,
          );
          const ask = (): void =>
            linking.ask({ kind: 'option', elementId: element.id, optionId: id, words: text });
          return (
            <li key={id} className="flex min-h-8 items-center gap-2">
              <span className="w-[40%] truncate">{text}</span>
              {link ? (
                <>
                  <span className="flex-1 truncate text-ember-deep">
                    <TargetName target={link.target} />
                  </span>
                  <LinkActions link={link} onChange={ask} />
                </>
              ) : (
                <Plain onClick={ask}>Lead to …</Plain>
              )}
            </li>
          );
        })}
      </ul>
    </details>
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
