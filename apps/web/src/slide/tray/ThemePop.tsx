import {
  AMOUNTS,
  arranged,
  arrangementFor,
  isArrangement,
  isOurs,
  ownOf,
  partsOfRef,
  refOf,
  setScenery,
  setSlideTheme,
  setTheme,
  setThemeForAll,
  takeTheme,
  themeData,
  themeOn,
  THEMES,
  type Amount,
  type DeckTheme,
  type KeptTheme,
  type Side,
  type Slide,
  type SlideId,
  type ThemeRef,
} from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import {
  lazy,
  memo,
  Suspense,
  useDeferredValue,
  useMemo,
  useState,
  type ReactElement,
} from 'react';
import { http, sentenceOf } from '../../api/http';
import { useChange } from '../../api/teacher';
import { useNotices } from '../../ui/Notice';
import { useDeck } from '../../deck/DeckContext';
import { SlideView } from '../../stage/SlideView';
import { InTurn } from './InTurn';
import { Plain, Pop, Setting } from '../../ui/controls';
import { Segments } from '../../ui/Segments';
import { SIDE_OPTIONS } from './sides';

const ThemeEditor = lazy(() => import('./ThemeEditor'));

const WIDTH = 138;
/** Wide and low: the slide is to be seen above it. */
const EDITOR_WIDTH = 1180;
const REACHES = [
  { value: 'deck', label: 'The deck' },
  { value: 'slide', label: 'This slide' },
] as const;
const AMOUNT_LABELS = { none: 'None', quiet: 'Quiet', full: 'Full' } as const;

/** What the deck, or a slide of it, looks like: theme, side, scenery. */
export function ThemePop({ slide }: { slide: Slide }): ReactElement {
  const { deck } = useDeck();
  const now = themeOn(slide, deck.theme);
  const [isChanging, setIsChanging] = useState(false);
  const isOpen = isChanging && !isOurs(partsOfRef(now.ref).name);
  return (
    <Pop label="Theme" value={now.label} width={isOpen ? EDITOR_WIDTH : 4 * WIDTH + 84}>
      <Looks slide={slide} isChanging={isOpen} onChanging={setIsChanging} />
    </Pop>
  );
}

function Looks(props: {
  slide: Slide;
  isChanging: boolean;
  onChanging: (isChanging: boolean) => void;
}): ReactElement {
  const { slide, isChanging, onChanging } = props;
  const { deck, run } = useDeck();
  const now = themeOn(slide, deck.theme);
  const isOwn = slide.theme !== null || slide.scenery !== null;
  const [reach, setReach] = useState<'deck' | 'slide'>(isOwn ? 'slide' : 'deck');
  const { name, side } = partsOfRef(now.ref);
  const choose = (ref: ThemeRef): unknown =>
    reach === 'slide' ? run(setSlideTheme, slide.id, ref) : run(setTheme, ref);
  const slideId = reach === 'slide' ? slide.id : null;
  const beginChanging = (): void => {
    const own = { ...ownOf(name, deck.theme.own), label: `${now.label}, changed` };
    // What is seen is changed: on a slide with a theme of its own that is the slide's.
    const where = slide.theme === null ? slideId : slide.id;
    if (isOurs(name) && !run(takeTheme, own, now.ref, where)) return;
    onChanging(true);
  };
  if (isChanging) {
    return (
      <Suspense fallback={<p className="text-soft">One moment …</p>}>
        <ThemeEditor
          id={name}
          side={side}
          onSide={(to) => choose(refOf(name, to))}
          onDone={() => onChanging(false)}
        />
      </Suspense>
    );
  }
  const showScenery = (amount: Amount): unknown => run(setScenery, slideId, amount);
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <Segments label="For" value={reach} options={REACHES} onChange={setReach} />
        <Segments
          label="Side"
          value={side}
          options={SIDE_OPTIONS}
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
        {[...Object.keys(deck.theme.own), ...THEMES].map((each, at) => (
          <Look
            key={each}
            at={at}
            slide={slide}
            theme={{ ...deck.theme, ref: refOf(each, side), amount: now.amount }}
            isNow={each === name}
            onChoose={() => choose(refOf(each, side))}
          />
        ))}
      </div>
      <KeptThemes slide={slide} side={side} slideId={slideId} />
      <div className="flex flex-wrap border-t border-dotted border-line pt-2">
        <Plain onClick={beginChanging}>
          {isOurs(name) ? `Make your own out of ${now.label}` : `Change ${now.label}`}
        </Plain>
        {isOwn && (
          <Plain onClick={() => run(setSlideTheme, slide.id, null)}>As the deck again</Plain>
        )}
        <Plain onClick={() => run(setThemeForAll, now.ref)}>This theme on every slide</Plain>
      </div>
    </div>
  );
}

