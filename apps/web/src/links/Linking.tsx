import {
  addChoice,
  addChoiceTo,
  addSlide,
  addWordLink,
  LINK_MARK,
  linkElement,
  linkOption,
  newId,
  retarget,
  targetWords,
  toSlide,
  type ElementId,
  type LinkId,
  type OptionId,
  type Slide,
  type Target,
  entryAt,
} from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import { useState, type ReactElement } from 'react';
import { useDeck } from '../deck/DeckContext';
import { LinkPicker } from './LinkPicker';
import { useNotices } from '../ui/Notice';
import { LOOK_ONLY } from '../deck/LookOnly';

/** What is to lead somewhere. */
export type LinkSubject =
  | { kind: 'new' }
  | { kind: 'element'; elementId: ElementId }
  | { kind: 'words'; elementId: ElementId; editor: Editor }
  | { kind: 'option'; elementId: ElementId; optionId: OptionId; words: string }
  | { kind: 'link'; linkId: LinkId };

export interface Linking {
  /** Opens the picker for something on the slide. */
  ask: (subject: LinkSubject) => void;
  /** Leads it there without asking: pasted addresses. */
  lead: (subject: LinkSubject, target: Target) => void;
  picker: ReactElement;
}

/** Everything on one slide that can carry a link gets it through here. */
export function useLinking(slide: Slide): Linking {
  const { deck, run, isOpen } = useDeck();
  const { trouble } = useNotices();
  const [subject, setSubject] = useState<LinkSubject | null>(null);

  const lead = (what: LinkSubject, target: Target): void => {
    switch (what.kind) {
      case 'new': {
        // A choice draws formulas as the title that it says.
        const words =
          target.kind === 'slide'
            ? entryAt(deck.slides, target.slideId)?.title
            : targetWords(target, () => null);
        run(addChoiceTo, slide.id, words || 'On', target);
        break;
      }
      case 'element':
        run(linkElement, slide.id, what.elementId, target);
        break;
      case 'option':
        run(linkOption, slide.id, what.elementId, what.optionId, target);
        break;
      case 'link':
        run(retarget, what.linkId, target);
        break;
      case 'words': {
        const { editor, elementId } = what;
        const { from, to } = editor.state.selection;
        const words = editor.state.doc.textBetween(from, to, ' ');
        if (words.trim() === '') return;
        const linkId = newId<LinkId>();
        editor.chain().focus().setMark(LINK_MARK, { linkId }).run();
        run(addWordLink, { linkId, from: slide.id, elementId, target, words });
      }
    }
  };
  const makeNew = (title: string): void => {
    if (!subject) return;
    if (subject.kind === 'new') {
      run(addChoice, slide.id, title);
      return;
    }
    const added = run(addSlide, { title, beside: slide.id, layout: 'text' });
    if (added) lead(subject, toSlide(added.slideId));
  };
  const current = Object.values(deck.links).find(({ id, carrier }) =>
    subject?.kind === 'link'
      ? id === subject.linkId
      : subject?.kind === 'option'
        ? carrier.kind === 'option' && carrier.optionId === subject.optionId
        : subject?.kind === 'element' &&
          carrier.kind === 'element' &&
          carrier.elementId === subject.elementId,
  );
  return {
    ask: isOpen ? setSubject : () => trouble(LOOK_ONLY),
    lead,
    picker: (
      <LinkPicker
        title={titleOf(subject, current?.wording ?? '')}
        isOpen={subject !== null}
        current={current?.target}
        onPick={(target) => subject && lead(subject, target)}
        onNew={makeNew}
        onClose={() => setSubject(null)}
      />
    ),
  };
}

function titleOf(subject: LinkSubject | null, wording: string): string {
  switch (subject?.kind) {
    case 'words':
      return 'These words lead to …';
    case 'option':
      return `“${subject.words}” leads to …`;
    case 'link':
      return `“${wording}” leads to …`;
    case 'element':
      return 'This leads to …';
    default:
      return 'A way out to …';
  }
}
