import {
  duplicateElements,
  elementOf,
  fragmentOf,
  HANDLES,
  removeElements,
  resize,
  setBoxes,
  snap,
  STAGE,
  type Box,
  type ElementId,
  type Guide,
  type Handle,
  type Link,
  type Result,
  type Slide,
  type SlideElement,
  type TextStyle,
  type ThemeName,
  wordsOf,
} from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import {
  useCallback,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactElement,
} from 'react';
import type * as Y from 'yjs';
import { boxStyle, ElementView } from '../stage/ElementView';
import { RichTextEditor } from '../stage/RichTextEditor';
import { SlideView } from '../stage/SlideView';
import { textStyle } from '../stage/theme';
import { labelOf } from './labelOf';
import { isTouchable, withBoxes, type StageEdit } from './useStageEdit';

interface Drag {
  pointerId: number;
  startX: number;
  startY: number;
  handle: Handle | null;
  from: Record<ElementId, Box>;
  hasMoved: boolean;
  /** A press on the one selected text that does not turn into a drag starts typing. */
  thenType: ElementId | null;
}

/**
 * The stage while editing: the slide drawn still, and over it a target for everything that can be touched.
 * Used for a teacher's slide and for a student's leaf. Links never fire here.
 */
export function EditingStage(props: {
  doc: Y.Doc;
  slide: Slide;
  /** Drawn beneath and never touched: a leaf's scenery. */
  drawn?: Slide;
  theme: ThemeName;
  links: readonly Link[];
  width: number;
  edit: StageEdit;
  run: <T extends object>(result: Result<T>) => T | null;
  onEditor?: (editor: Editor | null) => void;
  /** Takes things off the slide; without it they go at once. */
  onRemove?: (ids: ElementId[]) => void;
}): ReactElement {
  const { doc, slide, theme, links, width, edit, run } = props;
  const scale = width / STAGE.width;
  const [boxes, setBoxesNow] = useState<Record<ElementId, Box>>({});
  const [guides, setGuides] = useState<Guide[]>([]);
  const drag = useRef<Drag | null>(null);
  const { selected, select, typing, type, layer } = edit;
  const moved = useMemo(() => withBoxes(slide, boxes), [slide, boxes]);
  const drawn = useMemo(() => withBoxes(props.drawn ?? slide, boxes), [props.drawn, slide, boxes]);
  const touchable = moved.elements.filter((element) => isTouchable(element, layer));

  const start = (
    event: PointerEvent,
    elements: SlideElement[],
    handle: Handle | null,
    thenType: ElementId | null = null,
  ): void => {
    if (event.button !== 0) return;
    event.stopPropagation();
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    drag.current = {
      pointerId: event.pointerId,
      startX: event.clientX,
      startY: event.clientY,
      handle,
      from: Object.fromEntries(elements.map((element) => [element.id, element.box])),
      hasMoved: false,
      thenType,
    };
  };

  const move = (event: PointerEvent): void => {
    const now = drag.current;
    if (!now || now.pointerId !== event.pointerId) return;
    const dx = (event.clientX - now.startX) / scale;
    const dy = (event.clientY - now.startY) / scale;
    if (!now.hasMoved && Math.hypot(dx, dy) * scale < 3) return;
    now.hasMoved = true;
    const ids = Object.keys(now.from);
    const others = slide.elements
      .filter((e) => !ids.includes(e.id) && isTouchable(e, layer))
      .map((e) => e.box);
    if (now.handle) {
      const [id = ''] = ids;
      const element = slide.elements.find((candidate) => candidate.id === id);
      const keeps = (element?.kind === 'picture') !== event.shiftKey;
      setBoxesNow({ [id]: rounded(resize(now.from[id]!, now.handle, dx, dy, keeps)) });
      return;
    }
    const lead = now.from[ids[0]!]!;
    const wanted = { ...lead, x: lead.x + dx, y: lead.y + dy };
    const snapped = event.altKey ? { box: wanted, guides: [] } : snap(wanted, others, 6 / scale);
    const [byX, byY] = [snapped.box.x - lead.x, snapped.box.y - lead.y];
    setGuides(snapped.guides);
    setBoxesNow(
      Object.fromEntries(
        ids.map((id) => [
          id,
          rounded({ ...now.from[id]!, x: now.from[id]!.x + byX, y: now.from[id]!.y + byY }),
        ]),
      ),
    );
  };

  const end = (): void => {
    const now = drag.current;
    drag.current = null;
    setGuides([]);
    if (now?.hasMoved) {
      run(
        setBoxes(
          doc,
          slide.id,
          Object.entries(boxes).map(([elementId, box]) => ({ elementId, box })),
        ),
      );
    } else if (now?.thenType) type(now.thenType);
    setBoxesNow({});
  };

  const press = (event: PointerEvent, element: SlideElement): void => {
    const isIn = selected.some((candidate) => candidate.id === element.id);
    if (event.shiftKey) {
      select(
        isIn
          ? selected.map((e) => e.id).filter((id) => id !== element.id)
          : [...selected.map((e) => e.id), element.id],
      );
      return;
    }
    const elements = isIn ? selected : [element];
    if (!isIn) select([element.id]);
    const isTheOne = isIn && selected.length === 1 && 'text' in element;
    start(event, elements, null, isTheOne ? element.id : null);
  };

  const remove = (ids: ElementId[]): void => {
    if (props.onRemove) props.onRemove(ids);
    else if (run(removeElements(doc, slide.id, ids))) select([]);
  };

  const onKeyDown = (event: KeyboardEvent, element: SlideElement): void => {
    const step = event.shiftKey ? 10 : 1;
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const chosen = selected.some((e) => e.id === element.id) ? selected : [element];
    const ids = chosen.map((e) => e.id);
    const nudge = by[event.key];
    if (nudge) {
      run(
        setBoxes(
          doc,
          slide.id,
          chosen.map(({ id, box }) => ({
            elementId: id,
            box: { ...box, x: box.x + nudge[0], y: box.y + nudge[1] },
          })),
        ),
      );
    } else if (event.key === 'Enter' || event.key === 'F2') {
      if ('text' in element) type(element.id);
      select([element.id]);
    } else if (event.key === ' ') select([element.id]);
    else if (event.key === 'Delete' || event.key === 'Backspace') remove(ids);
    else if (event.key === 'Escape') select([]);
    else if (event.key.toLowerCase() === 'd' && (event.ctrlKey || event.metaKey)) {
      const copies = run(duplicateElements(doc, slide.id, ids));
      if (copies) select(copies.elementIds);
    } else return;
    event.preventDefault();
  };

  const endTyping = useCallback(() => type(null), [type]);
  const one =
    selected.length === 1 ? moved.elements.find((e) => e.id === selected[0]!.id) : undefined;
  const handle = 12 / scale;

  const overlay = (
    <div className="absolute inset-0" onPointerMove={move} onPointerUp={end} onPointerCancel={end}>
      {touchable.map((element) => {
        const isSelected = selected.some((candidate) => candidate.id === element.id);
        if (typing === element.id) return null;
        return (
          <div
            key={element.id}
            role="button"
            tabIndex={0}
            aria-label={labelOf(element)}
            aria-pressed={isSelected}
            onPointerDown={(event) => press(event, element)}
            onFocus={(event) =>
              event.currentTarget.matches(':focus-visible') && !isSelected && select([element.id])
            }
            onDoubleClick={() => 'text' in element && type(element.id)}
            onKeyDown={(event) => onKeyDown(event, element)}
            className="touch-none hover:outline-petrol"
            style={{
              ...boxStyle(element.box),
              cursor: 'move',
              outline: isSelected
                ? `${2 / scale}px solid var(--color-petrol)`
                : links.some((l) => l.carrier.kind !== 'none' && l.carrier.elementId === element.id)
                  ? `${1 / scale}px dashed var(--color-ember)`
                  : undefined,
              outlineOffset: 1 / scale,
            }}
          >
            <EmptyText element={element} theme={theme} />
            {element.kind === 'hotspot' && (
              <span
                className="pointer-events-none block size-full border-2 border-dashed border-ember bg-ember/5"
                style={{ borderRadius: element.shape === 'ellipse' ? '50%' : 4 }}
              />
            )}
          </div>
        );
      })}
      {one && typing !== one.id && (
        <div className="pointer-events-none" style={boxStyle(one.box)}>
          {HANDLES.map((name) => (
            <div
              key={name}
              data-handle={name}
              onPointerDown={(event) => start(event, [one], name)}
              className="pointer-events-auto absolute touch-none border-petrol bg-sheet"
              style={{
                width: handle,
                height: handle,
                borderWidth: 2 / scale,
                cursor: `${name}-resize`,
                left: name.includes('w') ? 0 : name.includes('e') ? '100%' : '50%',
                top: name.includes('n') ? 0 : name.includes('s') ? '100%' : '50%',
                transform: 'translate(-50%, -50%)',
              }}
            />
          ))}
        </div>
      )}
      {guides.map((guide) => (
        <div
          key={`${guide.axis}${guide.at}`}
          className="pointer-events-none absolute bg-brass"
          style={
            guide.axis === 'x'
              ? { left: guide.at, top: 0, width: 1 / scale, height: STAGE.height }
              : { top: guide.at, left: 0, height: 1 / scale, width: STAGE.width }
          }
        />
      ))}
      {typing && (
        <TypedElement
          {...{ doc, slide: moved, typing, theme, links, scale }}
          onEditor={props.onEditor}
          onEnd={endTyping}
        />
      )}
    </div>
  );

  return (
    <div
      onPointerDown={() => select([])}
      className="relative"
      style={layer === 'background' ? { outline: '3px solid var(--color-brass)' } : undefined}
    >
      <SlideView
        slide={drawn}
        theme={theme}
        links={links}
        width={width}
        label={`Stage: ${slide.title || 'Untitled'}`}
        isHidden={(element) => element.id === typing}
        overlay={overlay}
      />
    </div>
  );
}

