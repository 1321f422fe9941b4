import {
  elementOf,
  elementWords,
  fragmentOf,
  hasCells,
  resize,
  setPlaces,
  textPadding,
  wasMovedByHand,
  type ElementId,
  type Link,
  type Slide,
  type SlideElement,
  type TableElement,
  type TextElement,
  type SlideId,
  type Theme,
} from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import { useCallback, useEffect, useRef, useState, type ReactElement } from 'react';
import { ySyncPluginKey } from 'y-prosemirror';
import type * as Y from 'yjs';
import { ElementView } from '../stage/ElementView';
import { RichTextEditor } from '../stage/RichTextEditor';
import { labelOf } from './labelOf';
import { NEW_PIECE } from '../elements/text/making';

/** The element whose words are being typed, drawn with the text editor in it. */
export function TypedElement(props: {
  doc: Y.Doc;
  slide: Slide;
  typing: ElementId;
  theme: Theme;
  links: readonly Link[];
  scale: number;
  onEditor?: (editor: Editor | null) => void;
  onEnd: () => void;
  onRefused: (reason: string) => void;
  onCells: (cells: string[][], at: { row: number; column: number }) => void;
}): ReactElement | null {
  const { doc, slide, typing, theme, onEditor } = props;
  const [editor, setEditor] = useState<Editor | null>(null);
  const opened = useCallback(
    (now: Editor | null) => {
      setEditor(now);
      onEditor?.(now);
    },
    [onEditor],
  );
  const element = slide.elements.find((candidate) => candidate.id === typing);
  const shared = elementOf(doc, slide.id, typing);
  const fragment = shared && fragmentOf(shared);
  useGrowth(doc, slide.id, grows(element) ? element : undefined, theme, editor);
  if (!element || !fragment) return null;
  return (
    <div
      onPointerDown={(event) => event.stopPropagation()}
      className="[&>div]:outline-2 [&>div]:outline-offset-2 [&>div]:outline-petrol [&>div]:outline-dashed"
    >
      <ElementView
        element={element}
        theme={theme}
        scale={props.scale}
        links={props.links}
        words={
          <RichTextEditor
            fragment={fragment}
            label={labelOf(element)}
            onEditor={opened}
            marksAll={element.layer === 'pieces' && elementWords(element) === NEW_PIECE}
            onEnd={props.onEnd}
            onRefused={props.onRefused}
            onCells={hasCells(element) ? props.onCells : undefined}
          />
        }
      />
    </div>
  );
}

type Growing = TextElement | TableElement;
const grows = (element: SlideElement | undefined): element is Growing =>
  element?.kind === 'table' || (element?.kind === 'text' && element.fit === 'grow');

/** The box of a text grows with what is typed into it: part of the typing, so it is undone with it. */
function useGrowth(
  doc: Y.Doc,
  slideId: SlideId,
  text: Growing | undefined,
  theme: Theme,
  editor: Editor | null,
): void {
  const latest = useRef(text);
  useEffect(() => {
    latest.current = text;
  });
  const id = text?.id;
  useEffect(() => {
    if (!editor || editor.isDestroyed || !id) return;
    const words = editor.view.dom;
    const grow = (): void => {
      const now = latest.current;
      if (!now) return;
      const isBare = now.kind === 'table' || now.style === 'choice' || now.layer === 'pieces';
      // Measured in slide units: the stage is scaled as a whole.
      const needed = Math.ceil(words.offsetHeight + (isBare ? 0 : 2 * textPadding(now, theme)));
      if (needed <= now.box.h) return;
      const { rotation } = now;
      const down = needed - now.box.h;
      const angle = (rotation * Math.PI) / 180;
      const pull = { x: -Math.sin(angle) * down, y: Math.cos(angle) * down };
      const box = resize(now.box, 's', pull.x, pull.y, { rotation });
      // It belongs to the typing that brought it about.
      // Grown with its words it has not been moved by hand.
      const { setOut } = now;
      const settings = setOut && !wasMovedByHand(now) ? { setOut: { ...setOut, box } } : undefined;
      doc.transact(
        () => setPlaces(doc, slideId, [{ elementId: now.id, box, settings }]),
        ySyncPluginKey,
      );
    };
    const observer = new ResizeObserver(grow);
    observer.observe(words);
    return () => observer.disconnect();
  }, [doc, slideId, id, theme, editor]);
}
