import {
  LINKABLE,
  MOVABLE,
  optionsOf,
  setElement,
  setPlaces,
  type ElementId,
  type ElementSettings,
  type QuestionElement,
  type Slide,
  type SlideElement,
} from '@gobrel/core';
import { Trash2 } from 'lucide-react';
import type { Editor } from '@tiptap/react';
import { Suspense, type ReactElement } from 'react';
import { LinkActions } from '../../links/LinkActions';
import type { Linking } from '../../links/Linking';
import { TargetName } from '../../links/TargetName';
import { QUESTION_VIEWS } from '../../questions/registry';
import { type QuestionEditProps } from '../../questions/kind';
import { useDeck } from '../../deck/DeckContext';
import { Line, Plain, Pop, Setting, Sign } from '../../ui/controls';
import { Strip } from '../../ui/Strip';
import { labelOf } from '../../editing/labelOf';
import type { PenLook } from '../../editing/StageHands';
import type { StageEdit } from '../../editing/useStageEdit';
import { ArrangePop } from './ArrangePop';
import { InkSettings, LineSettings } from './LineSettings';
import { MediaSettings } from './MediaSettings';
import { PiecePop, ZoneSettings } from './PieceSettings';
import { PictureSettings } from './PictureSettings';
import { RegionSettings } from './RegionSettings';
import type { SettingsOf } from './settings';
import { ShapeSettings } from './ShapeSettings';
import { SlideSettings } from './SlideSettings';
import { TableSettings } from './TableSettings';
import { ToolSettings } from './ToolSettings';
import { FontPop, TextSettings } from './TypeSettings';

export interface SelectionRowProps {
  slide: Slide;
  edit: StageEdit;
  editor: Editor | null;
  linking: Linking;
  pen: PenLook;
  onPen: (pen: PenLook) => void;
  onRemove: (ids: ElementId[]) => void;
  /** Puts what was copied last where it lay; null when nothing was copied. */
  onPasteInPlace: (() => void) | null;
}

/** What can be set on what is selected; nothing selected: the slide itself. */
export function SelectionRow(props: SelectionRowProps): ReactElement {
  const { slide, edit } = props;
  const [first, ...more] = edit.selected;
  const canArrange =
    edit.tool === 'select' && first && edit.cropping === null && edit.typing === null;
  return (
    // One line, whatever is in hand: the stage above keeps its place.
    <div className="border-b border-dotted border-line">
      <Strip
        label="Settings"
        last={
          canArrange && (
            <>
              <ArrangePop slide={slide} edit={edit} />
              <Sign
                icon={Trash2}
                label="Delete"
                onClick={() => props.onRemove(edit.selected.map(({ id }) => id))}
              />
            </>
          )
        }
      >
        {edit.tool !== 'select' ? (
          <ToolSettings edit={edit} theme={slide.theme} pen={props.pen} onPen={props.onPen} />
        ) : !first ? (
          <SlideSettings slide={slide} edit={edit} onPasteInPlace={props.onPasteInPlace} />
        ) : more.length > 0 ? (
          <b>{edit.selected.length} things</b>
        ) : (
          <OneThing key={first.id} {...props} element={first} />
        )}
      </Strip>
    </div>
  );
}

function OneThing(props: SelectionRowProps & { element: SlideElement }): ReactElement {
  const { slide, element, edit, linking } = props;
  const { doc, deck, run } = useDeck();
  const given: SettingsOf = {
    ...{ slide, element, edit, linking },
    theme: slide.theme || deck.theme,
    editor: edit.typing === element.id ? props.editor : null,
    set: (settings: ElementSettings) => run(setElement(doc, slide.id, element.id, settings)),
  };
  // While words are typed there is room for what can be done to words.
  const isTyping = given.editor !== null;
  const canLead = !isTyping && element.layer === 'content' && LINKABLE.includes(element.kind);
  const isPieceable = !isTyping && element.groupId === null && MOVABLE.includes(element.kind);
  return (
    <>
      <b className="max-w-[180px] truncate max-[1100px]:hidden">{labelOf(element)}</b>
      {canLead && <LeadsTo {...given} />}
      <KindSettings {...given} />
      {isPieceable && <PiecePop {...given} />}
    </>
  );
}