const INVITATIONS: Record<TextStyle, string> = {
  title: 'A title goes here',
  heading: 'A heading goes here',
  body: 'Text goes here',
  caption: 'A caption goes here',
  choice: 'A choice goes here',
};

/** An empty text would not be seen: it invites to write, on the stage only. */
function EmptyText({
  element,
  theme,
}: {
  element: SlideElement;
  theme: ThemeName;
}): ReactElement | null {
  if (element.kind !== 'text' || wordsOf(element.text) !== '') return null;
  return (
    <span
      className="pointer-events-none block size-full border-2 border-dashed border-current/40 opacity-60"
      style={textStyle(element.style, theme, element.colour)}
    >
      {INVITATIONS[element.style]}
    </span>
  );
}

/** The element whose words are being typed, drawn with the text editor in it. */
function TypedElement(props: {
  doc: Y.Doc;
  slide: Slide;
  typing: ElementId;
  theme: ThemeName;
  links: readonly Link[];
  scale: number;
  onEditor?: (editor: Editor | null) => void;
  onEnd: () => void;
}): ReactElement | null {
  const { doc, slide, typing } = props;
  const element = slide.elements.find((candidate) => candidate.id === typing);
  const shared = elementOf(doc, slide.id, typing);
  const fragment = shared && fragmentOf(shared);
  if (!element || !fragment) return null;
  return (
    <div
      onPointerDown={(event) => event.stopPropagation()}
      className="[&>div]:outline-2 [&>div]:outline-offset-2 [&>div]:outline-petrol [&>div]:outline-dashed"
    >
      <ElementView
        element={element}
        theme={props.theme}
        scale={props.scale}
        links={props.links}
        words={
          <RichTextEditor
            fragment={fragment}
            label={labelOf(element)}
            onEditor={props.onEditor}
            onEnd={props.onEnd}
          />
        }
      />
    </div>
  );
}

const rounded = (box: Box): Box => ({
  x: Math.round(box.x),
  y: Math.round(box.y),
  w: Math.round(box.w),
  h: Math.round(box.h),
});
