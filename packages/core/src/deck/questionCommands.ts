import type * as Y from 'yjs';
import { refuse, type ElementId, type Result, type SlideId } from '../ids.js';
import { elementOf } from './document.js';
import { GONE, LOCKED, setWords } from './elementCommands.js';
import type { Question, QuestionKey } from './elements.js';
import { COMMAND } from './history.js';
import { plain } from './richText.js';

/** What a question asks, what is right, and its prompt when that has changed: one step. A key of another kind is none. */
export function setQuestion(
  doc: Y.Doc,
  slideId: SlideId,
  elementId: ElementId,
  args: { question: Question; key: QuestionKey | null; prompt?: string },
): Result {
  const element = elementOf(doc, slideId, elementId);
  if (element?.get('kind') !== 'question') return refuse(GONE);
  if (element.get('isLocked') === true) return refuse(LOCKED);
  const { question, key, prompt } = args;
  doc.transact(() => {
    element.set('question', question);
    element.set('key', key?.kind === question.kind ? key : null);
    if (prompt !== undefined) setWords(doc, slideId, elementId, plain(...prompt.split('\n')));
  }, COMMAND);
  return { ok: true };
}
