import {
  addElement,
  clipElements,
  elementWords,
  fillCells,
  hasCells,
  newElementBox,
  pasteElements,
  plain,
  readElementClip,
  readTabbed,
  told,
  tooManyCells,
  type NewElement,
  type RichText,
  type Slide,
  type ElementId,
} from '@gobrel/core';
import { useCallback, useRef } from 'react';
import { uploadPicture } from '../api/assets';
import { sentenceOf } from '../api/http';
import { uploadMedia } from '../api/media';
import { LOOK_ONLY } from '../deck/LookOnly';
import { useNotices } from '../ui/Notice';
import { useClipboard } from '../ui/useClipboard';
import { useDeck } from '../deck/DeckContext';
import { mediaElement } from '../elements/media/making';
import { pictureElement } from '../elements/picture/making';
import { tableElement } from '../elements/table/making';
import type { StageEdit } from '../editing/useStageEdit';

const THINGS_TYPE = 'application/x-gobrel-things+json';
const STEP = 24;

/** What was copied last, for pasting in place from the tray and by key. */
let lastClip: string | null = null;

export interface StageClipboard {
  /** Puts what was copied last exactly where it lay. */
  pasteInPlace: () => void;
  /** Whether something has been copied. */
  hasClip: boolean;
  /** Puts pictures, sounds and videos on the slide: pasted, dropped or chosen. */
  takeFiles: (files: readonly File[]) => Promise<void>;
}

/** Copy, cut and paste on the stage: own things, text, rich text, tables, pictures, sounds. */
export function useStageClipboard(
  slide: Slide,
  edit: StageEdit,
  remove: (ids: ElementId[]) => void,
): StageClipboard {
  const { deckId, deck, run, isOpen } = useDeck();
  const { tell, trouble } = useNotices();
  const ids = edit.selected.map(({ id }) => id);
  /** The one thing in hand, when its words are a table: cells go into it. */
  const table = edit.selected.length === 1 && hasCells(edit.selected[0]!) && edit.selected[0];
  /** How often one clip was pasted here: copies step down. */
  const pasted = useRef({ text: '', slideId: '', times: 0 });

  const put = (element: NewElement): void => {
    const added = run(addElement, slide.id, element);
    if (added) edit.takeNew([added.elementId], element.layer);
  };
  const pasteThings = (text: string, isInPlace: boolean): boolean => {
    const clip = readElementClip(text);
    if (!clip) return false;
    const last = pasted.current;
    const isAgain = last.text === text && last.slideId === slide.id;
    // Onto another slide it comes to lie where it lay.
    const lies = clip.elements.some(({ id }) => slide.elements.some((one) => one.id === id));
    const times = isInPlace ? 0 : isAgain ? last.times + 1 : lies ? 1 : 0;
    pasted.current = { text, slideId: slide.id, times };
    const layer = edit.layer === 'background' ? 'background' : undefined;
    const done = run(
      pasteElements,
      slide.id,
      clip,
      deckId,
      { dx: times * STEP, dy: times * STEP },
      layer,
    );
    if (!done) return true;
    edit.takeNew(done.elementIds, layer ?? clip.elements[0]?.layer ?? 'content');
    if (done.lost.length > 0) {
      tell(
        `${done.lost.map((words) => `“${words}”`).join(', ')}: led to a slide that is not in this deck.`,
      );
    }
    return true;
  };
  const putText = (text: RichText, letters: number): void => {
    const size = letters > 400 ? { w: 900, h: 480 } : { w: 560, h: 60 };
    put({
      kind: 'text',
      style: 'body',
      layer: edit.layer === 'background' ? 'background' : 'content',
      box: newElementBox(slide, size),
      text,
      ...(letters > 400 ? { fit: 'shrink' as const } : {}),
    });
  };
  const putTable = (rows: string[][]): void => {
    if (table) {
      run(fillCells, slide.id, table.id, rows);
      return;
    }
    const over = tooManyCells(rows.length, Math.max(...rows.map(({ length }) => length)));
    if (over) trouble(told(over));
    else put(tableElement(slide, edit.layer, rows));
  };
  const takeFiles = useCallback(
    async (files: readonly File[]): Promise<void> => {
      // Nothing is sent that would be refused afterwards.
      if (!isOpen) return trouble(LOOK_ONLY);
      const isOnBackground = edit.layer === 'background';
      for (const file of files.slice(0, 20)) {
        try {
          const isMedia = /^(audio|video)\//.test(file.type);
          const element = isMedia
            ? mediaElement(slide, await uploadMedia(file, () => undefined), file.name)
            : pictureElement(slide, await uploadPicture(file), isOnBackground);
          const added = run(addElement, slide.id, element);
          if (added) edit.takeNew([added.elementId], element.layer);
        } catch (error) {
          trouble(`${file.name}: ${sentenceOf(error)}`);
        }
      }
      if (files.length > 20) trouble('Twenty files at a time: the rest was left out.');
    },
    [slide, edit, run, isOpen, trouble],
  );

  const copy = (data: DataTransfer): void => {
    lastClip = JSON.stringify(clipElements(deck, deckId, slide.id, ids));
    data.setData(THINGS_TYPE, lastClip);
    data.setData('text/plain', edit.selected.map(elementWords).filter(Boolean).join('\n'));
  };
  const canCopy = ids.length > 0 && edit.typing === null;
  useClipboard({
    ...(canCopy
      ? {
          onCopy: copy,
          onCut: (data: DataTransfer) => {
            copy(data);
            remove(ids);
          },
        }
      : {}),
    onPaste: (data) => {
      const things = data.getData(THINGS_TYPE);
      if (things) {
        if (!pasteThings(things, false))
          trouble('What was copied cannot be read: nothing was pasted.');
        return true;
      }
      const files = [...data.files];
      const words = data.getData('text/plain');
      const html = data.getData('text/html');
      if (files.length > 0 && words.trim() === '') {
        void takeFiles(files);
        return true;
      }
      if (words.trim() === '' && html === '') return false;
      void import('../stage/richTextSchema').then(
        ({ cellsFromHtml, textFromHtml, MOST_LETTERS }) => {
          if (words.length > MOST_LETTERS) {
            trouble(
              `That is ${words.length.toLocaleString('en')} letters: a text takes ${MOST_LETTERS.toLocaleString('en')} at the most. Nothing was pasted.`,
            );
            return;
          }
          const rows = (table ? cellsFromHtml(html) : undefined) ?? readTabbed(words);
          if (rows) return putTable(rows);
          putText(textFromHtml(html) ?? plain(...words.trim().split(/\r?\n/)), words.length);
        },
      );
      return true;
    },
  });
  return {
    pasteInPlace: () => {
      if (!lastClip || !pasteThings(lastClip, true)) tell('Nothing has been copied yet.');
    },
    hasClip: lastClip !== null,
    takeFiles,
  };
}
