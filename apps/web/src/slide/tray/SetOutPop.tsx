import {
  arranged,
  ARRANGEMENTS,
  isArrangement,
  leaveAsItLies,
  setOut,
  takeUp,
  waysToSetOut,
  wasMovedByHand,
  type Arrangement,
  type DeckTheme,
  type Slide,
  themeOn,
} from '@gobrel/core';
import { memo, useDeferredValue, useMemo, type ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { SlideView } from '../../stage/SlideView';
import { InTurn } from './InTurn';
import { Plain, Pop } from '../../ui/controls';
import { useNotices } from '../../ui/Notice';

const MOST_SHOWN = 12;
const WIDTH = 150;

/** The ways in which a slide can be set out, as live small slides. */
export function SetOutPop({ slide }: { slide: Slide }): ReactElement {
  const name = slide.setOut?.name ?? null;
  const value = slide.setOut
    ? isArrangement(name)
      ? ARRANGEMENTS[name].label
      : 'By itself'
    : 'By hand';
  return (
    <Pop label="Set out" value={value} width={4 * WIDTH + 76}>
      <Ways slide={slide} />
    </Pop>
  );
}

const Arranged = memo(function Arranged(props: {
  slide: Slide;
  way: Arrangement;
  theme: DeckTheme;
}): ReactElement {
  const { slide, way, theme } = props;
  return <SlideView slide={arranged(slide, way)} theme={theme} width={WIDTH} label="" />;
});

function Ways({ slide }: { slide: Slide }): ReactElement {
  const { deck, run, setOutMany } = useDeck();
  const { tell } = useNotices();
  // The page shows what was chosen first, then what else there is.
  const seen = useDeferredValue(slide);
  const deckTheme = useDeferredValue(deck.theme);
  const ways = useMemo(
    () => waysToSetOut(seen, themeOn(seen, deckTheme)).slice(0, MOST_SHOWN),
    [seen, deckTheme],
  );
  const moved = slide.setOut
    ? slide.elements.filter((element) => element.setOut && wasMovedByHand(element))
    : [];
  const everywhere = (): void => {
    const slideIds = Object.values(deck.slides)
      .filter(({ isPattern }) => !isPattern)
      .map(({ id }) => id);
    if (setOutMany(slideIds)) tell('The whole deck is set out. Undo brings it back as it was.');
  };
  return (
    <div className="flex flex-col gap-2">
      {ways.length === 0 ? (
        <p className="text-soft">
          No arrangement has room for what is here. Shorten a text, take something off, or make room
          beside what was put here by hand.
        </p>
      ) : (
        <div role="group" aria-label="Arrangements" className="grid grid-cols-4 gap-2">
          {ways.map((way, at) => (
            <button
              key={way.name}
              type="button"
              aria-pressed={slide.setOut?.name === way.name}
              onClick={() => run(setOut, [slide.id], way.name)}
              className="rounded-[4px] border border-line p-1 text-left text-[12px] hover:border-petrol aria-pressed:border-petrol aria-pressed:bg-petrol-mist"
            >
              <InTurn at={at}>{() => <Arranged slide={seen} way={way} theme={deckTheme} />}</InTurn>
              <span className="block truncate px-1 pt-1">{ARRANGEMENTS[way.name].label}</span>
            </button>
          ))}
        </div>
      )}
      <div className="flex flex-wrap border-t border-dotted border-line pt-2">
        <Plain onClick={() => run(setOut, [slide.id])}>The best for it</Plain>
        <Plain onClick={everywhere}>The whole deck</Plain>
        {moved.length > 0 && (
          <Plain
            onClick={() =>
              run(
                takeUp,
                slide.id,
                moved.map(({ id }) => id),
              )
            }
          >
            Take up what was moved
          </Plain>
        )}
        {slide.setOut && (
          <Plain onClick={() => run(leaveAsItLies, slide.id)}>Leave it as it lies</Plain>
        )}
      </div>
    </div>
  );
}
