import {
  linkElement,
  may,
  NOWHERE,
  setElement,
  type ElementId,
  type ElementSettings,
  type Slide,
  type SlideElement,
  themeOn,
} from '@gobrel/core';
import { Trash2 } from 'lucide-react';
import type { Editor } from '@tiptap/react';
import type { ReactElement } from 'react';
import { LinkActions } from '../../links/LinkActions';
import type { Linking } from '../../links/Linking';
import { TargetName } from '../../links/TargetName';
import { useDeck } from '../../deck/DeckContext';
import { Plain, Setting, Sign } from '../../ui/controls';
import { Strip } from '../../ui/Strip';
import { labelOf } from '../../editing/labelOf';
import type { PenLook } from '../../editing/StageHands';
import type { StageEdit } from '../../editing/useStageEdit';
import type { SettingsOf } from '../../settings/settings';
import { ArrangePop } from './ArrangePop';
import { trayOf } from './kinds';
import { PiecePop } from './PiecePop';
import { SlideSettings } from './SlideSettings';
import { ToolSettings } from './ToolSettings';

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
          <ToolSettings edit={edit} slide={slide} pen={props.pen} onPen={props.onPen} />
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
  const { deck, run, refusalOf } = useDeck();
  const given: SettingsOf = {
    slide,
    element,
    edit,
    linking,
    theme: themeOn(slide, deck.theme),
    editor: edit.typing === element.id ? props.editor : null,
    set: (settings: ElementSettings) => run(setElement, slide.id, element.id, settings),
  };
  // While words are typed there is room for what can be done to words.
  const isTyping = given.editor !== null;
  const canLead = !isTyping && refusalOf(linkElement, slide.id, element.id, NOWHERE) === null;
  const isPieceable = !isTyping && element.groupId === null && may(element, 'bePiece');
  const { Settings } = trayOf(element.kind);
  return (
    <>
      <b className="max-w-[180px] truncate max-[1100px]:hidden">{labelOf(element)}</b>
      {canLead && <LeadsTo {...given} />}
      <Settings {...given} />
      {isPieceable && <PiecePop {...given} />}
    </>
  );
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
