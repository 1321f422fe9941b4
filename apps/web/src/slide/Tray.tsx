import {
  addElement,
  newElementBox,
  newId,
  plain,
  type ElementId,
  type NewElement,
  type Slide,
} from '@gobrel/core';
import {
  CircleHelp,
  Hand,
  Image,
  Pentagon,
  Scan,
  Slash,
  SquareMousePointer,
  Type,
  type LucideIcon,
} from 'lucide-react';
import type { Editor } from '@tiptap/react';
import { useRef, type ReactElement } from 'react';
import { uploadPicture } from '../api/assets';
import { sentenceOf } from '../api/http';
import type { Linking } from '../links/Linking';
import { useNotices } from '../ui/Notice';
import { useDeck } from '../workspace/DeckContext';
import { pictureElement } from './pictureElement';
import { SelectionRow } from './SelectionRow';
import type { StageEdit } from './useStageEdit';

const PICTURES = 'image/png,image/jpeg,image/webp,image/gif,image/svg+xml';

/** Below the stage: with a selection what can be set on it, and always what can be added. */
export function Tray(props: {
  slide: Slide;
  edit: StageEdit;
  editor: Editor | null;
  linking: Linking;
  onRemove: (ids: ElementId[]) => void;
}): ReactElement {
  const { slide, edit } = props;
  const { doc, run } = useDeck();
  const add = (element: NewElement, thenType = false): void => {
    const added = run(addElement(doc, slide.id, element));
    if (added) edit.takeNew(added.elementId, element.layer, thenType);
  };
  const layer = edit.layer === 'background' ? 'background' : 'content';
  const at = (w: number, h: number): ReturnType<typeof newElementBox> =>
    newElementBox(slide, { w, h });

  return (
    <div
      role="toolbar"
      aria-label="Tray"
      className="shrink-0 border-t border-line bg-sheet px-5 pb-2"
    >
      <SelectionRow {...props} />
      <div className="flex gap-1 overflow-x-auto">
        <Add
          icon={Type}
          label="Text"
          onClick={() =>
            add({ kind: 'text', style: 'body', layer, box: at(480, 60), text: plain('') }, true)
          }
        />
        <AddPicture slide={slide} edit={edit} onAdd={add} />
        <Add
          icon={Pentagon}
          label="Shape"
          onClick={() => add({ kind: 'shape', shape: 'rounded', layer, box: at(240, 140) })}
        />
        <Add
          icon={Slash}
          label="Line"
          onClick={() => add({ kind: 'line', layer, box: at(240, 100) })}
        />
        <Add
          icon={SquareMousePointer}
          label="Hotspot"
          onClick={() => add({ kind: 'hotspot', layer: 'content', box: at(200, 140) })}
        />
        <Add
          icon={Hand}
          label="Piece"
          onClick={() =>
            add(
              {
                kind: 'text',
                style: 'body',
                layer: 'pieces',
                box: at(200, 64),
                text: plain('piece'),
              },
              true,
            )
          }
        />
        <Add
          icon={Scan}
          label="Zone"
          onClick={() => add({ kind: 'zone', layer: 'pieces', box: at(300, 160), name: 'zone' })}
        />
        <Add
          icon={CircleHelp}
          label="Question"
          onClick={() =>
            add({
              kind: 'question',
              layer: 'content',
              box: at(480, 320),
              text: plain('Which one?'),
              question: {
                kind: 'choice',
                isMultiple: false,
                points: 1,
                options: ['First option', 'Second option'].map((text) => ({ id: newId(), text })),
              },
            })
          }
        />
      </div>
    </div>
  );
}

function Add({
  icon: Icon,
  label,
  onClick,
}: {
  icon: LucideIcon;
  label: string;
  onClick: () => void;
}): ReactElement {
  return (
    <button
      type="button"
      onClick={onClick}
      className="grid min-h-[54px] w-[76px] shrink-0 justify-items-center gap-1 rounded-[6px] py-1.5 text-[12.5px] hover:bg-sand"
    >
      <Icon size={19} strokeWidth={1.7} aria-hidden />
      {label}
    </button>
  );
}

function AddPicture(props: {
  slide: Slide;
  edit: StageEdit;
  onAdd: (element: NewElement) => void;
}): ReactElement {
  const { slide, edit, onAdd } = props;
  const input = useRef<HTMLInputElement>(null);
  const notices = useNotices();
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      onAdd(pictureElement(slide, await uploadPicture(file), edit.layer === 'background'));
    } catch (error) {
      notices.trouble(sentenceOf(error));
    }
  };
  return (
    <>
      <Add icon={Image} label="Picture" onClick={() => input.current?.click()} />
      <input
        ref={input}
        type="file"
        accept={PICTURES}
        aria-label="Picture file"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
    </>
  );
}
