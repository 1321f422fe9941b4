import {
  groupsAround,
  type ElementId,
  type Layer,
  type Slide,
  type SlideElement,
  type SlideId,
} from '@gobrel/core';
import { useCallback, useEffect, useMemo, useState } from 'react';

/** What the next press on the stage does. All but `select` draw something. */
export type Tool = 'select' | 'line' | 'pen' | 'marker' | 'rub' | 'hotspot' | 'closeup';

/** What the editor of one slide has in hand: layer, selection, tool, the text being typed. */
export interface StageEdit {
  layer: Layer;
  setLayer: (layer: Layer) => void;
  selected: SlideElement[];
  select: (ids: ElementId[]) => void;
  /** The group that was stepped into: its members are touched one by one. */
  entered: ElementId | null;
  enter: (groupId: ElementId | null) => void;
  /** Takes in hand what has just been put on the stage, and starts typing if asked. */
  takeNew: (ids: readonly ElementId[], layer: Layer, isTyping?: boolean) => void;
  /** How often something new was taken in hand: each time it gets the focus. */
  taken: number;
  /** The element whose words are being typed. */
  typing: ElementId | null;
  type: (id: ElementId | null) => void;
  /** The picture that is being cropped. */
  cropping: ElementId | null;
  crop: (id: ElementId | null) => void;
  /** The question whose parts and key are being edited. */
  asking: ElementId | null;
  ask: (id: ElementId | null) => void;
  tool: Tool;
  setTool: (tool: Tool) => void;
}

/** Whether a layer can be touched while another is stepped into: scenery only from within. */
export function isTouchable(element: SlideElement, layer: Layer): boolean {
  return layer === 'background' ? element.layer === 'background' : element.layer !== 'background';
}

interface InHand {
  slideId: SlideId;
  layer: Layer;
  ids: readonly ElementId[];
  entered: ElementId | null;
  typing: ElementId | null;
  cropping: ElementId | null;
  asking: ElementId | null;
  tool: Tool;
  taken: number;
}

const nothing = (slideId: SlideId, layer: Layer = 'content'): InHand => ({
  slideId,
  layer,
  ids: [],
  entered: null,
  typing: null,
  cropping: null,
  tool: 'select',
  asking: null,
  taken: 0,
});

const LOOKING = {
  typing: null,
  cropping: null,
  asking: null,
  tool: 'select',
} as const satisfies Partial<InHand>;

/** Where nothing may be changed, things are taken in hand to be looked at, and nothing else. */
export function useStageEdit(slide: Slide, isOpen = true): StageEdit {
  const [kept, setInHand] = useState(() => nothing(slide.id));
  const isHere = kept.slideId === slide.id;
  const hand = { ...(isHere ? kept : nothing(slide.id)), ...(isOpen ? {} : LOOKING) };
  useEffect(() => {
    if (!isHere) setInHand(nothing(slide.id));
  }, [isHere, slide.id]);

  const change = useCallback(
    (next: Partial<InHand> | ((old: InHand) => Partial<InHand>)) =>
      setInHand((old) => {
        const now = old.slideId === slide.id ? old : nothing(slide.id);
        return { ...now, ...(typeof next === 'function' ? next(now) : next) };
      }),
    [slide.id],
  );
  const { elements } = slide;
  const selected = useMemo(
    () => elements.filter(({ id }) => hand.ids.includes(id)),
    [elements, hand.ids],
  );
  const select = useCallback(
    (ids: ElementId[]) =>
      change((old) => {
        const first = elements.find(({ id }) => id === ids[0]);
        const isWithin = ids.every(
          (id) => old.entered && groupsAround(elements, id).includes(old.entered),
        );
        return {
          ids,
          layer: first?.layer ?? old.layer,
          entered: ids.length === 0 || isWithin ? old.entered : (first?.groupId ?? null),
          typing: old.typing && ids.includes(old.typing) ? old.typing : null,
          cropping: old.cropping && ids.includes(old.cropping) ? old.cropping : null,
          asking: old.asking && ids.includes(old.asking) ? old.asking : null,
        };
      }),
    [change, elements],
  );
  const setLayer = useCallback(
    (layer: Layer) => change(nothing(slide.id, layer)),
    [change, slide.id],
  );
  const takeNew = useCallback(
    (ids: readonly ElementId[], layer: Layer, isTyping = false) =>
      change(({ taken }) => ({
        ...nothing(slide.id, layer),
        ids,
        typing: isTyping ? (ids[0] ?? null) : null,
        taken: taken + 1,
      })),
    [change, slide.id],
  );
  const enter = useCallback((entered: ElementId | null) => change({ entered, ids: [] }), [change]);
  const type = useCallback((typing: ElementId | null) => change({ typing }), [change]);
  const crop = useCallback((cropping: ElementId | null) => change({ cropping }), [change]);
  const ask = useCallback((asking: ElementId | null) => change({ asking }), [change]);
  const setTool = useCallback(
    (tool: Tool) =>
      change(tool === 'select' ? { tool } : { tool, ids: [], typing: null, cropping: null }),
    [change],
  );
  const there = (id: ElementId | null): ElementId | null =>
    elements.some((element) => element.id === id) ? id : null;
  return {
    layer: hand.layer,
    setLayer,
    selected,
    select,
    enter,
    takeNew,
    type,
    crop,
    ask,
    setTool,
    tool: hand.tool,
    taken: hand.taken,
    entered: there(hand.entered),
    typing: there(hand.typing),
    cropping: there(hand.cropping),
    asking: there(hand.asking),
  };
}

export const LAYER_NAMES: Record<Layer, string> = {
  background: 'Background',
  content: 'Content',
  pieces: 'Pieces',
};

/** One step out of what is being done: of the text, the tool, the crop, the group; then nothing is in hand any more. */
export function stepOut(slide: Slide, edit: StageEdit): void {
  const { entered } = edit;
  if (edit.typing) edit.type(null);
  else if (edit.tool !== 'select') edit.setTool('select');
  else if (edit.cropping) edit.crop(null);
  else if (entered) {
    edit.enter(groupsAround(slide.elements, entered)[0] ?? null);
    edit.select([entered]);
  } else edit.select([]);
}
