import {
  AMOUNTS,
  arranged,
  arrangementFor,
  arrangementsOf,
  isArrangement,
  partsOfRef,
  refOf,
  setScenery,
  setSlideTheme,
  setTheme,
  setThemeForAll,
  SIDES,
  themeData,
  themeOn,
  THEMES,
  type Amount,
  type DeckTheme,
  type Slide,
  type ThemeRef,
} from '@gobrel/core';
import { useMemo, useState, type ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { SlideView } from '../../stage/SlideView';
import { Plain, Pop, Setting } from '../../ui/controls';
import { Segments } from '../../ui/Segments';

const WIDTH = 138;
const REACHES = [
  { value: 'deck', label: 'The deck' },
  { value: 'slide', label: 'This slide' },
] as const;
const SIDE_LABELS = { light: 'Light', dark: 'Dark' } as const;
const AMOUNT_LABELS = { none: 'None', quiet: 'Quiet', full: 'Full' } as const;

/** What the deck, or a slide of it, looks like: theme, side, scenery. */
export function ThemePop({ slide }: { slide: Slide }): ReactElement {
  const { deck } = useDeck();
  return (
    <Pop label="Theme" value={themeOn(slide, deck.theme).label} width={4 * WIDTH + 84}>
      <Looks slide={slide} />
    </Pop>
  );
}

function Looks({ slide }: { slide: Slide }): ReactElement {
  const { deck, run } = useDeck();
  const now = themeOn(slide, deck.theme);
  const isOwn = slide.theme !== null || slide.scenery !== null;
  const [reach, setReach] = useState<'deck' | 'slide'>(isOwn ? 'slide' : 'deck');
  const { name, side } = partsOfRef(now.ref);
  const choose = (ref: ThemeRef): unknown =>
    reach === 'slide' ? run(setSlideTheme, slide.id, ref) : run(setTheme, ref);
  const showScenery = (amount: Amount): unknown =>
    run(setScenery, reach === 'slide' ? slide.id : null, amount);
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <Segments label="For" value={reach} options={REACHES} onChange={setReach} />
        <Segments
          label="Side"
          value={side}
          options={SIDES.map((value) => ({ value, label: SIDE_LABELS[value] }))}
          onChange={(to) => choose(refOf(name, to))}
        />
        <Setting label="Scenery">
          <Segments
            label="Scenery"
            value={now.amount}
            options={AMOUNTS.map((value) => ({ value, label: AMOUNT_LABELS[value] }))}
            onChange={showScenery}
          />
        </Setting>
      </div>
      <div role="group" aria-label="Themes" className="grid grid-cols-4 gap-2">
        {[...THEMES, ...Object.keys(deck.theme.own)].map((each) => (
          <Look
            key={each}
            slide={slide}
            theme={{ ...deck.theme, ref: refOf(each, side), amount: now.amount }}
            isNow={each === name}
            onChoose={() => choose(refOf(each, side))}
          />
        ))}
      </div>
      <div className="flex flex-wrap border-t border-dotted border-line pt-2">
        {isOwn && (
          <Plain onClick={() => run(setSlideTheme, slide.id, null)}>As the deck again</Plain>
        )}
        <Plain onClick={() => run(setThemeForAll, now.ref)}>This theme on every slide</Plain>
      </div>
    </div>
  );
}

/** The slide as it would be in a theme. */
function Look(props: {
  slide: Slide;
  theme: DeckTheme;
  isNow: boolean;
  onChoose: () => void;
}): ReactElement {
  const { slide, isNow, onChoose } = props;
  const { ref, amount, own } = props.theme;
  const { theme, shown } = useMemo(() => {
    const theme: DeckTheme = { ref, amount, own };
    return { theme, shown: inTheme({ ...slide, theme: null, scenery: null }, theme) };
  }, [slide, ref, amount, own]);
  return (
    <button
      type="button"
      aria-pressed={isNow}
      onClick={onChoose}
      className="rounded-[4px] border border-line p-1 text-left text-[12px] hover:border-petrol aria-pressed:border-petrol aria-pressed:bg-petrol-mist"
    >
      <span aria-hidden className="pointer-events-none block" inert>
        <SlideView slide={shown} theme={theme} width={WIDTH} label="" />
      </span>
      <span className="block truncate px-1 pt-1">
        {themeData(partsOfRef(ref).name, own)?.label}
      </span>
    </button>
  );
}

/** A slide as it lies in a theme: those that set themselves out make room for its scenery. */
function inTheme(slide: Slide, deckTheme: DeckTheme): Slide {
  if (!slide.setOut) return slide;
  const { name, isChosen } = slide.setOut;
  const ways = arrangementsOf(slide, themeOn(slide, deckTheme));
  const way = arrangementFor(ways, { name: isArrangement(name) ? name : null, isChosen });
  return way ? arranged(slide, way) : slide;
}
