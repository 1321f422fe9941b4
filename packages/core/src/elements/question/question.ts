import { readCreditedAsset } from '../../parts/asset.js';
import { asString } from '../../parts/decode.js';
import type { RichText } from '../../parts/richText.js';
import {
  kindOf,
  picturesIn,
  readQuestion,
  readQuestionKey,
  type Asked,
} from '../../questions/registry.js';
import type { ElementBase } from '../base.js';
import { flag, given, letters, richText, withheld } from '../fields.js';
import type { ElementKindOf } from '../kind.js';

export interface QuestionElement extends ElementBase, Asked {
  kind: 'question';
  /** The prompt. */
  text: RichText;
  /** It must be answered before handing in. */
  isRequired: boolean;
  /** The first answer stands; otherwise it may be changed until it is handed in. */
  isFinal: boolean;
  pictureAlt: string;
  /** Shown to students who ask for it. */
  hint: string;
  /** Shown to students when the teacher allows it. */
  explanation: string;
}

export const question: ElementKindOf<QuestionElement, 'question'> = {
  kind: 'question',
  label: 'Question',
  fields: {
    text: richText(),
    question: given(readQuestion),
    key: withheld((value) => readQuestionKey(value) ?? null, null),
    isForThinking: flag(),
    isRequired: flag(),
    isFinal: flag(),
    picture: given((value) => readCreditedAsset(value) ?? null),
    pictureAlt: letters(2000),
    hint: letters(2000),
    explanation: withheld((value) => asString(value, '', 5000), ''),
  },
  needs: ['question'],
  may: { holdLines: true },
  staysOn: 'content',
  look: [],
  isInTheWay: () => true,
  lines: ({ question }) => kindOf(question.kind).lines(question),
  withDecimal: ({ question }, decimal) =>
    question
      ? { question: kindOf(question.kind).withDecimal?.(question, decimal) ?? question }
      : {},
  pictures: (element) => picturesIn(element).map(({ hash }) => hash),
};
