import {
  addElement,
  groupsAround,
  inHandFor,
  isPiece,
  removeElements,
  setPlaces,
  movedBy,
  STAGE,
  textHeight,
  textPadding,
  textType,
  wordsOf,
  type ElementId,
  type InkStroke,
  type Link,
  type Result,
  type Slide,
  type SlideElement,
  type TextElement,
  type TextStyle,
  type ThemeName,
} from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import {
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactElement,
  type ReactNode,
  type Ref,
  type RefObject,
} from 'react';
import type * as Y from 'yjs';
import { boxStyle } from '../../stage/ElementView';
import { SlideThings } from '../../stage/SlideView';
import { typeCss } from '../../stage/type';
import { useNotices } from '../../ui/Notice';
import { useStable } from '../../ui/useStable';
import { isTouchable, type StageEdit } from '../useStageEdit';
import { drawingBox, framing, moving, resizing, turning, underneath } from './arranging';
import { ColumnGrips, CropFrame, LineGrips, RangeFrame, ShapeGrips, shapeOf } from './Grips';
import { NO_PREVIEW, previewed, type Preview } from './preview';
import { SelectionFrame } from './SelectionFrame';
import {
  cropping,
  drawingLine,
  drawingStroke,
  pullingColumn,
  pullingLine,
  pullingRange,
  pullingShape,
  rubbing,
  withoutPoint,
} from './shaping';
import { SketchView } from './SketchView';
import { NO_SKETCH, type Sketch, type StageHands } from './StageHands';
import { Target, type TargetHands } from './Targets';
import { TypedElement } from './TypedElement';
import { useGestures } from './useGestures';
import type { ViewControl } from './useStageView';

export type PenLook = Pick<InkStroke, 'colour' | 'weight' | 'isMarker'>;
const PEN: PenLook = { colour: '', weight: 5, isMarker: false };

/**
 * The stage while editing: the slide drawn still, and over it a target for everything that can be touched.
 * Used for a teacher's slide and for a student's leaf. Links never fire here. It fills its frame; around the stage is
 * the pasteboard.
 */
