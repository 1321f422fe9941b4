export * from './access/access.js';
export * from './parts/ids.js';
export { sure } from './parts/sure.js';
export * from './parts/refusals.js';
export * from './parts/refusalWords.js';
export * from './parts/told.js';
export * from './parts/limits.js';
export * from './parts/place.js';
export * from './parts/fill.js';
export { TURNS, type Turn } from './parts/turns.js';
export {
  LICENCES,
  readAsset,
  wantsCredit,
  type AssetRef,
  type Credit,
  type CreditedAsset,
  type Licence,
  type MediaRef,
} from './parts/asset.js';
export type { InkStroke } from './parts/ink.js';
export { FITS, type Fit } from './parts/fit.js';
export * from './parts/typography.js';
export * from './deck/types.js';
export * from './deck/links/target.js';
export * from './deck/links/targetWords.js';
export * from './deck/text/languages.js';
export * from './deck/text/rewriteCommands.js';
export * from './parts/richText.js';
export * from './deck/document.js';
export * from './deck/readDeck.js';
export * from './elements/elements.js';
export {
  ELEMENT_KINDS,
  elementKind,
  holdsMembers,
  elementWords,
  kindName,
  linesOn,
  may,
  readElement,
  type ElementKind,
  type NewElement,
  type SlideElement,
} from './elements/registry.js';
export * from './elements/base.js';
export { asTurn, fragmentOf, readBox, readFill } from './elements/fields.js';
export type { Abilities } from './elements/kind.js';
export { TEXT_FITS, type TextElement, type TextFit } from './elements/text/text.js';
export type { ShapeElement } from './elements/shape/shape.js';
export { type Adjustments, type PictureElement } from './elements/picture/picture.js';
export type { HotspotElement } from './elements/hotspot/hotspot.js';
export {
  follow,
  LINE_PATHS,
  linePoints,
  lineThrough,
  TIPS,
  type Anchor,
  type LineElement,
  type LinePath,
  type Tip,
} from './elements/line/line.js';
export type { InkElement } from './elements/ink/ink.js';
export { MEDIA_TYPES, type MediaElement } from './elements/media/media.js';
export type { TableElement } from './elements/table/table.js';
export type { FormulaElement } from './elements/formula/formula.js';
export { flatTex, spokenTex } from './elements/formula/tex.js';
export { flatWords, formulasIn } from './elements/formula/inWords.js';
export {
  CHART_FORMS,
  chartWords,
  type ChartElement,
  type ChartForm,
} from './elements/chart/chart.js';
export { chartMarks, niceTicks, type ChartMark } from './elements/chart/marks.js';
export { chartData, numberWords, type ChartData } from './elements/chart/values.js';
export type { CloseUpElement } from './elements/closeup/closeup.js';
export type { CreditsElement } from './elements/credits/credits.js';
export type { GroupElement } from './elements/group/group.js';
export { TIDIES, type Tidy, type ZoneElement } from './elements/zone/zone.js';
export type { QuestionElement } from './elements/question/question.js';
export * from './deck/DeckReader.js';
export * from './deck/history.js';
export * from './deck/command.js';
export * from './deck/slides/slideCommands.js';
export * from './deck/credits.js';
export * from './deck/licenceAddress.js';
export * from './deck/filesOf.js';
export * from './deck/met.js';
export { defaultTrail } from './deck/trails/trailSteps.js';
export { emptyDeckIn, readPlainDeck } from './deck/plainDeck.js';
export {
  addElement,
  addPlaced,
  addStroke,
  removeElements,
  rubOut,
  setElement,
  setElements,
  setText,
  type ElementSettings,
} from './deck/arranging/elementCommands.js';
export * from './deck/arranging/arrangeCommands.js';
export * from './deck/arranging/tableCommands.js';
export * from './deck/arranging/elementClip.js';
export * from './deck/slides/groundCommands.js';
export * from './deck/slides/themeCommands.js';
export { setNumbering, setTurn } from './deck/slides/showCommands.js';
export { setLayout } from './deck/slides/layoutCommands.js';
export { isRightToLeft } from './parts/isRightToLeft.js';
export { inkOn } from './parts/luminance.js';
export { mirroredMap, mirroredSpot, readsLeftward } from './map/side.js';
export { titleOf } from './deck/titleOf.js';
export { promptIn } from './deck/promptIn.js';
export { takeLayout } from './composition/layoutCommands.js';
export * from './deck/slides/ownLayoutCommands.js';
export * from './deck/arranging/styleCommands.js';
export * from './deck/arranging/questionCommands.js';
export * from './deck/links/linkCommands.js';
export * from './deck/slides/slideClip.js';
export * from './deck/trails/trailCommands.js';
export * from './deck/sections/sectionCommands.js';
export { changedStretch } from './deck/text/sharedText.js';
export * from './map/graph.js';
export * from './map/reach.js';
export * from './map/routes.js';
export { slideNumbers, stepsOn } from './map/slideNumbers.js';
export * from './map/walking.js';
export * from './map/playing.js';
export * from './map/measures.js';
export * from './map/endingCoverage.js';
export * from './check/finding.js';
export * from './check/Checker.js';
export * from './check/mends.js';
export type { Pixels } from './check/contrast.js';
export * from './deck/slides/cards.js';
export * from './map/find.js';
export * from './map/regions.js';
export * from './map/plan/inOrder.js';
export * from './map/plan/planText.js';
export * from './map/plan/planOf.js';
export * from './map/plan/planChange.js';
export * from './map/plan/applyPlan.js';
export * from './layouts/layouts.js';
export * from './layouts/names.js';
export * from './themes/dress.js';
export * from './themes/kind.js';
export * from './themes/scenes.js';
export * from './themes/readThemes.js';
export * from './themes/table.js';
export * from './themes/theme.js';
export * from './themes/themes.js';
export { ownOf, repaired, turnedOver, type Repair } from './ownThemes/repair.js';
export { coloursOf, themeFrom, type SmallPicture } from './ownThemes/fromPicture.js';
export {
  sceneryOf,
  SLIDE_ROLES,
  slideRole,
  wordRoom,
  type Scenery,
  type SlideRole,
} from './scenery/scenery.js';
export { questionSize, wordsHeight } from './stage/wordsHeight.js';
export { textWidth } from './stage/typeWidths.js';
export * from './stage/covering.js';
export * from './stage/zones.js';
export * from './stage/pieces.js';
export * from './stage/asked.js';
export * from './stage/closeUps.js';
export * from './parts/fonts.js';
export * from './parts/missingScripts.js';
export * from './parts/scripts.js';
export * from './elements/groups.js';
export * from './elements/anchors.js';
export * from './elements/line/drawn.js';
export * from './elements/ink/strokes.js';
export * from './elements/moves.js';
export * from './stage/arrange.js';
export * from './geometry/snap.js';
export * from './geometry/transform.js';
export * from './stage/cropping.js';
export * from './stage/pictureFit.js';
export { standsOut } from './stage/standsOut.js';
export * from './stage/pictureFrame.js';
export * from './geometry/shapes/kind.js';
export * from './geometry/shapes/shapes.js';
export type { Point } from './geometry/Pen.js';
export { runSize, textHeight } from './stage/textHeight.js';
export * from './stage/readingOrder.js';
export * from './geometry/resize.js';
export * from './questions/registry.js';
export * from './questions/marking.js';
export * from './questions/areas.js';
export { readItems, textLines, type Item } from './questions/parts.js';
export { PLAIN_SCALE, type ScaleStep } from './questions/scale.js';
export { shuffled, type ValueCounts } from './questions/values.js';
export { spreadOf, type Bin, type Spread } from './results/spread.js';
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
export * from './lesson/sayable.js';
export * from './lesson/showing.js';
export * from './lesson/late.js';
export * from './lesson/state.js';
export * from './lesson/settings.js';
export * from './lesson/editionChanges.js';
export * from './lesson/desk.js';
export * from './folio/answers.js';
export * from './folio/folio.js';
export * from './folio/leafCommands.js';
export * from './DocumentReader.js';
export { sameData } from './parts/sameData.js';
export * from './folio/projection.js';
export { addAsked, askedLines, type Asked } from './starters/askNow.js';
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
export type * from './wire/classes.js';
export * from './wire/comments.js';
export type * from './wire/decks.js';
export type * from './wire/lessons.js';
export * from './wire/people.js';
export * from './wire/publishing.js';
export type * from './wire/pictures.js';
export type * from './wire/screens.js';
export type * from './wire/shows.js';
export type * from './wire/student.js';
export { arrangementFor, arrangementsOf } from './composition/arrange.js';
export type { Arrangement } from './composition/Ways.js';
export {
  ARRANGEMENT_NAMES,
  ARRANGEMENTS,
  type ArrangementName,
} from './composition/arrangements.js';
export {
  arranged,
  isArrangement,
  leaveAsItLies,
  setOut,
  setOutAgain,
  slidesToSetOut,
  takeUp,
  takenUp,
  waysToSetOut,
} from './composition/setOutCommands.js';
export { wasMovedByHand } from './composition/movedByHand.js';
export { findBeginnings, plant, type Beginning } from './beginnings/beginning.js';
export { beginningById, BEGINNINGS_OF_OURS } from './beginnings/beginnings.js';
export { summarise } from './wire/deckSummary.js';
export { growFrom, slidesIn } from './beginnings/beginning.js';
export * from './along/along.js';
export * from './along/fontFaces.js';
export * from './along/page.js';
export { markTried } from './along/markTried.js';
