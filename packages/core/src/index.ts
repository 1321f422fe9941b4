export * from './ids.js';
export * from './limits.js';
export * from './deck/types.js';
export * from './deck/target.js';
export * from './deck/languages.js';
export * from './deck/rewriteCommands.js';
export * from './deck/richText.js';
export * from './deck/document.js';
export * from './deck/elementWords.js';
export * from './deck/DeckReader.js';
export * from './deck/history.js';
export * from './deck/slideCommands.js';
export * from './deck/readElement.js';
export { readAsset } from './deck/readParts.js';
export * from './deck/credits.js';
export * from './deck/filesOf.js';
export * from './deck/met.js';
export { defaultTrail } from './deck/trailSteps.js';
export { readPlainDeck } from './deck/plainDeck.js';
export {
  addElement,
  addStroke,
  removeElements,
  rubOut,
  setElement,
  setElements,
  setText,
  type ElementSettings,
  type NewElement,
} from './deck/elementCommands.js';
export * from './deck/arrangeCommands.js';
export * from './deck/tableCommands.js';
export * from './deck/elementClip.js';
export * from './deck/groundCommands.js';
export { setLayout } from './deck/layoutCommands.js';
export * from './deck/styleCommands.js';
export * from './deck/questionCommands.js';
export * from './deck/linkCommands.js';
export * from './deck/slideClip.js';
export * from './deck/trailCommands.js';
export * from './deck/sectionCommands.js';
export { changedStretch } from './deck/sharedText.js';
export * from './map/graph.js';
export * from './map/routes.js';
export * from './map/measures.js';
export * from './map/endingCoverage.js';
export * from './check/finding.js';
export * from './check/Checker.js';
export * from './check/mends.js';
export type { Pixels } from './check/contrast.js';
export * from './map/cards.js';
export * from './map/find.js';
export * from './map/regions.js';
export * from './map/plan/planText.js';
export * from './map/plan/planOf.js';
export * from './map/plan/planChange.js';
export * from './map/plan/applyPlan.js';
export * from './stage/layouts.js';
export * from './stage/themes.js';
export { wordsHeight } from './check/reading.js';
export { textWidth } from './stage/typeWidths.js';
export * from './stage/covering.js';
export * from './stage/zones.js';
export * from './stage/pieces.js';
export * from './stage/closeUps.js';
export * from './stage/fonts.js';
export * from './stage/groups.js';
export * from './stage/lines.js';
export * from './stage/ink.js';
export * from './stage/moves.js';
export * from './stage/arrange.js';
export * from './stage/snap.js';
export * from './stage/transform.js';
export * from './stage/pictureFrame.js';
export * from './stage/shapes/kind.js';
export * from './stage/shapes/shapes.js';
export type { Point } from './stage/Pen.js';
export { runSize, textHeight } from './stage/textHeight.js';
export * from './stage/readingOrder.js';
export * from './stage/resize.js';
export * from './questions/registry.js';
export * from './questions/marking.js';
export * from './questions/areas.js';
export { readItems, textLines, type Item } from './questions/parts.js';
export { PLAIN_SCALE, type ScaleStep } from './questions/scale.js';
export { shuffled, spreadOf, type Bin, type Spread, type ValueCounts } from './questions/values.js';
export * from './questions/choice/choice.js';
export type { ChoiceTally } from './questions/choice/marking.js';
export type {
  TextEntryAnswer,
  TextEntryKey,
  TextEntryQuestion,
} from './questions/textEntry/textEntry.js';
export type { TextEntryTally } from './questions/textEntry/marking.js';
export * from './questions/textEntry/likeness.js';
export * from './questions/textEntry/likening.js';
export { normalised } from './questions/textEntry/normalised.js';
export * from './questions/extendedText/extendedText.js';
export type { ExtendedTextTally } from './questions/extendedText/marking.js';
export type { NumberAnswer, NumberKey, NumberQuestion } from './questions/number/number.js';
export type { NumberTally } from './questions/number/marking.js';
export { isWithin, readRanges, type Range } from './questions/number/ranges.js';
export {
  DECIMALS,
  plainNumber,
  readingsOf,
  readNumber,
  type Decimal,
} from './questions/number/readNumber.js';
export type { SliderAnswer, SliderKey, SliderQuestion } from './questions/slider/slider.js';
export type { SliderTally } from './questions/slider/marking.js';
export * from './questions/order/order.js';
export { agreement, meanPlaces, type OrderTally } from './questions/order/marking.js';
export * from './questions/match/match.js';
export type { MatchTally } from './questions/match/marking.js';
export * from './questions/gap/gap.js';
export type { GapTally } from './questions/gap/marking.js';
export * from './questions/sort/sort.js';
export type { SortTally } from './questions/sort/marking.js';
export * from './questions/hotspot/hotspot.js';
export type { HotspotTally } from './questions/hotspot/marking.js';
export * from './questions/selectPoint/selectPoint.js';
export { isOn, spotsOf, type SelectPointTally } from './questions/selectPoint/marking.js';
export * from './questions/selectPoint/clusters.js';
export * from './questions/drawing/drawing.js';
export type { DrawingTally } from './questions/drawing/marking.js';
export * from './lesson/studentView.js';
export * from './lesson/joinCode.js';
export * from './lesson/late.js';
export * from './lesson/state.js';
export * from './lesson/settings.js';
export * from './lesson/editionChanges.js';
export * from './lesson/desk.js';
export * from './folio/answers.js';
export * from './folio/folio.js';
export * from './DocumentReader.js';
export { sameData } from './sameData.js';
export * from './folio/projection.js';
export { addAsked, ASKED_LINES, type Asked } from './starters/askNow.js';
export { STARTERS } from './starters/starters.js';
export {
  addStarter,
  findStarters,
  STARTER_GROUPS,
  type Starter,
  type StarterGroup,
} from './starters/starter.js';
export * from './results/statistics.js';
export * from './results/results.js';
export { xapiStatements, type XapiStatement } from './results/xapi.js';
