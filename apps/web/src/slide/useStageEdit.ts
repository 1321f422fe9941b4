import { type Box, type ElementId, type Layer, type Slide, type SlideElement } from '@gobrel/core';
import { useCallback, useEffect, useMemo, useState } from 'react';

/** What the editor of one slide has in hand: layer, selection, the text being typed. */
export interface StageEdit {
  layer: Layer;
  setLayer: (layer: Layer) => void;
  selected: SlideElement[];
  select: (ids: ElementId[]) => void;
  /** Takes in hand what has just been put on the stage, and starts typing if asked. */
  takeNew: (id: ElementId, layer: Layer, isTyping: boolean) => void;
  /** The element whose words are being typed. */
  typing: ElementId | null;
  type: (id: ElementId | null) => void;
}

/** Whether a layer can be touched while another is stepped into: scenery only from within. */
export function isTouchable(element: SlideElement, layer: Layer): boolean {
  return layer === 'background' ? element.layer === 'background' : element.layer !== 'background';
}

export function useStageEdit(slide: Slide): StageEdit {
  const [layer, setLayerState] = useState<Layer>('content');
  const [ids, setIds] = useState<ElementId[]>([]);
  const [typing, setTyping] = useState<ElementId | null>(null);
  const slideId = slide.id;
  useEffect(() => {
    setIds([]);
    setTyping(null);
  }, [slideId]);
  const selected = useMemo(
    () => slide.elements.filter((element) => ids.includes(element.id)),
    [slide, ids],
  );
  const select = useCallback(
    (next: ElementId[]) => {
      setIds(next);
      setTyping((old) => (old && next.includes(old) ? old : null));
      const first = slide.elements.find((element) => element.id === next[0]);
      if (first) setLayerState(first.layer);
    },
    [slide],
  );
  const setLayer = useCallback((next: Layer) => {
    setLayerState(next);
    setIds([]);
    setTyping(null);
  }, []);
  const takeNew = useCallback((id: ElementId, layer: Layer, isTyping: boolean) => {
    setLayerState(layer);
    setIds([id]);
    setTyping(isTyping ? id : null);
  }, []);
  const isTypingThere = slide.elements.some((element) => element.id === typing);
  return {
    layer,
    setLayer,
    selected,
    select,
    takeNew,
    typing: isTypingThere ? typing : null,
    type: setTyping,
  };
}

export const LAYER_NAMES: Record<Layer, string> = {
  background: 'Background',
  content: 'Content',
  pieces: 'Pieces',
};

/** A slide with some boxes as they are while being dragged. */
export function withBoxes(slide: Slide, boxes: Record<ElementId, Box>): Slide {
  if (Object.keys(boxes).length === 0) return slide;
  return {
    ...slide,
    elements: slide.elements.map((element) => {
      const box = boxes[element.id];
      return box ? { ...element, box } : element;
    }),
  };
}