export function EditingStage(props: {
  doc: Y.Doc;
  slide: Slide;
  /** Drawn beneath and never touched: a leaf's scenery. */
  drawn?: Slide;
  theme: ThemeName;
  links: readonly Link[];
  desk: RefObject<HTMLDivElement | null>;
  stage?: Ref<HTMLDivElement>;
  control: ViewControl;
  edit: StageEdit;
  pen?: PenLook;
  run: <T extends object>(result: Result<T>) => T | null;
  onEditor?: (editor: Editor | null) => void;
  /** Takes things off the slide; without it they go at once. */
  onRemove?: (ids: ElementId[]) => void;
  onKey?: (event: KeyboardEvent) => boolean;
  /** Under the targets, in slide units: places of the layout that wait for something. */
  children?: ReactNode;
}): ReactElement {
  const { doc, slide, links, control, edit, run, desk } = props;
  const theme = slide.theme || props.theme;
  const { scale } = control.view;
  const { trouble } = useNotices();
  const [preview, show] = useState<Preview>(NO_PREVIEW);
  const [sketch, draw] = useState<Sketch>(NO_SKETCH);
  /** The drawing that the pen goes on with. */
  const drawing = useRef<ElementId | null>(null);
  const gestures = useGestures(desk, control);
  const { selected, select, typing, type, layer, entered, tool } = edit;
  const moved = useMemo(() => previewed(slide, preview), [slide, preview]);
  const drawn = useMemo(
    () => previewed(props.drawn ?? slide, preview),
    [props.drawn, slide, preview],
  );
  const touchable = useMemo(
    () => moved.elements.filter((element) => isTouchable(element, layer)),
    [moved, layer],
  );
  const hands: StageHands = {
    ...{ doc, slide, theme, edit, scale, run, show, draw, touchable },
    inHand: (id) => inHandFor(slide.elements, id, entered),
    clear: () => {
      show(NO_PREVIEW);
      draw(NO_SKETCH);
    },
  };
  const remove = (ids: ElementId[]): void => {
    if (props.onRemove) props.onRemove(ids);
    else if (run(removeElements(doc, slide.id, ids))) select([]);
  };

  /** A press that does not become a move: what lies behind with Alt, typing on the one text in hand. */
  const pressed = (
    event: PointerEvent,
    element: SlideElement,
    id: ElementId,
    wasAlone: boolean,
  ): void => {
    if (event.altKey) {
      const ids = underneath(hands, gestures.placeOf(event));
      const now = selected[0]?.id ?? id;
      const next = ids[(ids.indexOf(now) + 1) % ids.length];
      if (next) select([next]);
    } else if (wasAlone && 'text' in element && id === element.id && !element.isLocked) type(id);
    else if (selected.length > 1 && !event.shiftKey) select([id]);
  };
  const press = (event: PointerEvent, element: SlideElement): void => {
    if (event.button !== 0 || tool !== 'select') return;
    const id = inHandFor(slide.elements, element.id, entered);
    // Outside of the group that was stepped into: that leaves it.
    const target = id ?? inHandFor(slide.elements, element.id, null);
    if (!target) return;
    const ids = selected.map((one) => one.id);
    const isIn = ids.includes(target);
    if (event.shiftKey) {
      event.stopPropagation();
      select(isIn ? ids.filter((one) => one !== target) : [...ids, target]);
      return;
    }
    if (!isIn && !event.altKey) select([target]);
    const held = isIn ? selected : slide.elements.filter((one) => one.id === target);
    const wasAlone = isIn && selected.length === 1;
    gestures.begin(
      event,
      moving({ ...hands }, gestures.placeOf(event), held, (up) =>
        pressed(up, element, target, wasAlone),
      ),
    );
  };
  const open = (element: SlideElement): void => {
    const id = inHandFor(slide.elements, element.id, entered);
    const group = slide.elements.find((one) => one.id === id && one.kind === 'group');
    if (group) {
      edit.enter(group.id);
      const inner = inHandFor(slide.elements, element.id, group.id);
      if (inner && inner !== group.id) select([inner]);
    } else if (element.isLocked) trouble('It is locked. Let it go first.');
    else if (element.kind === 'picture') edit.crop(element.id);
    else if ('text' in element) type(element.id);
  };
  const onKeyDown = (event: KeyboardEvent, element: SlideElement): void => {
    const chosen = selected.some((one) => one.id === element.id) ? selected : [element];
    const ids = chosen.map((one) => one.id);
    const nudge = nudgeOf(event);
    if (nudge) {
      run(setPlaces(doc, slide.id, movedBy(slide.elements, ids, ...nudge)));
    } else if (event.key === 'Enter' || event.key === 'F2') {
      select([element.id]);
      open(element);
    } else if (event.key === ' ') {
      const isIn = selected.some((one) => one.id === element.id);
      if (!event.shiftKey) select([element.id]);
      else if (isIn) select(selected.map(({ id }) => id).filter((id) => id !== element.id));
      else select([...selected.map(({ id }) => id), element.id]);
    } else if (event.key === 'Delete' || event.key === 'Backspace') remove(ids);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const targetHands = useStableHands({
    press,
    open,
    key: onKeyDown,
    focus: (element) => {
      if (!selected.some(({ id }) => id === element.id)) select([element.id]);
    },
  });

  const onDeskDown = (event: PointerEvent): void => {
    if (event.button === 1) {
      const from = { x: event.clientX, y: event.clientY };
      gestures.begin(event, {
        move: (_at, now) => {
          control.panBy(now.clientX - from.x, now.clientY - from.y);
          [from.x, from.y] = [now.clientX, now.clientY];
        },
        end: () => undefined,
      });
      return;
    }
    if (event.button !== 0) return;
    const at = gestures.placeOf(event);
    const done = (id: ElementId): void => edit.takeNew([id], layer);
    switch (tool) {
      case 'select':
        edit.crop(null);
        type(null);
        // Beside the group that was stepped into: that leaves it.
        if (entered && !event.shiftKey) edit.enter(null);
        return gestures.begin(event, framing(hands, at));
      case 'line':
        return gestures.begin(event, drawingLine(hands, at, done));
      case 'pen':
      case 'marker':
        return gestures.begin(
          event,
          drawingStroke(hands, at, event, props.pen ?? PEN, drawing.current, (id) => {
            drawing.current = id;
          }),
        );
      case 'rub':
        return gestures.begin(event, rubbing(hands, at));
      case 'hotspot':
      case 'closeup': {
        const standard = tool === 'hotspot' ? { w: 200, h: 140 } : { w: 480, h: 270 };
        return gestures.begin(
          event,
          drawingBox(hands, at, standard, (box) => {
            const added = run(addElement(doc, slide.id, { kind: tool, layer: 'content', box }));
            if (added) done(added.elementId);
          }),
        );
      }
    }
  };
  const onDeskKey = (event: KeyboardEvent): void => {
    if (props.onKey?.(event)) return;
    if (event.key !== 'Escape') return;
    gestures.cancel();
    if (tool !== 'select') edit.setTool('select');
    else if (edit.cropping) edit.crop(null);
    else if (entered) {
      const outer = groupsAround(slide.elements, entered)[0] ?? null;
      const group = entered;
      edit.enter(outer);
      select([group]);
    } else select([]);
  };
  // A drawing ends with the tool.
  useLayoutEffect(() => {
    if (tool !== 'pen' && tool !== 'marker') drawing.current = null;
  }, [tool, slide.id]);

  // What is new has the focus: the next key is meant for it.
  const { taken } = edit;
  const newest = selected[0]?.id;
  useEffect(() => {
    if (taken === 0 || !newest) return;
    const target = desk.current?.querySelector(`[data-target="${CSS.escape(newest)}"]`);
    if (target instanceof HTMLElement) target.focus({ preventScroll: true });
    // Only when something was added, not with every selection.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [taken]);

  const inHand = moved.elements.filter(({ id }) => selected.some((one) => one.id === id));
  const [one, ...more] = inHand;
  const isAlone = one !== undefined && more.length === 0;
  const isWorking = typing === null && edit.cropping === null && tool === 'select';
  const picture = moved.elements.find(({ id }) => id === edit.cropping);
  const linked = useMemo(
    () =>
      new Set(links.flatMap(({ carrier }) => (carrier.kind === 'none' ? [] : carrier.elementId))),
    [links],
  );
  const targets = useMemo(() => inTargetOrder(touchable), [touchable]);
  const liftedFrom = useMemo(() => {
    if (preview === NO_PREVIEW) return undefined;
    const boxes = new Map(
      slide.elements.flatMap(({ id, box }) => (preview[id]?.box ? [[id, box] as const] : [])),
    );
    return ({ id }: SlideElement) => boxes.get(id);
  }, [preview, slide]);
  const isTyped = useCallback((element: SlideElement) => element.id === typing, [typing]);
  const endTyping = useCallback(() => type(null), [type]);
  const { x, y } = control.view;
  return (
    <div
      ref={desk}
      onPointerDown={onDeskDown}
      onKeyDown={onDeskKey}
      {...gestures.handlers}
      data-tool={tool}
      className={`absolute inset-0 touch-none select-none overflow-hidden ${tool === 'select' ? '' : 'cursor-crosshair'}`}
    >
      <div
        ref={props.stage}
        role="group"
        aria-label={`Stage: ${slide.title || 'Untitled'}`}
        className="absolute top-0 left-0 origin-top-left"
        style={{
          width: STAGE.width,
          height: STAGE.height,
          transform: `translate(${x}px, ${y}px) scale(${scale})`,
        }}
      >
        <SlideThings
          liftedFrom={liftedFrom}
          slide={drawn}
          theme={props.theme}
          links={links}
          scale={scale}
          isHidden={isTyped}
          renderElement={layer === 'background' ? dimmed : undefined}
        />
        <Pasteboard scale={scale} isOnBackground={layer === 'background'} />
        {props.children}
        <div className={tool === 'select' ? undefined : 'pointer-events-none'}>
          {targets.map((element) =>
            element.id === typing || element.id === edit.cropping ? null : (
              <Target
                key={element.id}
                element={element}
                isSelected={inHand.includes(element)}
                isLinked={linked.has(element.id)}
                isMember={element.groupId !== null && element.groupId !== entered}
                liftedFrom={liftedFrom?.(element)}
                scale={scale}
                hands={targetHands}
              />
            ),
          )}
        </div>
        {targets.map((element) =>
          element.kind === 'text' && element.id !== typing && wordsOf(element.text) === '' ? (
            <Invitation key={element.id} element={element} theme={theme} scale={scale} />
          ) : null,
        )}
        {targets.map((element) =>
          element.kind === 'text' && element.id !== typing && isTooSmall(element, theme) ? (
            <RunsOver key={element.id} element={element} scale={scale} />
          ) : null,
        )}
        {isWorking && (
          <SelectionFrame
            selected={inHand}
            before={preview === NO_PREVIEW ? undefined : selected}
            scale={scale}
            onResize={(event, handle) =>
              gestures.begin(event, resizing(hands, gestures.placeOf(event), selected, handle))
            }
            onTurn={(event) =>
              gestures.begin(event, turning(hands, gestures.placeOf(event), selected))
            }
          />
        )}
        {isWorking && isAlone && one.kind === 'line' && (
          <LineGrips
            line={one}
            scale={scale}
            onPull={(event, index, isNew) =>
              gestures.begin(event, pullingLine(hands, one, index, isNew))
            }
            onTakeOut={(index) => withoutPoint(hands, one, index)}
          />
        )}
        {isWorking && isAlone && (
          <ShapeGrips
            element={one}
            scale={scale}
            onPull={(event, index) => {
              const shaped = shapeOf(one);
              if (shaped)
                gestures.begin(event, pullingShape(hands, shaped.element, shaped.shape, index));
            }}
          />
        )}
        {isWorking && isAlone && one.kind === 'table' && (
          <ColumnGrips
            table={one}
            scale={scale}
            onPull={(event, index) => gestures.begin(event, pullingColumn(hands, one, index))}
          />
        )}
        {isWorking && isAlone && isPiece(one) && one.piece.range && (
          <RangeFrame
            piece={one}
            range={one.piece.range}
            scale={scale}
            onPull={(event, handle) =>
              gestures.begin(
                event,
                pullingRange(hands, one, one.piece.range!, gestures.placeOf(event), handle),
              )
            }
          />
        )}
        {picture?.kind === 'picture' && (
          <CropFrame
            picture={picture}
            scale={scale}
            onPull={(event, handle) =>
              gestures.begin(event, cropping(hands, picture, gestures.placeOf(event), handle))
            }
          />
        )}
        <SketchView sketch={sketch} theme={theme} scale={scale} />
        {typing && (
          <TypedElement
            {...{ doc, slide: moved, typing, theme, links, scale }}
            onEditor={props.onEditor}
            onEnd={endTyping}
            onRefused={trouble}
          />
        )}
      </div>
    </div>
  );
}

function nudgeOf(event: KeyboardEvent): [number, number] | null {
  if (event.ctrlKey || event.metaKey || event.altKey) return null;
  const step = event.shiftKey ? 10 : 1;
  const by: Record<string, [number, number]> = {
    ArrowLeft: [-step, 0],
    ArrowRight: [step, 0],
    ArrowUp: [0, -step],
    ArrowDown: [0, step],
  };
  return by[event.key] ?? null;
}

/** The same functions for as long as the stage is open, with what they know always the latest. */
function useStableHands(hands: TargetHands): TargetHands {
  const press = useStable(hands.press);
  const open = useStable(hands.open);
  const focus = useStable(hands.focus);
  const key = useStable(hands.key);
  return useMemo(() => ({ press, open, focus, key }), [press, open, focus, key]);
}

/** Large areas lie beneath what is in them, groups beneath their members. */
function inTargetOrder(elements: readonly SlideElement[]): SlideElement[] {
  const rank = ({ kind }: SlideElement): number =>
    kind === 'closeup' ? 0 : kind === 'zone' ? 1 : kind === 'group' ? 2 : 3;
  return [...elements].sort((a, b) => rank(a) - rank(b));
}

/** While the background is worked on, what lies over it is only hinted at. */
const dimmed = (element: SlideElement, drawn: ReactElement): ReactElement =>
  element.layer === 'background' ? (
    drawn
  ) : (
    <div key={element.id} className="pointer-events-none opacity-20">
      {drawn}
    </div>
  );

/** Around the stage: what lies here is spare and never shown. */
function Pasteboard(props: { scale: number; isOnBackground: boolean }): ReactElement {
  const far = 20_000;
  const { width, height } = STAGE;
  const veil = 'pointer-events-none absolute bg-sand/70';
  return (
    <div aria-hidden>
      <div className={veil} style={{ left: -far, top: -far, width: 2 * far, height: far }} />
      <div className={veil} style={{ left: -far, top: height, width: 2 * far, height: far }} />
      <div className={veil} style={{ left: -far, top: 0, width: far, height }} />
      <div className={veil} style={{ left: width, top: 0, width: far, height }} />
      <div
        className="pointer-events-none absolute inset-0"
        style={{
          outline: props.isOnBackground
            ? `${3 / props.scale}px solid var(--color-brass)`
            : `${1 / props.scale}px solid var(--color-line)`,
        }}
      />
    </div>
  );
}

const INVITATIONS: Record<TextStyle, string> = {
  title: 'A title goes here',
  subtitle: 'A subtitle goes here',
  heading: 'A heading goes here',
  body: 'Text goes here',
  caption: 'A caption goes here',
  choice: 'A choice goes here',
};

/** An empty text would not be seen: it invites to write, on the stage only. */
function Invitation(props: {
  element: Extract<SlideElement, { kind: 'text' }>;
  theme: ThemeName;
  scale: number;
}): ReactElement {
  const { element, theme, scale } = props;
  return (
    <span
      aria-hidden
      className="pointer-events-none block overflow-hidden border-dashed border-current opacity-55"
      style={{
        ...boxStyle(element.box, element.rotation),
        ...typeCss(textType(element, theme)),
        borderWidth: 1.5 / scale,
      }}
    >
      {INVITATIONS[element.style]}
    </span>
  );
}

/** Whether the words of a text with a fixed box need more room than it has. Half a line is let be. */
function isTooSmall(element: TextElement, theme: ThemeName): boolean {
  if (element.fit !== 'fixed') return false;
  const type = textType(element, theme);
  const padding = textPadding(element, theme);
  const height = textHeight(element.text, element.box.w - 2 * padding, type, element.columns);
  return height > element.box.h + (type.size * type.leading) / 2;
}

function RunsOver({ element, scale }: { element: TextElement; scale: number }): ReactElement {
  return (
    <div
      className="pointer-events-none border-brass"
      style={{ ...boxStyle(element.box, element.rotation), borderBottomWidth: 3 / scale }}
    >
      <span
        role="note"
        className="absolute top-full right-0 rounded-b-[3px] bg-brass px-1.5 text-white"
        style={{ fontSize: 11 / scale, lineHeight: 1.6 }}
      >
        words run out of the box
      </span>
    </div>
  );
}
