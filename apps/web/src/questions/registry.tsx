import { flatWords, wordsIn, type Answer, type KindName, type Question } from '@gobrel/core';
import type { QuestionViews } from './kind';
import { ChoiceInput, ChoiceStill } from './choice/ChoiceInput';
import { count } from '../ui/when';
import { part } from '../offline/part';

/** Still and input of a kind come as one download, when a slide has a question of that kind. */
const parts = <K extends KindName>(
  load: () => Promise<Pick<QuestionViews<K>, 'Still' | 'Input'>>,
): Pick<QuestionViews<K>, 'Still' | 'Input'> => ({
  Still: part(() => load().then(({ Still }) => ({ default: Still }))),
  Input: part(() => load().then(({ Input }) => ({ default: Input }))),
});

/** One line per kind. What only teachers need is downloaded when it is opened. */
const VIEWS: { [K in KindName]: QuestionViews<K> } = {
  choice: {
    Still: ChoiceStill,
    Input: ChoiceInput,
    Edit: part(() => import('./choice/ChoiceEdit')),
    TallyView: part(() => import('./choice/ChoiceTallyView')),
    inWords: ({ options }, { optionIds }) => named(options, optionIds).join(', '),
  },
  textEntry: {
    ...parts(() => import('./textEntry/TextEntryInput')),
    Edit: part(() => import('./textEntry/TextEntryEdit')),
    TallyView: part(() => import('./textEntry/TextEntryTallyView')),
    inWords: (_question, { text }) => text,
  },
  extendedText: {
    ...parts(() => import('./extendedText/ExtendedTextInput')),
    Edit: part(() => import('./extendedText/ExtendedTextEdit')),
    TallyView: part(() => import('./extendedText/ExtendedTextTallyView')),
    fillsCard: true,
    inWords: (_question, { text }) =>
      text.length > 120 ? `${text.slice(0, 118)} … (${wordsIn(text).length} words)` : text,
  },
  number: {
    ...parts(() => import('./number/NumberInput')),
    Edit: part(() => import('./number/NumberEdit')),
    TallyView: part(() => import('./number/NumberTallyView')),
    inWords: ({ unit }, { text }) => (unit && !text.endsWith(unit) ? `${text} ${unit}` : text),
  },
  slider: {
    ...parts(() => import('./slider/SliderInput')),
    Edit: part(() => import('./slider/SliderEdit')),
    TallyView: part(() => import('./slider/SliderTallyView')),
    inWords: (_question, { value }) => String(value),
  },
  order: {
    ...parts(() => import('./order/OrderInput')),
    Edit: part(() => import('./order/OrderEdit')),
    TallyView: part(() => import('./order/OrderTallyView')),
    inWords: ({ items }, { itemIds }) =>
      itemIds.map((id) => items.find((item) => item.id === id)?.text ?? '?').join(' → '),
  },
  match: {
    ...parts(() => import('./match/MatchInput')),
    Edit: part(() => import('./match/MatchEdit')),
    TallyView: part(() => import('./match/MatchTallyView')),
    inWords: ({ lefts, rights }, { pairs }) =>
      lefts
        .flatMap(({ id, text }) => {
          const right = rights.find((item) => item.id === pairs[id]);
          return right ? [`${text} – ${right.text}`] : [];
        })
        .join(', '),
  },
  gap: {
    ...parts(() => import('./gap/GapInput')),
    Edit: part(() => import('./gap/GapEdit')),
    TallyView: part(() => import('./gap/GapTallyView')),
    inWords: (_question, { texts }) => texts.map((text) => text || '–').join(' · '),
  },
  sort: {
    ...parts(() => import('./sort/SortInput')),
    Edit: part(() => import('./sort/SortEdit')),
    TallyView: part(() => import('./sort/SortTallyView')),
    inWords: ({ pieces, zones }, { zoneIds }) =>
      pieces
        .flatMap(({ id, name }) => {
          const ends = zones.filter((zone) => zoneIds[id]?.includes(zone.id));
          return ends.length > 0 ? [`${name}: ${ends.map((zone) => zone.name).join(', ')}`] : [];
        })
        .join(' · '),
  },
  hotspot: {
    ...parts(() => import('./hotspot/HotspotInput')),
    Edit: part(() => import('./hotspot/HotspotEdit')),
    TallyView: part(() => import('./hotspot/HotspotTallyView')),
    drawsOnPicture: true,
    fillsCard: true,
    inWords: ({ areas }, { areaIds }) =>
      areas
        .filter(({ id }) => areaIds.includes(id))
        .map(({ label }, index) => label || `area ${index + 1}`)
        .join(', '),
  },
  selectPoint: {
    ...parts(() => import('./selectPoint/SelectPointInput')),
    Edit: part(() => import('./selectPoint/SelectPointEdit')),
    TallyView: part(() => import('./selectPoint/SelectPointTallyView')),
    drawsOnPicture: true,
    fillsCard: true,
    inWords: ({ marker }, { spots }) =>
      spots
        .map(({ x, y }) => (marker === 'line' ? `${share(y)} down` : `${share(x)}, ${share(y)}`))
        .join(' · '),
  },
  drawing: {
    ...parts(() => import('./drawing/DrawingInput')),
    Edit: part(() => import('./drawing/DrawingEdit')),
    TallyView: part(() => import('./drawing/DrawingTallyView')),
    drawsOnPicture: true,
    fillsCard: true,
    inWords: (_question, { strokes, labels }) =>
      [count(strokes.length, 'stroke'), ...labels.map(({ text }) => `“${text}”`)].join(', '),
  },
};

const named = (items: { id: string; text: string }[], ids: readonly string[]): string[] =>
  items
    .filter(({ id }) => ids.includes(id))
    .map(({ text }, index) => text || `picture ${index + 1}`);
const share = (value: number): string => `${Math.round(value * 100)} %`;

/** For whoever has a question of any kind: what it is given is of the kind that it asks for. */
export const QUESTION_VIEWS = VIEWS as unknown as Record<KindName, QuestionViews>;

/** An answer in a few words, formulas among them in plain letters; for one that fits its question. */
export const inPlainWords = (question: Question, answer: Answer): string =>
  flatWords(QUESTION_VIEWS[question.kind].inWords(question, answer));

/** An answer that is one to a question of this kind; what was given to another kind is none. */
export const fitting = <A extends { kind: KindName }>(
  question: Question,
  answer: A | undefined,
): A | undefined => (answer?.kind === question.kind ? answer : undefined);
