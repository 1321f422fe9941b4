import { kindOf, newId, plain, type KindName, type NewElement, type Slide } from '@gobrel/core';
import { inMiddle } from '../making';

/** What a question of each kind asks as it begins, and how high its card is. */
const BEGINNINGS: Record<KindName, [asks: string, height: number]> = {
  choice: ['Which one?', 320],
  textEntry: ['What is it called?', 180],
  extendedText: ['What do you think, and why?', 340],
  number: ['How many?', 200],
  slider: ['How sure are you?', 240],
  order: ['What comes first, what comes last?', 420],
  match: ['What belongs together?', 380],
  gap: ['Fill the gaps.', 260],
  sort: ['Where does each piece belong?', 160],
  hotspot: ['Where is it? Pick it.', 460],
  selectPoint: ['Where is it? Put a marker there.', 460],
  drawing: ['Draw what you mean.', 520],
};

export function questionElement(slide: Slide, kind: KindName = 'choice'): NewElement {
  const [asks, height] = BEGINNINGS[kind];
  return {
    kind: 'question',
    layer: 'content',
    text: plain(asks),
    question: kindOf(kind).fresh(newId),
    box: inMiddle(slide, 480, height),
  };
}
