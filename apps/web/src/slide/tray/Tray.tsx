import {
  addElement,
  QUESTION_KINDS,
  questionLabel,
  STAGE,
  type NewElement,
  type ShapeName,
} from '@gobrel/core';
import {
  CircleHelp,
  Focus,
  Hand,
  Image,
  PenLine,
  Pentagon,
  Scan,
  Spline,
  SquareMousePointer,
  Table,
  Type,
  Volume2,
  type LucideIcon,
} from 'lucide-react';
import type { ComponentPropsWithRef, MouseEvent, ReactElement } from 'react';
import { Sheet } from '../../ui/Sheet';
import { useDeck } from '../../deck/DeckContext';
import {
  mediaElement,
  pictureElement,
  pieceElement,
  questionElement,
  shapeElement,
  tableElement,
  textElement,
  zoneElement,
} from '../../editing/newThings';
import type { Tool } from '../../editing/useStageEdit';
import { PicturePop } from '../../ui/PicturePop';
import { SelectionRow, type SelectionRowProps } from './SelectionRow';
import { ShapeGallery } from './ShapeGallery';
import { SoundChoice } from './SoundPop';

/** Below the stage: with a selection what can be set on it, and always what can be added. */
export function Tray(props: SelectionRowProps): ReactElement {
  const { slide, edit } = props;
  const { doc, deck, run } = useDeck();
  const { layer } = edit;
  const add = (element: NewElement, thenType = false): void => {
    const added = run(addElement(doc, slide.id, element));
    if (added) edit.takeNew([added.elementId], element.layer, thenType);
  };
  /** With the pointer a tool is taken in hand; from the keyboard the thing comes to lie in the middle. */
  const draw =
    (tool: Tool, element: () => NewElement) =>
    (event: MouseEvent): void => {
      if (event.detail === 0) add(element());
      else edit.setTool(edit.tool === tool ? 'select' : tool);
    };
  const middle = (w: number, h: number): { x: number; y: number; w: number; h: number } => ({
    ...{ x: (STAGE.width - w) / 2, y: (STAGE.height - h) / 2, w, h },
  });
  return (
    <div
      role="toolbar"
      aria-label="Tray"
      className="shrink-0 border-t border-line bg-sheet px-5 pb-2"
    >
      <SelectionRow {...props} />
      <div className="flex gap-1 overflow-x-auto">
        <Add icon={Type} label="Text" onClick={() => add(textElement(slide, layer), true)} />
        <PicturePop
          label="Picture"
          trigger={<Add icon={Image} label="Picture" />}
          onPicture={({ asset, credit, alt }) =>
            add(pictureElement(slide, asset, layer === 'background', credit, alt))
          }
        />
        <AddFrom icon={Pentagon} label="Shape" width={340}>
          {(choose) => (
            <ShapeGallery
              onChoose={(shape: ShapeName) => {
                choose();
                add(shapeElement(slide, layer, shape));
              }}
            />
          )}
        </AddFrom>
        <Add
          icon={Spline}
          label="Line"
          isOn={edit.tool === 'line'}
          onClick={draw('line', () => ({ kind: 'line', layer: 'content', box: middle(240, 1) }))}
        />
        <Add
          icon={PenLine}
          label="Draw"
          isOn={edit.tool === 'pen' || edit.tool === 'marker' || edit.tool === 'rub'}
          onClick={() => edit.setTool(edit.tool === 'pen' ? 'select' : 'pen')}
        />
        <Add
          icon={SquareMousePointer}
          label="Hotspot"
          isOn={edit.tool === 'hotspot'}
          onClick={draw('hotspot', () => ({
            ...{ kind: 'hotspot', layer: 'content', box: middle(200, 140) },
          }))}
        />
        <Add icon={Hand} label="Piece" onClick={() => add(pieceElement(slide), true)} />
        <Add icon={Scan} label="Zone" onClick={() => add(zoneElement(slide))} />
        <AddFrom icon={CircleHelp} label="Question" width={180}>
          {(choose) => (
            <div className="flex flex-col" role="group" aria-label="Kinds of question">
              {QUESTION_KINDS.map((kind) => (
                <button
                  key={kind}
                  type="button"
                  onClick={() => {
                    choose();
                    add(questionElement(slide, kind, deck.language));
                  }}
                  className="min-h-9 rounded-[4px] px-2 text-left hover:bg-sand"
                >
                  {questionLabel(kind)}
                </button>
              ))}
            </div>
          )}
        </AddFrom>
        <AddFrom icon={Volume2} label="Sound" width={340}>
          {(choose) => (
            <SoundChoice
              onMedia={(media, name) => {
                choose();
                add(mediaElement(slide, media, name));
              }}
            />
          )}
        </AddFrom>
        <Add icon={Table} label="Table" onClick={() => add(tableElement(slide, layer), true)} />
        <Add
          icon={Focus}
          label="Close-up"
          isOn={edit.tool === 'closeup'}
          onClick={draw('closeup', () => ({
            ...{ kind: 'closeup', layer: 'content', box: middle(480, 270) },
          }))}
        />
      </div>
    </div>
  );
}

function Add({
  icon: Icon,
  label,
  isOn,
  ...rest
}: {
  icon: LucideIcon;
  label: string;
  isOn?: boolean;
} & ComponentPropsWithRef<'button'>): ReactElement {
  return (
    <button
      type="button"
      aria-pressed={isOn}
      {...rest}
      className="grid min-h-[54px] w-[76px] shrink-0 justify-items-center gap-1 rounded-[6px] py-1.5 text-[12.5px] hover:bg-sand aria-pressed:bg-petrol-mist data-[state=open]:bg-petrol-mist"
    >
      <Icon size={19} strokeWidth={1.7} aria-hidden />
      {label}
    </button>
  );
}

function AddFrom(props: {
  icon: LucideIcon;
  label: string;
  width: number;
  children: (choose: () => void) => ReactElement;
}): ReactElement {
  const { icon, label, width } = props;
  return (
    <Sheet label={label} width={width} trigger={<Add icon={icon} label={label} />}>
      {props.children}
    </Sheet>
  );
}
