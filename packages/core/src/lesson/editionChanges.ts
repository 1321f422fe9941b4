import { titleOf } from '../deck/titleOf.js';
import { wordsOf } from '../parts/richText.js';
import type { Deck } from '../deck/types.js';
import type { QuestionElement } from '../elements/question/question.js';
import { questionsOf } from '../folio/projection.js';
import { type ElementId, type SlideId, entriesOf } from '../parts/ids.js';
import { sameData } from '../parts/sameData.js';
import type { LessonState } from './state.js';
import { sure } from '../parts/sure.js';

/** What a running lesson would take over from the deck as it is now. */
export interface EditionChanges {
  added: { slideId: SlideId; title: string }[];
  gone: { slideId: SlideId; title: string }[];
  changed: { slideId: SlideId; title: string }[];
  questions: {
    questionId: ElementId;
    prompt: string;
    /** `asks`: another question, answers that do not fit are let go; `key`: marks are given anew. */
    what: 'new' | 'gone' | 'asks' | 'key';
  }[];
  isSame: boolean;
}

/** Field by field; slides that were asked on the fly are not the deck's and stay as they are. */
export function editionChanges(
  before: Deck,
  after: Deck,
  asked: readonly SlideId[] = [],
): EditionChanges {
  const slides = (deck: Deck): Deck['slides'] =>
    Object.fromEntries(entriesOf(deck.slides).filter(([id]) => !asked.includes(id)));
  const [old, now] = [slides(before), slides(after)];
  const named = (slide: Deck['slides'][SlideId]): { slideId: SlideId; title: string } => ({
    slideId: slide.id,
    title: titleOf(slide),
  });
  const [asking, askingNow] = [questionsOf({ ...before, slides: old }), questionsOf(after)];
  const changes = {
    added: Object.values(now).flatMap((slide) => (old[slide.id] ? [] : [named(slide)])),
    gone: Object.values(old).flatMap((slide) => (now[slide.id] ? [] : [named(slide)])),
    changed: Object.values(now).flatMap((slide) =>
      old[slide.id] && !sameData(old[slide.id], slide) ? [named(slide)] : [],
    ),
    questions: [...new Set([...asking.keys(), ...askingNow.keys()])].flatMap((questionId) => {
      const what = howChanged(asking.get(questionId), askingNow.get(questionId));
      const shown =
        askingNow.get(questionId) ??
        sure(asking.get(questionId), 'the question is asked in one of the two');
      return what ? [{ questionId, prompt: wordsOf(shown.text), what }] : [];
    }),
  };
  const isAlike =
    sameData(before.links, after.links) &&
    before.title === after.title &&
    before.startSlideId === after.startSlideId &&
    Object.values(changes).every((list) => list.length === 0);
  return { ...changes, isSame: isAlike };
}

function howChanged(
  before: QuestionElement | undefined,
  now: QuestionElement | undefined,
): EditionChanges['questions'][number]['what'] | null {
  if (!before) return 'new';
  if (!now) return 'gone';
  if (!sameData(before.question, now.question)) return 'asks';
  return sameData(before.key, now.key) ? null : 'key';
}

/**
 * A lesson's state in another edition, as students get that: where the class stands, what is asked, voted on, put up and
 * shown there is let go when it is gone.
 */
export function stateInEdition(state: LessonState, view: Deck): LessonState {
  const { slideId, askedSlideId, vote, putUp, shown } = state;
  const isThere = (one: SlideId | null | undefined): boolean =>
    !!one && Object.hasOwn(view.slides, one);
  const questions = questionsOf(view);
  return {
    ...state,
    slideId: isThere(slideId) ? slideId : view.startSlideId,
    askedSlideId: isThere(askedSlideId) ? askedSlideId : null,
    vote: isThere(vote?.slideId) ? vote : null,
    putUp: putUp && questions.has(putUp.questionId) ? putUp : null,
    shown: shown && questions.has(shown.questionId) ? shown : null,
  };
}
