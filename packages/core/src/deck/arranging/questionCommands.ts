import { command, type Plan } from '../command.js';
import * as Y from 'yjs';
import { type ElementId, type SlideId } from '../../parts/ids.js';
import { refuse } from '../../parts/refusals.js';
import type { Question, QuestionKey } from '../../questions/registry.js';
import { elementKind, readElement } from '../../elements/registry.js';
import { deckMap, elementOf, elementsOf, slidesMap } from '../document.js';
import { decimalOf, LANGUAGES } from '../text/languages.js';
import { setWords } from './elementCommands.js';
import { rewriteWords } from '../text/rewriteCommands.js';
import type { QuestionElement } from '../../elements/question/question.js';
import { plain } from '../../parts/richText.js';

/** What a question of any kind has besides what it asks and what is right. */
export type QuestionDetails = Partial<
  Pick<
    QuestionElement,
    'isForThinking' | 'isRequired' | 'isFinal' | 'picture' | 'pictureAlt' | 'hint' | 'explanation'
  >
>;

/**
 * What a question asks, what is right, and its prompt and details where those have changed: one step. A key of another
 * kind is none, and a question for thinking has none.
 * Refused: `thing.gone`, `thing.locked`.
 */
export const setQuestion = command(
  'setQuestion',
  'deck:write',
  (
    doc: Y.Doc,
    slideId: SlideId,
    elementId: ElementId,
    args: {
      question: Question;
      key: QuestionKey | null;
      prompt?: string;
      details?: QuestionDetails;
    },
  ): Plan => {
    const element = elementOf(doc, slideId, elementId);
    if (element?.get('kind') !== 'question') return refuse('thing.gone');
    if (element.get('isLocked') === true) return refuse('thing.locked');
    const { question, key, prompt, details = {} } = args;
    return () => {
      element.set('question', question);
      element.set('key', key?.kind === question.kind && !details.isForThinking ? key : null);
      for (const [name, value] of Object.entries(details)) element.set(name, value);
      if (prompt !== undefined) setPrompt(doc, slideId, elementId, prompt);
    };
  },
);

/** Words that are changed keep the marks of those around them; blank lines are kept where somebody wants them. */
function setPrompt(doc: Y.Doc, slideId: SlideId, elementId: ElementId, prompt: string): void {
  if (/\n\s*\n/.test(prompt.trim())) {
    setWords(doc, slideId, elementId, plain(...prompt.split('\n')));
  } else rewriteWords(doc, slideId, elementId, prompt);
}

/**
 * Says what a deck is written in; its questions for numbers and its charts read and tell them accordingly from then on.
 * Refused: `deck.language`.
 */
export const setLanguage = command(
  'setLanguage',
  'deck:write',
  (doc: Y.Doc, language: string): Plan => {
    if (!LANGUAGES.includes(language)) return refuse('deck.language');
    const decimal = decimalOf(language);
    return () => {
      deckMap(doc).set('language', language);
      for (const slide of slidesMap(doc).values()) {
        if (!(slide instanceof Y.Map)) continue;
        for (const [id, element] of elementsOf(slide)) {
          if (!(element instanceof Y.Map)) continue;
          const kind = elementKind(element.get('kind'));
          if (!kind?.withDecimal) continue;
          const read = readElement(id, element);
          if (!read) continue;
          const was = new Map<string, unknown>(Object.entries(read));
          for (const [field, now] of Object.entries(kind.withDecimal(read, decimal))) {
            if (now !== was.get(field)) element.set(field, now);
          }
        }
      }
    };
  },
);