function KindSettings(props: SettingsOf): ReactElement {
  const { element } = props;
  switch (element.kind) {
    case 'text':
      return <TextSettings {...props} element={element} />;
    case 'shape':
      return <ShapeSettings {...props} element={element} />;
    case 'picture':
      return <PictureSettings {...props} element={element} />;
    case 'line':
      return <LineSettings {...props} element={element} />;
    case 'ink':
      return <InkSettings {...props} element={element} />;
    case 'media':
      return <MediaSettings {...props} element={element} />;
    case 'table':
      return <TableSettings {...props} element={element} />;
    case 'hotspot':
    case 'closeup':
      return <RegionSettings {...props} element={element} />;
    case 'zone':
      return <ZoneSettings {...props} element={element} />;
    case 'credits':
      return <FontPop {...props} element={element} />;
    case 'group':
      return (
        <>
          <Line label="Name" value={element.name} onKeep={(name) => props.set({ name })} />
          <Plain onClick={() => props.edit.enter(element.id)}>Step into it</Plain>
        </>
      );
    case 'question':
      return <QuestionSettings {...props} element={element} />;
  }
}

function LeadsTo(props: SettingsOf): ReactElement {
  const { slide, element, linking } = props;
  const { graph } = useDeck();
  const link = (graph.waysOut.get(slide.id) ?? []).find(
    ({ carrier }) => carrier.kind === 'element' && carrier.elementId === element.id,
  );
  const ask = (): void => linking.ask({ kind: 'element', elementId: element.id });
  return link ? (
    <Setting label="Leads to">
      <button
        type="button"
        onClick={ask}
        className="min-h-7 max-w-[200px] truncate rounded-full border border-[#eccdc0] bg-ember-mist px-2.5 text-ember-deep"
      >
        <TargetName target={link.target} />
      </button>
      <LinkActions link={link} onChange={ask} />
    </Setting>
  ) : (
    <Plain onClick={ask}>Lead to …</Plain>
  );
}

/** Where a question may go at once: a side of the stage, or the whole. */
const SIDES = [
  { label: 'The left side', box: { x: 48, y: 150, w: 568, h: 522 } },
  { label: 'The right side', box: { x: 664, y: 150, w: 568, h: 522 } },
  { label: 'The whole stage', box: { x: 48, y: 48, w: 1184, h: 624 } },
];

function QuestionSettings(props: SettingsOf<QuestionElement>): ReactElement {
  const { slide, element, edit } = props;
  const { doc, run } = useDeck();
  return (
    <>
      <Plain onClick={() => edit.ask(element.id)}>
        {element.question.kind === 'choice' ? 'Options and key' : 'Answer and key'}
      </Plain>
      <Pop label="Fill">
        {(close) => (
          <ul>
            {SIDES.map(({ label, box }) => (
              <li key={label}>
                <Plain
                  onClick={() => {
                    run(setPlaces(doc, slide.id, [{ elementId: element.id, box }]));
                    close();
                  }}
                >
                  {label}
                </Plain>
              </li>
            ))}
          </ul>
        )}
      </Pop>
      {optionsOf(element.question).length > 0 && <OptionLinks {...props} />}
      {edit.asking === element.id && (
        <EditQuestion slideId={slide.id} element={element} onClose={() => edit.ask(null)} />
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

/** Where the options of a question lead, each with its own handles. */
function OptionLinks(props: SettingsOf<QuestionElement>): ReactElement {
  const { slide, element, linking } = props;
  const { graph } = useDeck();
  const links = graph.waysOut.get(slide.id) ?? [];
  return (
    <Pop label="Options lead to …" width={420}>
      <ul>
        {optionsOf(element.question).map(({ id, text }) => {
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
    </Pop>
  );
}