/** Themes that the teacher has kept, but those that this deck has already. */
function KeptThemes(props: {
  slide: Slide;
  side: Side;
  slideId: SlideId | null;
}): ReactElement | null {
  const { slide, side, slideId } = props;
  const { deck, run } = useDeck();
  const { trouble, tell } = useNotices();
  const kept = useQuery({ queryKey: ['themes'], queryFn: () => http.get<KeptTheme[]>('themes') });
  const takeOut = useChange((id: string) => http.remove(`themes/${id}`), ['themes']);
  const here = Object.values(deck.theme.own).map((theme) => JSON.stringify(theme));
  const others = (kept.data ?? []).filter(
    ({ id, theme }) => !Object.hasOwn(deck.theme.own, id) && !here.includes(JSON.stringify(theme)),
  );
  if (others.length === 0) return null;
  return (
    <section aria-label="Kept by you">
      <h3 className="mb-1 text-soft">Kept by you for all your decks</h3>
      <ul className="grid grid-cols-4 gap-2">
        {others.map(({ id, theme }, at) => (
          <li key={id}>
            <Look
              at={THEMES.length + at}
              slide={slide}
              theme={{ ref: refOf(id, side), amount: deck.theme.amount, own: { [id]: theme } }}
              isNow={false}
              onChoose={() => run(takeTheme, theme, refOf(id, side), slideId, id)}
            />
            <Plain
              onClick={() =>
                takeOut.mutate(id, {
                  onSuccess: () => tell(`“${theme.label}” is not kept any more.`),
                  onError: (error) => trouble(sentenceOf(error)),
                })
              }
            >
              Keep no more
            </Plain>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The slide as it would be in a theme. */
function Look(props: {
  slide: Slide;
  theme: DeckTheme;
  /** Its place among the others: they are drawn one after the other. */
  at: number;
  isNow: boolean;
  onChoose: () => void;
}): ReactElement {
  const { isNow, onChoose } = props;
  const { ref, amount, own } = props.theme;
  // The page shows what was chosen first, then the pictures to choose from, which hardly change.
  const slide = useDeferredValue(props.slide);
  return (
    <button
      type="button"
      aria-pressed={isNow}
      onClick={onChoose}
      className="rounded-[4px] border border-line p-1 text-left text-[12px] hover:border-petrol aria-pressed:border-petrol aria-pressed:bg-petrol-mist"
    >
      <InTurn at={props.at}>
        {() => <Shown slide={slide} themeRef={ref} amount={amount} own={own} />}
      </InTurn>
      <span className="block truncate px-1 pt-1">
        {themeData(partsOfRef(ref).name, own)?.label}
      </span>
    </button>
  );
}

const Shown = memo(function Shown(props: {
  slide: Slide;
  themeRef: ThemeRef;
  amount: Amount;
  own: DeckTheme['own'];
}): ReactElement {
  const { slide, themeRef, amount, own } = props;
  const { theme, shown } = useMemo(() => {
    const theme: DeckTheme = { ref: themeRef, amount, own };
    return { theme, shown: inTheme({ ...slide, theme: null, scenery: null }, theme) };
  }, [slide, themeRef, amount, own]);
  return <SlideView slide={shown} theme={theme} width={WIDTH} label="" />;
});

/** A slide as it lies in a theme: those that set themselves out make room for its scenery. */
function inTheme(slide: Slide, deckTheme: DeckTheme): Slide {
  if (!slide.setOut) return slide;
  const { name, isChosen } = slide.setOut;
  const has = { name: isArrangement(name) ? name : null, isChosen };
  const way = arrangementFor(slide, themeOn(slide, deckTheme), has);
  return way ? arranged(slide, way) : slide;
}
