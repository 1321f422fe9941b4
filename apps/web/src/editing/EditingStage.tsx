import {
  elementKind,
  fillCells,
  holdsMembers,
  inHandFor,
  isPiece,
  removeElements,
  STAGE,
  themeOn,
  titleOf,
  wordsOf,
  type DeckTheme,
  type ElementId,
  type Link,
  type RunCommand,
  type Slide,
  type SlideElement,
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
import { gripsFor } from '../elements/grips';
import type { GripProps } from '../elements/kind';
import { CropFrame } from '../elements/picture/CropFrame';
import { SlideThings } from '../stage/SlideView';
import { useNotices } from '../ui/Notice';
import { isTouchable, stepOut, type StageEdit } from './useStageEdit';
import { resizing, turning } from './arranging';
import { deskGesture } from './deskGesture';
import { NO_PREVIEW, previewed, type Preview } from './preview';
import { pulling } from './pulling';
import { RangeFrame } from './RangeFrame';
import { SelectionFrame } from './SelectionFrame';
import { SketchView } from './SketchView';
import { NO_SKETCH, type PenLook, type Sketch, type StageHands } from './StageHands';
import { dimmed, Invitation, isTooSmall, Pasteboard, RunsOver } from './StageMarks';
import { Target } from './Targets';
import { TypedElement } from './TypedElement';
import { useGestures } from './useGestures';
import type { ViewControl } from './useStageView';
import { useTouching } from './useTouching';

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
  theme: DeckTheme;
  links: readonly Link[];
  desk: RefObject<HTMLDivElement | null>;
  stage?: Ref<HTMLDivElement>;
  control: ViewControl;
  edit: StageEdit;
  pen?: PenLook;
  run: RunCommand;
  /** Things can be taken in hand, and not by their grips. */
  isLookedAt?: boolean;
  onEditor?: (editor: Editor | null) => void;
  /** Takes things off the slide; without it they go at once. */
  onRemove?: (ids: ElementId[]) => void;
  /** What an empty text says, where its layout has it say something of its own. */
  promptOf?: (element: SlideElement) => string | undefined;
  /** Under the targets, in slide units: places of the layout that wait for something. */
  children?: ReactNode;
}): ReactElement {
  const { doc, slide, links, control, edit, run, desk } = props;
  const theme = themeOn(slide, props.theme);
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
    doc,
    slide,
    theme,
    edit,
    scale,
    run,
    show,
    draw,
    touchable,
    inHand: (id) => inHandFor(slide.elements, id, entered),
    clear: () => {
      show(NO_PREVIEW);
      draw(NO_SKETCH);
    },
  };
  const remove = (ids: ElementId[]): void => {
    if (props.onRemove) props.onRemove(ids);
    else if (run(removeElements, slide.id, ids)) select([]);
  };

  const touching = useTouching(hands, gestures, remove);
  const onDeskDown = (event: PointerEvent): void => {
    const pen = props.pen ?? PEN;
    const gesture = deskGesture(event, { hands, gestures, control, pen, drawing });
    if (gesture) gestures.begin(event, gesture);
  };
  const onDeskKey = (event: KeyboardEvent): void => {
    if (event.key !== 'Escape') return;
    gestures.cancel();
    stepOut(slide, edit);
    event.preventDefault();
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
  const isWorking =
    !props.isLookedAt && typing === null && edit.cropping === null && tool === 'select';
  const Grips = isAlone ? gripsFor(one) : null;
  const pull: GripProps['pull'] = (event, pulled) =>
    gestures.begin(event, pulling(hands, gestures.placeOf(event), pulled));
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
        aria-label={`Stage: ${titleOf(slide)}`}
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
                hands={touching}
              />
            ),
          )}
        </div>
        {targets.map((element) =>
          element.kind === 'text' && element.id !== typing && wordsOf(element.text) === '' ? (
            <Invitation
              key={element.id}
              element={element}
              theme={theme}
              scale={scale}
              prompt={props.promptOf?.(element)}
            />
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
        {isWorking && isAlone && Grips && <Grips element={one} hands={hands} pull={pull} />}
        {isWorking && isAlone && isPiece(one) && one.piece.range && (
          <RangeFrame element={one} range={one.piece.range} hands={hands} pull={pull} />
        )}
        {picture?.kind === 'picture' && <CropFrame element={picture} hands={hands} pull={pull} />}
        <SketchView sketch={sketch} theme={theme} scale={scale} />
        {typing && (
          <TypedElement
            doc={doc}
            slide={moved}
            typing={typing}
            theme={theme}
            links={links}
            scale={scale}
            onEditor={props.onEditor}
            onEnd={endTyping}
            onRefused={trouble}
            onCells={(cells, at) => run(fillCells, slide.id, typing, cells, at)}
          />
        )}
      </div>
    </div>
  );
}

/** Regions lie beneath what is in them, the larger ones lowest, and groups beneath their members. */
function inTargetOrder(elements: readonly SlideElement[]): SlideElement[] {
  const depth = (one: SlideElement): number =>
    elementKind(one.kind).isRegion ? one.box.w * one.box.h + 1 : holdsMembers(one) ? 1 : 0;
  return [...elements].sort((a, b) => depth(b) - depth(a));
}
