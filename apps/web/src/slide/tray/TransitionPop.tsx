import { setTurn, stepsOn, TURNS, type Slide, type Turn } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { Plain, Pop } from '../../ui/controls';
import { Segments } from '../../ui/Segments';

const LABELS: Record<Turn, string> = {
  cut: 'At once',
  fade: 'Fade',
  page: 'Turn over',
  travel: 'Along the wire',
};
const REACHES = [
  { value: 'deck', label: 'The deck' },
  { value: 'slide', label: 'This slide' },
] as const;

/** How slides give way to each other, in shows, lessons and on the big screen. */
export function TransitionPop({ slide }: { slide: Slide }): ReactElement {
  const { deck, run } = useDeck();
  const [reach, setReach] = useState<'deck' | 'slide'>(slide.turn ? 'slide' : 'deck');
  const steps = stepsOn(slide);
  return (
    <Pop label="Transition" value={LABELS[slide.turn ?? deck.turn]} width={400}>
      <div className="flex flex-col items-start gap-3">
        <Segments label="For" value={reach} options={REACHES} onChange={setReach} />
        <Segments
          label="Transition"
          value={reach === 'slide' ? (slide.turn ?? deck.turn) : deck.turn}
          options={TURNS.map((value) => ({ value, label: LABELS[value] }))}
          onChange={(turn) => run(setTurn, reach === 'slide' ? slide.id : null, turn)}
        />
        {slide.turn !== null && (
          <Plain onClick={() => run(setTurn, slide.id, null)}>As the deck again</Plain>
        )}
        <p className="text-soft">
          {steps === 0
            ? 'To let things come one by one, pick them and say under “More” at which step.'
            : `Things come in ${steps} ${steps === 1 ? 'step' : 'steps'} here: in a show with the arrow keys, in a lesson by themselves.`}{' '}
          For people who want less motion on their device, nothing moves.
        </p>
      </div>
    </Pop>
  );
}
